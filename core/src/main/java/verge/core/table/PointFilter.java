package verge.core.table;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.Codebook;
import verge.core.drawing.Selection;
import verge.core.points.Origin;
import verge.core.search.Plain;
import verge.core.search.Sought;
import verge.core.units.Length;

/**
 * Which points are asked for: those that fit all that is said.
 *
 * @param text in name, code or description; empty for any
 * @param what kind, code and who
 * @param from where it was observed
 * @param time from and until when, each open if empty
 * @param has what is otherwise with it
 */
public record PointFilter(Sought text, What what, From from, Time time, Has has) {
    public static final PointFilter ALL = new PointFilter(Sought.of(""), new What(Optional.empty(), "", "", ""),
            new From(Optional.empty(), Optional.empty(), "", Optional.empty()), new Time(Optional.empty(), Optional.empty()),
            new Has(false, false, Optional.empty()));

    /**
     * @param code as it is written; empty for any
     * @param layer of the codebook; empty for any
     * @param person who wrote it; empty for anybody
     */
    public record What(Optional<Origin> origin, String code, String layer, String person) {
        private boolean fits(PointRow row, Codebook book) {
            return origin.filter(o -> o != row.point().origin()).isEmpty()
                    && (code.isEmpty() || code.equalsIgnoreCase(row.point().code().text()))
                    && (person.isEmpty() || person.equals(row.person()))
                    && (layer.isEmpty() || book.row(row.point().code()).filter(r -> r.drawn().layer().equals(layer)).isPresent());
        }
    }

    /**
     * @param leaf by its entry
     * @param base by its entry
     * @param floor by its name; empty for any
     * @param area that it lies in
     */
    public record From(Optional<UUID> leaf, Optional<UUID> base, String floor, Optional<Selection> area) {
        private boolean fits(PointRow row) {
            return leaf.filter(l -> !row.point().leaf().equals(Optional.of(l))).isEmpty()
                    && area.filter(a -> !a.contains(row.point().position().plan())).isEmpty()
                    && base.filter(b -> row.base().filter(own -> own.entry().equals(b)).isEmpty()).isEmpty()
                    && (floor.isEmpty() || row.floor().filter(f -> f.floor().name().equals(floor)).isPresent());
        }
    }

    /** Both ends are included. */
    public record Time(Optional<Instant> first, Optional<Instant> last) {
        private boolean fits(PointRow row) {
            return first.filter(row.at()::isBefore).isEmpty() && last.filter(row.at()::isAfter).isEmpty();
        }
    }

    /**
     * @param several whether other positions bear its name
     * @param unanswered whether its code asks something that nobody has answered
     * @param above σ in plan or in height is more than that
     */
    public record Has(boolean several, boolean unanswered, Optional<Length> above) {
        private boolean fits(PointRow row, Codebook book) {
            return above.filter(limit -> !isAbove(row.sigmaPlan(), limit) && !isAbove(row.sigmaHeight(), limit)).isEmpty()
                    && (!several || row.positions() > 1) && (!unanswered || row.lacksAnswer(book));
        }

        private static boolean isAbove(Optional<Length> sigma, Length limit) {
            return sigma.filter(s -> s.metres() > limit.metres()).isPresent();
        }
    }

    boolean fits(PointRow row, Codebook book) {
        return (text.isEmpty() || isText(row)) && what.fits(row, book) && time.fits(row) && from.fits(row) && has.fits(row, book);
    }

    private boolean isText(PointRow row) {
        String more = row.point().code() + " " + row.point().description();
        return text.fit(Plain.of(row.point().name().text()), Plain.of(more)) != Sought.Fit.NOT;
    }
}
