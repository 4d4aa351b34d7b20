package verge.app.stakeout;

import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.stakeout.Facing;
import verge.core.stakeout.Tolerance;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;

/**
 * What is being staked and how it is told.
 *
 * @param facingTyped 'station', 'north' or an azimuth or bearing
 */
public record StakeoutAim(StoredPoint design, String facingTyped, Tolerance tolerance) {
    public static final String FACING_STATION = "station";
    public static final String FACING_NORTH = "north";
    private static final Length WIDEST = new Length(10);

    /** @throws SurveyException POINT_UNKNOWN, NOT_AN_ANGLE, NOT_A_LENGTH or OUT_OF_RANGE */
    public static StakeoutAim parse(JobState state, String stake, String facing, String planTolerance, String heightTolerance) {
        StoredPoint design = state.points().design(PointName.parse(stake))
                .orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, stake));
        StakeoutAim aim = new StakeoutAim(design, facing.isBlank() ? FACING_STATION : facing.strip(),
                new Tolerance(limit(state, "plan tolerance", planTolerance, Tolerance.USUAL.plan()),
                        limit(state, "height tolerance", heightTolerance, Tolerance.USUAL.height())));
        aim.facing(state);
        return aim;
    }

    private static Length limit(JobState state, String field, String typed, Length usual) {
        if (typed.isBlank()) {
            return usual;
        }
        LengthUnit unit = state.settings().figures().lengthUnit();
        Length limit = LengthText.parse(typed, unit);
        if (limit.metres() <= 0 || limit.compareTo(WIDEST) > 0) {
            throw new SurveyException(Problem.OUT_OF_RANGE, field, typed, "0 m", "10 m");
        }
        return limit;
    }

    /** Towards the station of the open leaf; without one, north. */
    public Facing facing(JobState state) {
        if (facingTyped.equals(FACING_NORTH)) {
            return new Facing.Along(Angle.ZERO);
        }
        if (facingTyped.equals(FACING_STATION)) {
            return state.leaves().open().<Facing>map(leaf -> new Facing.Towards(leaf.station().occupation().station().plan()))
                    .orElse(new Facing.Along(Angle.ZERO));
        }
        return new Facing.Along(AngleText.parse(facingTyped, state.settings().figures().angles().unit()));
    }

    /** What forward means where one stands. @param faced whether it has a direction there */
    String facingWords(JobState state, boolean faced) {
        return faced ? facingWords(state) : FACING_NORTH + ", you stand at " + facingWords(state);
    }

    /** What forward means, for the page. */
    public String facingWords(JobState state) {
        if (facingTyped.equals(FACING_STATION)) {
            return state.leaves().open().map(leaf -> leaf.written().station().text()).orElse(FACING_NORTH);
        }
        return facingTyped.equals(FACING_NORTH) ? FACING_NORTH
                : state.settings().figures().direction(AngleText.parse(facingTyped, state.settings().figures().angles().unit()));
    }
}
