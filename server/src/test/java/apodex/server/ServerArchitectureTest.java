package apodex.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "apodex", importOptions = ImportOption.DoNotIncludeTests.class)
final class ServerArchitectureTest {
    @ArchTest
    static final ArchRule CORE_AND_DEMO_DO_NOT_KNOW_THE_SERVER = noClasses()
            .that()
            .resideOutsideOfPackage("apodex.server..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("apodex.server..");

    @ArchTest
    static final ArchRule DEMO_IS_KNOWN_TO_ITS_LOADERS_ONLY = noClasses()
            .that()
            .resideInAPackage("apodex..")
            .and()
            .resideOutsideOfPackage("apodex.demo..")
            .and()
            .doNotHaveSimpleName("DemoSong")
            .and()
            .doNotHaveSimpleName("DemoHandoff")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("apodex.demo..");

    @ArchTest
    static final ArchRule FEATURES_FORM_NO_CYCLE =
            slices().matching("apodex.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule MAPPERS_ARE_USED_INSIDE_THEIR_FEATURE =
            classes().that().haveSimpleNameEndingWith("Mapper").should().bePackagePrivate();
}
