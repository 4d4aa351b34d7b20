package verge.core.points;

import java.util.Optional;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.setup.KnownMark;

/**
 * A point as the journal makes it.
 *
 * @param entry the journal entry it comes from
 * @param sigma standard deviations, for a point that was observed
 * @param staked difference to the design, for a stake
 * @param leaf the setup it was observed from
 * @param description words beside or instead of the code, or empty
 */
public record StoredPoint(UUID entry, PointName name, Code code, Origin origin, Position position, Optional<Uncertainty> sigma,
        Optional<AsStaked> staked, Optional<UUID> leaf, String description) {
    public StoredPoint(UUID entry, PointName name, Code code, Origin origin, Position position, Optional<Uncertainty> sigma,
            Optional<AsStaked> staked, Optional<UUID> leaf) {
        this(entry, name, code, origin, position, sigma, staked, leaf, "");
    }

    /** A point that was given, not observed here. */
    public static StoredPoint given(UUID entry, Origin origin, NamedPosition p, Position carried) {
        return new StoredPoint(entry, p.name(), p.code(), origin, carried, p.sigma(), Optional.empty(), Optional.empty(), p.description());
    }

    /** As a setup takes it: one that was observed is known no better than it was observed. */
    public KnownMark known() {
        return new KnownMark(position, sigma);
    }

    /** The same point with other plan coordinates. */
    public StoredPoint at(GridPoint plan) {
        return new StoredPoint(entry, name, code, origin, new Position(plan, position.elevation()), sigma, staked, leaf, description);
    }
}
