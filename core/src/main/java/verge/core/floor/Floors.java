package verge.core.floor;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import verge.core.geodesy.Elevation;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The floors of a building, lowest first. Each is open to the next one above it, the highest to the sky; below the lowest lies none. */
public record Floors(List<Floor> all) {
    public static final Floors NONE = new Floors(List.of());
    public static final double LEAST_APART_METRES = 1;

    /** @throws SurveyException FLOOR_NAMED_TWICE in any case of letters, FLOORS_TOO_NEAR */
    public Floors {
        all = all.stream().sorted(Comparator.comparingDouble(f -> f.level().metres())).toList();
        for (int i = 0; i < all.size(); i++) {
            Floor floor = all.get(i);
            if (all.stream().filter(f -> f.name().toLowerCase(Locale.ROOT).equals(floor.name().toLowerCase(Locale.ROOT))).count() > 1) {
                throw new SurveyException(Problem.FLOOR_NAMED_TWICE, floor.name());
            }
            if (i > 0 && floor.level().metres() - all.get(i - 1).level().metres() < LEAST_APART_METRES) {
                throw new SurveyException(Problem.FLOORS_TOO_NEAR, all.get(i - 1).name(), floor.name());
            }
        }
    }

    /** Each floor with what of the heights is its own. */
    public List<Storey> storeys() {
        return IntStream.range(0, all.size())
                .mapToObj(i -> new Storey(all.get(i), i + 1 < all.size() ? Optional.of(all.get(i + 1)) : Optional.empty())).toList();
    }

    /** The same as a building stands: the highest first. */
    public List<Storey> fromTheTop() {
        List<Storey> storeys = new ArrayList<>(storeys());
        Collections.reverse(storeys);
        return storeys;
    }

    public Optional<Storey> named(String name) {
        return storeys().stream().filter(s -> s.floor().name().equals(name)).findFirst();
    }

    /** The floor that a height belongs to; empty below the lowest. */
    public Optional<Storey> at(Elevation elevation) {
        return storeys().stream().filter(s -> s.holds(Optional.of(elevation))).findFirst();
    }
}
