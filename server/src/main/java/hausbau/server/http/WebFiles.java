package hausbau.server.http;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** Serves the built web application; every path that is no file of it and no API is its one page. */
@Configuration
class WebFiles implements WebMvcConfigurer {

    private final String root;

    WebFiles(@Value("${hausbau.web-root}") String root) {
        this.root = Path.of(root).toAbsolutePath().toUri().toString();
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        var folder = root.endsWith("/") ? root : root + "/";
        registry.addResourceHandler("/assets/**")
                .addResourceLocations(folder + "assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
        registry.addResourceHandler("/sites/**", "/index.html", "/favicon.svg")
                .addResourceLocations(folder)
                .setCacheControl(CacheControl.noCache())
                .resourceChain(false)
                .addResolver(new PathResourceResolver() {
                    @Override
                    protected Resource getResource(String path, Resource location) throws IOException {
                        var file = path.isEmpty() ? null : super.getResource(path, location);
                        return file != null ? file : location.createRelative("index.html");
                    }
                });
    }
}
