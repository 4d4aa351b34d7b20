package verge.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import verge.core.check.Finding.Kind;
import verge.core.coding.PointName;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Localisation;
import verge.core.geodesy.transformation.Pair;
import verge.core.job.JobState;
import verge.core.settings.JobSettings.Tool;
import verge.core.units.Length;

/** Whether what a job is localised by still holds: its marks where they were, agreeing with each other, and around what is measured. */
final class LocalisationCheck {
    private static final double MOVED_METRES = 0.001;

    private LocalisationCheck() {
    }

    static List<Finding> of(JobState state) {
        if (!(state.settings().system() instanceof CoordinateSystem.Localised system) || system.evidence().isEmpty()) {
            return List.of();
        }
        List<Finding> found = new ArrayList<>();
        Localisation evidence = system.evidence().get();
        moved(state, system).ifPresent(found::add);
        if (evidence.fitted().plan().degreesOfFreedom() == 0) {
            found.add(Finding.of(Kind.LOCALISATION_UNCHECKED, system.name()));
        }
        strangers(system, evidence).ifPresent(found::add);
        if (state.settings().work().tools().contains(Tool.SATELLITES)) {
            beyond(state, evidence).ifPresent(found::add);
        }
        return found;
    }

    /** Known marks that lie elsewhere now than they did when the job was localised by them. */
    private static Optional<Finding> moved(JobState state, CoordinateSystem.Localised system) {
        List<Pair> moved = system.ties().stream().filter(t -> metres(state, t) > MOVED_METRES).toList();
        return moved.isEmpty() ? Optional.empty()
                : Optional.of(Finding.of(Kind.LOCALISATION_MARK_MOVED, moved.get(0).found().name(), new Length(metres(state, moved.get(0))),
                moved.size()));
    }

    private static double metres(JobState state, Pair tie) {
        return state.points().find(new PointName(tie.found().name()))
                .map(p -> p.position().plan().distanceMetres(tie.found().position().plan()))
                .orElse(0.0);
    }

    private static Optional<Finding> strangers(CoordinateSystem.Localised system, Localisation evidence) {
        Fitted.Odd odd = evidence.fitted().odd();
        List<String> named = Stream.of(odd.inPlan(), odd.inHeight()).flatMap(List::stream).distinct().sorted()
                .map(i -> system.ties().get(i).found().name()).toList();
        List<String> undecided = Stream.of(odd.undecidedInPlan(), odd.undecidedInHeight()).flatMap(List::stream).distinct().sorted()
                .map(i -> system.ties().get(i).found().name()).toList();
        return !named.isEmpty() ? Optional.of(Finding.of(Kind.LOCALISATION_STRANGER, String.join(", ", named)))
                : undecided.isEmpty() ? Optional.empty()
                : Optional.of(Finding.of(Kind.LOCALISATION_UNDECIDED, String.join(", ", undecided)));
    }

    private static Optional<Finding> beyond(JobState state, Localisation evidence) {
        Beyond beyond = Beyond.of(state.points(), evidence.hull());
        return beyond.points() == 0 ? Optional.empty()
                : Optional.of(Finding.of(Kind.LOCALISATION_BEYOND, beyond.points(), beyond.farthest()));
    }
}
