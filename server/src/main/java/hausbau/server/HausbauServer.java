package hausbau.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Serves the application: HTTP in front, PostgreSQL behind, the rules of the job in {@code hausbau.core}. */
@SpringBootApplication
public class HausbauServer {

    public static void main(String[] args) {
        SpringApplication.run(HausbauServer.class, args);
    }
}
