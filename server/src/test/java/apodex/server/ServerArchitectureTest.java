package apodex.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Set;

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

    /** What has to do with the disk of the machine it is on, and with nothing that others look for there. */
    private static final DescribedPredicate<JavaClass> ON_THIS_MACHINE =
            DescribedPredicate.describe("on this machine", each -> Set.of(
                            "DataFolder", // where a machine keeps what is its own
                            "FolderLock", // that no other process does
                            "HouseKey", // a file that whoever sets up the nodes gives each of them
                            "ArrivedFiles", // on their way in
                            "Drops", // on their way in
                            "RunFolder", // a run in the making
                            "SharedRecordings") // between the storage and what is in use here
                    .contains(each.getSimpleName()));

    /** Whoever else reached for the disk would be wrong where there are several machines. */
    @ArchTest
    static final ArchRule FILES_ARE_THE_STORAGES = noClasses()
            .that()
            .resideInAPackage("apodex.server..")
            .and()
            .resideOutsideOfPackages(
                    "apodex.server.storage..", // what all nodes share
                    "apodex.server.database..", // a database of our own, on this machine
                    "apodex.server.backup..", // of a house on one machine
                    "apodex.server.mail..") // what is not sent, where there is no mail server
            .and(DescribedPredicate.not(ON_THIS_MACHINE))
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.nio.file.Files");
}
