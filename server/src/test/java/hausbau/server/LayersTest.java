package hausbau.server;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.stream.Collectors;

/** HTTP calls work, work calls the journal, which computes the standing set; all read the store; nothing points up. */
@AnalyzeClasses(packages = "hausbau", importOptions = DoNotIncludeTests.class)
class LayersTest {

    @ArchTest
    static final ArchRule layersPointDownward = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("http")
            .definedBy("hausbau.server.http..")
            .layer("work")
            .definedBy("hausbau.server.work..")
            .layer("journal")
            .definedBy("hausbau.server.journal..")
            .layer("standing")
            .definedBy("hausbau.server.standing..")
            .layer("store")
            .definedBy("hausbau.server.store..")
            .layer("core")
            .definedBy("hausbau.core..")
            .whereLayer("http")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("work")
            .mayOnlyBeAccessedByLayers("http")
            .whereLayer("journal")
            .mayOnlyBeAccessedByLayers("http", "work")
            .whereLayer("standing")
            .mayOnlyBeAccessedByLayers("http", "work", "journal")
            .whereLayer("store")
            .mayOnlyBeAccessedByLayers("http", "work", "journal", "standing");

    /** The description of the API calls a record by its simple name: of two with one name it would tell one alone. */
    @ArchTest
    static void recordsOfTheApiHaveNamesOfTheirOwn(JavaClasses classes) {
        var named = classes.stream()
                .filter(c -> c.isRecord() && c.getPackageName().startsWith("hausbau.server.http"))
                .collect(Collectors.groupingBy(
                        JavaClass::getSimpleName, Collectors.mapping(JavaClass::getName, Collectors.toList())));
        assertThat(named).allSatisfy((name, all) -> assertThat(all).as(name).hasSize(1));
    }
}
