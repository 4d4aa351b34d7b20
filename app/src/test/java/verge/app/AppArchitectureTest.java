package verge.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Properties;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import verge.core.check.Finding;
import verge.core.problem.Problem;
import verge.formats.csv.Column;
import verge.formats.csv.Fault;

class AppArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("verge");

    @Test
    void nothingPointsBack() {
        noClasses().that().resideInAnyPackage("verge.core..", "verge.formats..", "verge.instruments..")
                .should().dependOnClassesThat().resideInAPackage("verge.app..").check(ALL);
        noClasses().that().resideInAPackage("verge.formats..").should().dependOnClassesThat().resideInAPackage("verge.instruments..")
                .check(ALL);
        noClasses().that().resideInAPackage("verge.instruments..").should().dependOnClassesThat().resideInAPackage("verge.formats..")
                .check(ALL);
    }

    @Test
    void packagesHaveNoCircles() {
        slices().matching("verge.app.(*)..").should().beFreeOfCycles().check(ALL);
        slices().matching("verge.instruments.(*)..").should().beFreeOfCycles().check(ALL);
    }

    /** A stand-in that knew what Verge expects would prove nothing. */
    @Test
    void theSimulatedWorldKnowsNoReductionAndNoJob() {
        noClasses().that().resideInAnyPackage("verge.instruments.world..", "verge.instruments.standin..")
                .should().dependOnClassesThat().resideInAnyPackage("verge.core.reduction..", "verge.core.setup..", "verge.core.journal..")
                .check(ALL);
    }

    @Test
    void everyProblemAndFaultHasItsWords() throws IOException {
        Properties words = new Properties();
        words.load(Files.newBufferedReader(Path.of("src/main/resources/messages.properties")));
        assertThat(Stream.of(Problem.values()).flatMap(p -> Stream.of("wrong", "means", "next").map(part -> "problem." + p + "." + part)))
                .allMatch(words::containsKey);
        assertThat(Stream.of(Finding.Kind.values())
                .flatMap(k -> Stream.of("wrong", "means", "next").map(part -> "finding." + k + "." + part)))
                .allMatch(words::containsKey);
        assertThat(Stream.of(Fault.Kind.values()).map(k -> "fault." + k)).allMatch(words::containsKey);
        assertThat(Stream.of(Column.values()).map(c -> "column." + c)).allMatch(words::containsKey);
    }

    /** Colours belong to the theme; elsewhere they would stay behind when the paint changes. */
    @Test
    void noColourStandsOutsideTheTheme() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src/main/resources"))) {
            assertThat(files.filter(f -> f.toString().matches(".*\\.(css|js|html)") && !f.endsWith("theme.css")))
                    .allSatisfy(f -> assertThat(Files.readString(f)).doesNotContainPattern("#[0-9A-Fa-f]{6}\\b|rgba?\\("));
        }
    }
}
