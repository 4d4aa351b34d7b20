package verge.app.stakeout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.support.Books;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.points.PointKeyed;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Figures;

/** Where to go, in the words a person at the pole hears. The design is at 150/100/10, the station T1 at 100/100. */
class GuideViewTest {
    private JobState state;

    @BeforeEach
    void aDesignAndAStation() {
        Books book = new Books(Figures.metric());
        book.add(new PointKeyed(new PointName("D1"), Code.NONE, Position.of(150, 100, 10)));
        book.add(new PointKeyed(new PointName("Flat"), Code.NONE, Position.ofPlan(150, 100)));
        book.setUp("");
        state = book.journal().state();
    }

    /** Facing the station, which is south of the design: forward is south, right is west. */
    @ParameterizedTest
    @CsvSource({
        "152, 100,   10,    station, Forward, 2.000 m, Left,  0.000 m",
        "149, 100,   10,    station, Back,    1.000 m, Right, 0.000 m",
        "149, 100,   10,    north,   Forward, 1.000 m, Right, 0.000 m",
        "150, 100.5, 10,    north,   Forward, 0.000 m, Left,  0.500 m",
        "150, 99.5,  10,    90,      Forward, 0.500 m, Right, 0.000 m",
        "150, 99,    10,    S 0 E,   Back,    0.000 m, Left,  1.000 m"})
    void theWayIsToldInTheDirectionFaced(double north, double east, double up, String facing, String forwardWord, String forward,
    String rightWord, String right) {
        GuideView view = GuideView.of(state, StakeoutAim.parse(state, "D1", facing, "", ""), Position.of(north, east, up),
                Optional.empty());
        assertThat(view.way().forward()).isEqualTo(forward);
        assertThat(view.way().right()).isEqualTo(right);
        if (!forward.equals("0.000 m")) {
            assertThat(view.way().forwardWord()).isEqualTo(forwardWord);
        }
        if (!right.equals("0.000 m")) {
            assertThat(view.way().rightWord()).isEqualTo(rightWord);
        }
        assertThat(view.drawn().distanceMetres()).isCloseTo(Math.hypot(150 - north, 100 - east), within(1e-9));
    }

    /** Done only when every limit in force is kept: 25 mm in plan and 20 mm in height. */
    @ParameterizedTest
    @CsvSource({
        "150.020, 10.010, cut,      true,  Within both tolerances.",
        "150.020, 10.0003, on grade, true,  Within both tolerances.",
        "150.020, 9.950,  fill,     false, Height is outside 0.020 m. Plan is in.",
        "150.030, 10.010, cut,      false, Plan is outside 0.025 m.",
        "151.000, 12.000, cut,      false, Still outside in plan and height."})
    void doneObeysEveryLimit(double north, double up, String cutWord, boolean done, String verdict) {
        GuideView view = GuideView.of(state, StakeoutAim.parse(state, "D1", "", "", ""), Position.of(north, 100, up), Optional.empty());
        assertThat(view.level().cutWord()).isEqualTo(cutWord);
        assertThat(view.within().done()).isEqualTo(done);
        assertThat(view.verdict()).isEqualTo(verdict);
    }

    @Test
    void whereAHeightIsMissingItIsSaid() {
        StakeoutAim flat = StakeoutAim.parse(state, "Flat", "", "", "");
        assertThat(GuideView.of(state, flat, Position.of(150, 100, 3), Optional.empty()).verdict())
                .isEqualTo("Within the plan tolerance; this design has no elevation.");
        StakeoutAim high = StakeoutAim.parse(state, "D1", "", "", "");
        GuideView unknown = GuideView.of(state, high, Position.ofPlan(150, 100), Optional.empty());
        assertThat(unknown.within().done()).isFalse();
        assertThat(unknown.verdict()).contains("the station has none");
    }

    @ParameterizedTest
    @CsvSource({"Nobody, '', '', '', POINT_UNKNOWN", "D1, sideways, '', '', NOT_AN_ANGLE", "D1, '', 0, '', OUT_OF_RANGE",
            "D1, '', '', -1, OUT_OF_RANGE", "D1, '', 11, '', OUT_OF_RANGE",
        "D1, '', wide, '', NOT_A_LENGTH"})
    void anAimThatCannotBeIsRefused(String point, String facing, String plan, String height, Problem problem) {
        assertThatThrownBy(() -> StakeoutAim.parse(state, point, facing, plan, height))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }

    @Test
    void tolerancesAreTypedInTheJobsUnitOrOneOfTheirOwn() {
        StakeoutAim aim = StakeoutAim.parse(state, "D1", "north", "5 mm", "0,01");
        assertThat(aim.tolerance().plan().metres()).isEqualTo(0.005);
        assertThat(aim.tolerance().height().metres()).isEqualTo(0.01);
        assertThat(aim.facingWords(state)).isEqualTo("north");
        assertThat(StakeoutAim.parse(state, "D1", "", "", "").facingWords(state)).isEqualTo("T1");
    }
}
