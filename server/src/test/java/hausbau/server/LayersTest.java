package hausbau.server;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

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
}
