package verge.instruments.nmea;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.Dilution;
import verge.core.satellite.SolvedPosition;
import verge.core.satellite.SolvedPosition.Kind;

/**
 * Positions out of sentences. Those of one moment belong together; which of them comes last is learnt from the first moments, so that a
 * position goes on as soon as it is whole.
 *
 * <p>Sentences tell the time of day, seldom the date: where none of a moment does, it is the day that brings it nearest to the moment
 * before, as the clock here has run on since, or to that clock at the beginning. Nothing is told of a moment that lies before the last one,
 * or of which two who speak tell different places, by whatever names and in turns within a moment or from one to the next; nor for a while
 * after that.
 */
public final class NmeaEpochs {
    private static final Duration HALF_A_DAY = Duration.ofHours(12);
    /** Two receivers on one line lie farther apart than one receiver's own two ways to say a place. */
    private static final double ONE_PLACE_METRES = 0.5;
    /** Nobody carries a pole faster; fixed solutions of one receiver lie no farther apart. */
    private static final double FASTEST_METRES_A_SECOND = 30;
    private static final double LEAST_LEAP_METRES = 2;
    private static final Duration QUIET = Duration.ofSeconds(10);

    private LocalTime moment;
    private LocalDate date;
    private Instant last;
    private Instant lastHere;
    private String lastKind = "";
    private String endsWith = "";
    private boolean told;
    private NmeaSentence.Timed position;
    private NmeaSentence.Gst spread;
    private NmeaSentence.Gsa used;
    private boolean mixed;
    private Instant mixedLast = Instant.EPOCH;
    /** The latest fixed place, and where it was the moment before, if it leapt from there. */
    private Fixed before;
    private Fixed leaptFrom;

    private record Fixed(Instant at, EarthCentred place) {
        boolean reaches(Fixed later) {
            double seconds = Math.abs(Duration.between(at, later.at()).toMillis() / 1e3);
            return later.place().minus(place).length() <= Math.max(LEAST_LEAP_METRES, FASTEST_METRES_A_SECOND * seconds);
        }
    }

    /** What a sentence brought about. */
    public sealed interface Event {
        /** A position that is whole. */
        record Solved(SolvedPosition position) implements Event {
        }

        /** Something that must not be passed over. */
        record Doubt(Kind kind) implements Event {
            /** What may be wrong with a stream. */
            public enum Kind { BACKWARDS, TWO_SPEAKERS }
        }
    }

    /** @param now by the clock here */
    public Optional<Event> take(NmeaSentence sentence, Instant now) {
        if (sentence instanceof NmeaSentence.Gsa gsa) {
            used = gsa;
        }
        if (!(sentence instanceof NmeaSentence.Timed timed)) {
            return Optional.empty();
        }
        Optional<Event> ended = timed.time().equals(moment) ? Optional.empty() : next(timed.time(), now);
        if (timed instanceof NmeaSentence.Rmc rmc) {
            rmc.date().ifPresent(d -> date = d);
        } else if (timed instanceof NmeaSentence.Zda zda) {
            date = zda.date();
        } else if (timed instanceof NmeaSentence.Gst gst) {
            spread = gst;
        } else {
            mixed |= position != null && apart(place(position), place(timed));
            position = position instanceof NmeaSentence.Gns ? position : timed;   // of the two GNS says more
        }
        if (told && mixed) {
            told = false;   // whoever speaks after the moment was told
        }
        lastKind = kind(timed);
        return ended.isPresent() ? ended : lastKind.equals(endsWith) ? tell(now) : Optional.empty();
    }

    private static String kind(NmeaSentence sentence) {
        return sentence.talker() + sentence.getClass().getSimpleName();
    }

    /** The moment before is over. */
    private Optional<Event> next(LocalTime time, Instant now) {
        Optional<Event> ended = tell(now);
        endsWith = lastKind;
        moment = time;
        date = null;
        position = null;
        spread = null;
        mixed = false;
        told = false;
        return ended;
    }

    private Optional<Event> tell(Instant now) {
        if (told || position == null) {
            return Optional.empty();
        }
        told = true;
        if (mixed) {
            mixedLast = now;
            return Optional.of(new Event.Doubt(Event.Doubt.Kind.TWO_SPEAKERS));
        }
        Instant at = at(moment, now);
        boolean backwards = last != null && at.isBefore(last);
        last = at;
        lastHere = now;
        if (backwards) {
            return Optional.of(new Event.Doubt(Event.Doubt.Kind.BACKWARDS));
        }
        SolvedPosition solved = solved(at);
        boolean leaps = leaps(solved, now);
        if (Duration.between(mixedLast, now).compareTo(QUIET) < 0) {
            return Optional.of(new Event.Doubt(Event.Doubt.Kind.TWO_SPEAKERS));
        }
        return leaps ? Optional.empty() : Optional.of(new Event.Solved(solved));
    }

    /**
     * Whether a fixed place is where this receiver cannot be. It is told once the next one is there too; if that is back where it was, two
     * speak in turns.
     */
    private boolean leaps(SolvedPosition solved, Instant now) {
        if (solved.kind() != Kind.FIXED || solved.place().isEmpty()) {
            return false;
        }
        Fixed here = new Fixed(solved.at(), EarthCentred.of(solved.place().get(), ReferenceEllipsoid.WGS84));
        Fixed last = before;
        Fixed from = leaptFrom;
        before = here;
        leaptFrom = last == null || last.reaches(here) ? null : last;
        if (from != null && leaptFrom != null && from.reaches(here)) {
            mixedLast = now;
        }
        return leaptFrom != null;
    }

    private Instant at(LocalTime time, Instant now) {
        if (date != null) {
            return LocalDateTime.of(date, time).toInstant(ZoneOffset.UTC);
        }
        Instant near = last == null ? now : last.plus(Duration.between(lastHere, now));
        Instant at = LocalDateTime.of(LocalDate.ofInstant(near, ZoneOffset.UTC), time).toInstant(ZoneOffset.UTC);
        Duration off = Duration.between(near, at);
        return off.compareTo(HALF_A_DAY) > 0 ? at.minus(Duration.ofDays(1)) : off.compareTo(HALF_A_DAY.negated()) < 0
                ? at.plus(Duration.ofDays(1)) : at;
    }

    private static Optional<Geographic> place(NmeaSentence.Timed sentence) {
        return sentence instanceof NmeaSentence.Gga gga ? gga.place() : ((NmeaSentence.Gns) sentence).place();
    }

    private static boolean apart(Optional<Geographic> one, Optional<Geographic> other) {
        return one.isPresent() && other.isPresent() && centred(one.get()).minus(centred(other.get())).length() > ONE_PLACE_METRES;
    }

    private static EarthCentred centred(Geographic place) {
        return EarthCentred.of(new EarthPlace(place, new EllipsoidHeight(0)), ReferenceEllipsoid.WGS84);
    }

    private SolvedPosition solved(Instant at) {
        // nought is how some say that they do not know
        Optional<SolvedPosition.Sigma> sigma = Optional.ofNullable(spread)
                .filter(s -> s.latitude().orElse(0) > 0 && s.longitude().orElse(0) > 0 && s.height().orElse(0) > 0)
                .map(s -> new SolvedPosition.Sigma(s.latitude().getAsDouble(), s.longitude().getAsDouble(), s.height().getAsDouble()));
        Optional<Dilution> dilution = Optional.ofNullable(used)
                .filter(u -> u.hdop().isPresent() && u.vdop().isPresent() && u.pdop().isPresent())
                .map(u -> new Dilution(u.hdop().getAsDouble(), u.vdop().getAsDouble(), u.pdop().getAsDouble()));
        if (position instanceof NmeaSentence.Gns gns) {
            return new SolvedPosition(at, place(gns.place(), gns.height(), gns.separation()), kind(gns.quality()), sigma, gns.satellites(),
                    dilution, gns.age(), gns.base());
        }
        NmeaSentence.Gga gga = (NmeaSentence.Gga) position;
        return new SolvedPosition(at, place(gga.place(), gga.height(), gga.separation()), kind(gga.quality()), sigma, gga.satellites(),
                dilution, gga.age(), gga.base());
    }

    /** Only with an ellipsoid height: a height over a geoid that nobody knows is none. */
    private static Optional<EarthPlace> place(Optional<Geographic> place, OptionalDouble height, OptionalDouble separation) {
        return place.filter(p -> height.isPresent() && separation.isPresent())
                .map(p -> new EarthPlace(p, new EllipsoidHeight(height.getAsDouble() + separation.getAsDouble())));
    }

    private static Kind kind(NmeaSentence.Quality quality) {
        return switch (quality) {
            case FIXED -> Kind.FIXED;
            case FLOAT -> Kind.FLOAT;
            case DIFFERENTIAL -> Kind.DIFFERENTIAL;
            case AUTONOMOUS, PRECISE -> Kind.AUTONOMOUS;
            case NONE, ESTIMATED, MANUAL, SIMULATED -> Kind.NONE;
        };
    }
}
