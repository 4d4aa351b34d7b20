package verge.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class CoreArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("verge.core");

    @Test
    void knowsNothingButJavaItselfAndTheLibrariesOfItsTrade() {
        classes().should().onlyDependOnClassesThat()
                .resideInAnyPackage("verge.core..", "java.lang..", "java.util..", "java.time..", "java.math..",
                        "java.text..", "java.nio.charset..", "org.apache.sis..", "org.opengis..", "javax.measure..", "org.ejml..",
                        "org.locationtech.jts..", "org.pcollections..", "net.e175.klaus.solarpositioning..", "net.sf.geographiclib..",
                        "org.apache.commons.statistics..")
                .check(CORE);
    }

    /** A new kind of entry touches its capability and the list of chapters, and nothing here. */
    @Test
    void theJournalKnowsNoCapability() {
        classes().that().resideInAPackage("verge.core.journal..").should().onlyDependOnClassesThat()
                .resideInAnyPackage("verge.core.journal..", "java..", "org.pcollections..").check(CORE);
    }

    @Test
    void hasNoCirclesBetweenItsPackages() {
        slices().matching("verge.core.(*)..").should().beFreeOfCycles().check(CORE);
    }
}
