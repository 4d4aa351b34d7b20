package verge.app.base;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.points.SitePoints;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.core.base.AgainstSky;
import verge.core.base.Base;
import verge.core.base.BaseEntries;
import verge.core.base.BaseSetUp;
import verge.core.base.HereAgain;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.journal.Payload;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.SkyMean;
import verge.core.units.Length;

/** Over which mark a base is to stand, and whether the sky agrees. */
@Service
class BaseMarks {
    private final SitePoints points;
    private final ReceiverDesk receivers;
    private final BaseDesk bases;
    private final SiteBases others;

    BaseMarks(SitePoints points, ReceiverDesk receivers, BaseDesk bases, SiteBases others) {
        this.points = points;
        this.receivers = receivers;
        this.bases = bases;
        this.others = others;
    }

    /**
     * A mark as it was wanted.
     *
     * @param needed what has to be written before the base: a point taken on, or typed
     * @param reference where its antenna's reference point is to be sent
     * @param sky what it said of the antenna at that moment
     * @param position absent for one that only the sky knows
     * @param against absent where nothing was held against the sky
     * @param again an earlier base near by, for one that only the sky knows
     * @param noted whose place it takes over, in words; else empty
     */
    record Wanted(PointName mark, BaseSetUp.Held held, List<Payload> needed, EarthCentred reference, SkyMean sky,
            Optional<Position> position, Optional<AgainstSky> against, Optional<Earlier> again, String noted) {
    }

    /** An earlier base near by. @param of the other job that has it; empty for the job's own */
    record Earlier(HereAgain here, Optional<SiteBases.OfJob> of) {
        /** Over which mark, in words. */
        String mark() {
            return here.mark() + of.map(o -> " of the job " + o.name()).orElse("");
        }
    }

    /** The antenna over the base's mark. @throws SurveyException ANTENNA_HEIGHT_MISSING */
    AntennaOverMark antenna(UUID job) {
        return receivers.how(Seat.base(job)).antenna().orElseThrow(() -> new SurveyException(Problem.ANTENNA_HEIGHT_MISSING));
    }

    /**
     * An earlier base where the antenna stands now, of the job or else of another of its site, if there was one; empty while sky or antenna
     * height are not known.
     */
    Optional<Earlier> again(UUID job, JobState state) {
        return bases.sky(job).flatMap(sky -> receivers.how(Seat.base(job)).antenna().map(a -> Base.below(sky.antenna(), a.reference())))
                .flatMap(ground -> HereAgain.of(state.bases().all(), ground).map(own -> new Earlier(own, Optional.empty()))
                .or(() -> elsewhere(job, ground)));
    }

    private Optional<Earlier> elsewhere(UUID job, EarthCentred ground) {
        return others.besides(job).stream().flatMap(o -> HereAgain.of(o.bases(), ground).map(h -> new Earlier(h, Optional.of(o))).stream())
                .findFirst();
    }

    /**
     * @throws SurveyException as the form, NO_BASE, EARLIER_BASE_NOT_HERE, NO_POSITION while the sky is not known, ANTENNA_HEIGHT_MISSING,
     *     SYSTEM_NOT_ON_EARTH, POINT_UNKNOWN, POINT_NAME_TAKEN, BASE_WITHOUT_HEIGHT
     */
    Wanted wanted(UUID job, BaseForm form) {
        JobState state = points.state(job);
        SkyMean sky = bases.sky(job).orElseThrow(() -> new SurveyException(Problem.NO_POSITION));
        Length height = antenna(job).reference();
        PointName mark = form.mark();
        if (form.from() != BaseForm.From.KNOWN && !state.points().named(mark).isEmpty()) {
            throw new SurveyException(Problem.POINT_NAME_TAKEN, mark.text());
        } else if (form.from() == BaseForm.From.SKY) {
            return new Wanted(mark, BaseSetUp.Held.SKY, List.of(), sky.antenna(), sky, Optional.empty(), Optional.empty(),
                    again(job, state), "");
        } else if (form.from() == BaseForm.From.EARLIER) {
            return taken(mark, others.require(job, form.earlierJob(), form.earlier()), sky, height, state);
        }
        if (form.from() == BaseForm.From.TYPED) {
            NamedPosition typed = form.typed(state.settings(), mark);
            return over(mark, typed.position(), List.of(known(typed)), sky, height, state, "");
        }
        StoredPoint known = state.points().mark(mark).or(() -> state.points().find(mark))
                .orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, mark.text()));
        return over(mark, known.position(), points.toTakeOn(job, Origin.CONTROL, mark.text()), sky, height, state, "");
    }

    /**
     * Over the mark of another job's base. Its place becomes a point of this job, or, while only the sky has said it, a base that was
     * before: so it is provisional here too, and is corrected like one of the job's own.
     */
    private static Wanted taken(PointName mark, SiteBases.Earlier other, SkyMean sky, Length height, JobState state) {
        Base earlier = other.base();
        String noted = "over " + earlier.mark() + " of the job " + other.job();
        HereAgain.of(List.of(earlier), Base.below(sky.antenna(), height))
                .orElseThrow(() -> new SurveyException(Problem.EARLIER_BASE_NOT_HERE, earlier.mark().text()));
        Position place = state.geodesy().position(earlier.ground().place(ReferenceEllipsoid.WGS84))
                .orElseThrow(() -> new SurveyException(Problem.SYSTEM_NOT_ON_EARTH));
        Payload needed = other.bySky().<Payload>map(s -> s.renamed(was -> mark).noted(noted))
                .orElseGet(() -> new PointsImported(Origin.CONTROL, noted, "", List.of(new NamedPosition(mark, Code.NONE, place))));
        return over(mark, place, List.of(needed), sky, height, state, noted);
    }

    /** A point that is known because somebody typed it. */
    static Payload known(NamedPosition typed) {
        return new PointsImported(Origin.CONTROL, "typed", "", List.of(typed));
    }

    private static Wanted over(PointName mark, Position position, List<Payload> needed, SkyMean sky, Length height, JobState state,
            String noted) {
        Position ground = BaseEntries.ground(sky, height, state.geodesy())
                .orElseThrow(() -> new SurveyException(Problem.SYSTEM_NOT_ON_EARTH));
        EarthPlace place = state.geodesy().earth(position).orElseThrow(() -> new SurveyException(Problem.BASE_WITHOUT_HEIGHT, mark.text()));
        return new Wanted(mark, BaseSetUp.Held.KNOWN, needed, Base.above(EarthCentred.of(place, ReferenceEllipsoid.WGS84), height), sky,
                Optional.of(position), Optional.of(AgainstSky.of(position, ground, state.geodesy())), Optional.empty(), noted);
    }
}
