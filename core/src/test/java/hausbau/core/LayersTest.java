package hausbau.core;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;

/** The core's packages point downward only, and know nothing of servers, databases or JSON. */
@AnalyzeClasses(packages = "hausbau.core", importOptions = DoNotIncludeTests.class)
class LayersTest {

    @ArchTest
    static final ArchRule packagesPointDownward = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("measure")
            .definedBy("..core.measure..")
            .layer("plane")
            .definedBy("..core.plane..")
            .layer("shape")
            .definedBy("..core.shape..")
            .layer("cut")
            .definedBy("..core.cut..")
            .layer("reduce")
            .definedBy("..core.reduce..")
            .layer("finish")
            .definedBy("..core.finish..")
            .layer("kit")
            .definedBy("..core.kit..")
            .layer("bring")
            .definedBy("..core.bring..")
            .layer("fit")
            .definedBy("..core.fit..")
            .layer("massing")
            .definedBy("..core.massing..")
            .layer("repeat")
            .definedBy("..core.repeat..")
            .layer("place")
            .definedBy("..core.place..")
            .layer("dress")
            .definedBy("..core.dress..")
            .layer("arrange")
            .definedBy("..core.arrange..")
            .layer("standing")
            .definedBy("..core.standing..")
            .layer("hand")
            .definedBy("..core.hand..")
            .layer("budget")
            .definedBy("..core.budget..")
            .layer("advice")
            .definedBy("..core.advice..")
            .layer("survey")
            .definedBy("..core.survey..")
            .layer("variety")
            .definedBy("..core.variety..")
            .layer("takeoff")
            .definedBy("..core.takeoff..")
            .layer("ray")
            .definedBy("..core.ray..")
            .layer("light")
            .definedBy("..core.light..")
            .layer("irradiance")
            .definedBy("..core.irradiance..")
            .layer("shot")
            .definedBy("..core.shot..")
            .layer("exchange")
            .definedBy("..core.exchange..")
            .whereLayer("shot")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("exchange")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("irradiance")
            .mayOnlyBeAccessedByLayers("exchange")
            .whereLayer("ray")
            .mayOnlyBeAccessedByLayers("irradiance")
            .whereLayer("light")
            .mayOnlyBeAccessedByLayers("dress", "standing", "variety", "irradiance", "exchange")
            .whereLayer("takeoff")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("variety")
            .mayOnlyBeAccessedByLayers("irradiance")
            .whereLayer("survey")
            .mayOnlyBeAccessedByLayers("irradiance")
            .whereLayer("advice")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("budget")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("hand")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("standing")
            .mayOnlyBeAccessedByLayers(
                    "advice", "hand", "budget", "survey", "variety", "irradiance", "shot", "exchange")
            .whereLayer("arrange")
            .mayOnlyBeAccessedByLayers("standing", "hand")
            .whereLayer("dress")
            .mayOnlyBeAccessedByLayers("standing", "hand", "survey", "variety", "irradiance")
            .whereLayer("place")
            .mayOnlyBeAccessedByLayers(
                    "dress",
                    "arrange",
                    "standing",
                    "hand",
                    "survey",
                    "variety",
                    "takeoff",
                    "irradiance",
                    "shot",
                    "exchange")
            .whereLayer("repeat")
            .mayOnlyBeAccessedByLayers("standing", "hand", "survey")
            .whereLayer("massing")
            .mayOnlyBeAccessedByLayers(
                    "advice",
                    "place",
                    "dress",
                    "arrange",
                    "standing",
                    "hand",
                    "survey",
                    "irradiance",
                    "shot",
                    "exchange")
            .whereLayer("fit")
            .mayOnlyBeAccessedByLayers("advice", "massing", "standing", "survey")
            .whereLayer("reduce")
            .mayOnlyBeAccessedByLayers("exchange")
            .whereLayer("bring")
            .mayOnlyBeAccessedByLayers("exchange")
            .whereLayer("kit")
            .mayOnlyBeAccessedByLayers(
                    "bring",
                    "massing",
                    "place",
                    "dress",
                    "arrange",
                    "standing",
                    "hand",
                    "survey",
                    "variety",
                    "takeoff",
                    "irradiance",
                    "shot",
                    "exchange")
            .whereLayer("plane")
            .mayOnlyBeAccessedByLayers("kit", "massing", "repeat", "standing", "hand", "survey", "exchange")
            .whereLayer("finish")
            .mayOnlyBeAccessedByLayers("budget", "irradiance", "exchange")
            .whereLayer("cut")
            .mayOnlyBeAccessedByLayers("kit")
            .whereLayer("shape")
            .mayOnlyBeAccessedByLayers(
                    "cut",
                    "finish",
                    "reduce",
                    "kit",
                    "bring",
                    "massing",
                    "budget",
                    "standing",
                    "takeoff",
                    "light",
                    "irradiance",
                    "shot",
                    "exchange");

    @ArchTest
    static final ArchRule packagesHaveNoCycles =
            slices().matching("hausbau.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule coreIsPlain = ArchRuleDefinition.noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "jakarta..",
                    "tools.jackson..",
                    "com.fasterxml..",
                    "java.sql..",
                    "java.net.http..");

    @ArchTest
    static final ArchRule onlyExchangeWritesFiles = ArchRuleDefinition.noClasses()
            .that()
            .resideOutsideOfPackage("..core.exchange..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("de.javagl..");
}
