package verge.core.geodesy.system;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import verge.core.geodesy.Lift;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.Fit;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Localisation;
import verge.core.geodesy.transformation.Pair;

/**
 * What a job is told its plan coordinates are.
 *
 * <p>A projected system is kept whole, as WKT 2, not by its code alone: what a job meant cannot change when a register is revised.
 */
public sealed interface CoordinateSystem {

    /** A plane each place of which is known on the earth. */
    sealed interface OnEarth extends CoordinateSystem {
        String name();

        /** How satellite positions get to its datum; absent if that is not known or needs a grid. */
        Optional<DatumShift> toWgs84();
    }

    /**
     * @param code such as EPSG:25832; empty if it was typed or pasted
     * @param wkt definition by ISO 19162:2019
     */
    record Projected(String name, String code, String wkt, Optional<DatumShift> toWgs84) implements OnEarth {
        public Projected {
            Objects.requireNonNull(name, "name");
            Objects.requireNonNull(code, "code");
            Objects.requireNonNull(wkt, "wkt");
            Objects.requireNonNull(toWgs84, "toWgs84");
        }
    }

    /**
     * A projected system whose plane, and whose heights, were fitted onto a site's own control.
     *
     * @param move from the base system's grid, north and east positive in metres, to the site's; not mirrored
     * @param geoid that is taken off ellipsoid heights before they are lifted
     * @param lift what is added to heights then; absent if they were left as they are
     * @param ties by which it was found: 'computed' is a mark in the base system, 'found' the same in the site's control; none if only the
     *     result was handed over
     * @param settings with which it was found from them
     */
    record Localised(String name, Projected base, Similarity move, GeoidChoice geoid, Optional<Lift> lift, List<Pair> ties,
            FitSettings settings) implements OnEarth {
        public Localised {
            Objects.requireNonNull(name, "name");
            Objects.requireNonNull(base, "base");
            Objects.requireNonNull(geoid, "geoid");
            Objects.requireNonNull(lift, "lift");
            Objects.requireNonNull(settings, "settings");
            ties = List.copyOf(ties);
            if (move.mirrored()) {
                throw new IllegalArgumentException("a site is not mirrored");
            }
        }

        /**
         * Found from ties.
         *
         * @throws verge.core.problem.SurveyException as {@link Fit#of}
         */
        public static Localised of(String name, Projected base, GeoidChoice geoid, List<Pair> ties, FitSettings settings) {
            Localisation found = Localisation.of(ties, settings);
            boolean heights = settings.heights() != FitSettings.Heights.LEAVE && ties.stream().anyMatch(Pair::countsInHeight);
            Localised made = new Localised(name, base, found.fitted().similarity(), geoid,
                    heights ? Optional.of(found.fitted().lift()) : Optional.empty(), ties, settings);
            Evidence.keep(made, found);
            return made;
        }

        /** What its ties leave over and how well it is known; absent where it came without them. */
        public Optional<Localisation> evidence() {
            return ties.isEmpty() ? Optional.empty() : Optional.of(Evidence.of(this));
        }

        @Override
        public Optional<DatumShift> toWgs84() {
            return base.toWgs84();
        }
    }

    /** Latitude and longitude without a plane: a total station has nowhere to put its points. */
    record LatLonOnly(String name, String code) implements CoordinateSystem {
    }

    /**
     * A plane grid with one scale for the whole of it.
     *
     * @param gridPerGround a ground distance times this is the coordinates' distance; 0.9 to 1.1
     */
    record Flat(double gridPerGround) implements CoordinateSystem {
    }

    /** Decide later: what is measured is kept raw, and on a plane at scale 1 until then. */
    record Undecided() implements CoordinateSystem {
    }

    static CoordinateSystem flat(double gridPerGround) {
        return new Flat(gridPerGround);
    }
}
