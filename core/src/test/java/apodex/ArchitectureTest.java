package apodex;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Which package may know which: the order of the design, lowest first. */
@AnalyzeClasses(packages = "apodex", importOptions = ImportOption.DoNotIncludeTests.class)
final class ArchitectureTest {
    @ArchTest
    static final ArchRule LOWER_PACKAGES_KNOW_NOTHING_OF_HIGHER_ONES = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("time")
            .definedBy("apodex.time")
            .layer("audio")
            .definedBy("apodex.audio")
            .layer("effect")
            .definedBy("apodex.effect")
            .layer("instrument")
            .definedBy("apodex.instrument")
            .layer("notes")
            .definedBy("apodex.notes")
            .layer("session")
            .definedBy("apodex.session")
            .layer("measure")
            .definedBy("apodex.measure")
            .layer("align")
            .definedBy("apodex.align")
            .layer("examine")
            .definedBy("apodex.examine")
            .layer("signal")
            .definedBy("apodex.signal")
            .layer("naming")
            .definedBy("apodex.naming")
            .layer("handoff")
            .definedBy("apodex.handoff")
            .layer("check")
            .definedBy("apodex.check")
            .layer("proof")
            .definedBy("apodex.proof")
            .layer("parcel")
            .definedBy("apodex.parcel")
            .layer("intake")
            .definedBy("apodex.intake")
            .whereLayer("time")
            .mayNotAccessAnyLayer()
            .whereLayer("audio")
            .mayOnlyAccessLayers("time")
            .whereLayer("effect")
            .mayOnlyAccessLayers("time")
            .whereLayer("instrument")
            .mayOnlyAccessLayers("time")
            .whereLayer("session")
            .mayOnlyAccessLayers("time", "audio", "effect", "instrument")
            .whereLayer("notes")
            .mayOnlyAccessLayers("time", "audio", "instrument", "session")
            .whereLayer("measure")
            .mayOnlyAccessLayers("time", "audio")
            .whereLayer("align")
            .mayOnlyAccessLayers("time", "audio")
            .whereLayer("examine")
            .mayOnlyAccessLayers("time", "audio", "measure")
            .whereLayer("signal")
            .mayOnlyAccessLayers("time", "audio", "effect", "instrument", "session", "measure")
            .whereLayer("naming")
            .mayOnlyAccessLayers("time", "audio", "session", "measure", "signal")
            .whereLayer("handoff")
            .mayOnlyAccessLayers(
                    "time", "audio", "effect", "instrument", "notes", "session", "measure", "signal", "naming")
            .whereLayer("check")
            .mayOnlyAccessLayers(
                    "time",
                    "audio",
                    "effect",
                    "instrument",
                    "session",
                    "measure",
                    "align",
                    "signal",
                    "naming",
                    "handoff")
            .whereLayer("proof")
            .mayOnlyAccessLayers("time", "audio", "session", "measure", "signal", "naming", "handoff")
            .whereLayer("parcel")
            .mayOnlyBeAccessedByLayers("intake")
            .whereLayer("intake")
            .mayNotBeAccessedByAnyLayer();

    @ArchTest
    static final ArchRule NO_CYCLES = slices().matching("apodex.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule CORE_KNOWS_NO_WEB_NO_DATABASE = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "java.sql..",
                    "javax.sql..",
                    "org.apache.ibatis..",
                    "jakarta.servlet..",
                    "java.awt..",
                    "javax.swing..");
}
