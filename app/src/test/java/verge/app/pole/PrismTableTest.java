package verge.app.pole;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Prism constants as people type them, and prisms by name. */
class PrismTableTest {
    private static final UUID JOB = UUID.randomUUID();
    private final PrismRepository prisms = mock(PrismRepository.class);
    private final JobService jobs = mock(JobService.class);
    private final PrismTable table = new PrismTable(prisms, jobs);
    private final UUID site = UUID.randomUUID();
    private final Prism pole = new Prism(site, "pole prism", new Length(-0.012));

    @BeforeEach
    void aSiteWithOnePrism() {
        Job job = mock(Job.class);
        when(job.siteId()).thenReturn(site);
        when(jobs.job(JOB)).thenReturn(job);
        when(prisms.findBySiteIdOrderByName(site)).thenReturn(List.of(pole));
    }

    @ParameterizedTest
    @CsvSource({"-12, -0.012", "\u221234.5, -0.0345", "0, 0", "'-17,5', -0.0175", "-12 mm, -0.012", "-0.0345 m, -0.0345", "0.2, 0.0002",
            "100, 0.1"})
    void aBareNumberIsMillimetres(String typed, double metres) {
        String plain = typed.replace('\u2212', '-');
        assertThat(PrismTable.constant(plain, LengthUnit.METRE).metres()).isCloseTo(metres, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"-0.0345, \u221234.5 mm", "0.03, +30.0 mm", "-0.012, \u221212.0 mm"})
    void metresTypedAsMillimetresAreNoticedAndTheLikelyOneIsNamed(String typed, String meant) {
        assertThatThrownBy(() -> PrismTable.constant(typed, LengthUnit.METRE)).isInstanceOfSatisfying(SurveyException.class, e -> {
            assertThat(e.problem()).isEqualTo(Problem.PRISM_CONSTANT_UNIT);
            assertThat(e.arguments()).containsExactly(typed, meant);
        });
    }

    @ParameterizedTest
    @CsvSource({"101, OUT_OF_RANGE", "-12 m, OUT_OF_RANGE", "brass, NOT_A_LENGTH"})
    void whatNoPrismHasIsRefused(String typed, Problem problem) {
        assertThatThrownBy(() -> PrismTable.constant(typed, LengthUnit.METRE))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }

    @Test
    void aPrismIsFoundByItsNameInAnyCaseAndByItsConstant() {
        assertThat(table.named(JOB, " Pole Prism ")).contains(pole);
        assertThat(table.with(JOB, new Length(-0.012))).contains(pole);
        assertThat(table.with(JOB, new Length(-0.0121))).isEmpty();
        assertThat(table.named(JOB, "brass")).isEmpty();
    }

    @Test
    void addingOneOfTheSameNameReplacesIt() {
        table.add(JOB, "POLE PRISM", "-30");
        verify(prisms).delete(pole);
        verify(prisms).save(any(Prism.class));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "  ", "12", "-34.5", "a name that is far longer than any label on a prism"})
    void aNameThatCouldBeAConstantOrIsNoneIsRefused(String name) {
        assertThatThrownBy(() -> table.add(JOB, name, "0"))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.PRISM_NAME_UNFIT));
    }
}
