package verge.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import verge.core.base.Base;
import verge.core.check.Finding.Kind;
import verge.core.job.JobState;
import verge.core.occupation.ControlSeen;
import verge.core.occupation.Frames;
import verge.core.occupation.HeardAs;
import verge.core.occupation.StoodKept;

/**
 * Looks over what was measured with satellites: bases that nobody has placed, marks that were never held against anything, heights that are
 * none.
 */
final class SatelliteCheck {
    private SatelliteCheck() {
    }

    static List<Finding> of(JobState state) {
        List<Finding> found = new ArrayList<>();
        StoodKept stood = StoodKept.of(state);
        int placed = stood.counts().placed();
        int onProvisional = stood.counts().provisional();
        List<Base> provisional = state.bases().all().stream().filter(Base::provisional).toList();
        if (!provisional.isEmpty()) {
            found.add(base(Kind.BASE_PROVISIONAL, marks(provisional), onProvisional));
        }
        if (placed == 0) {
            return found;
        }
        if (onProvisional > 0 && onProvisional < placed) {
            found.add(base(Kind.BASES_MIXED, onProvisional, placed - onProvisional));
        }
        List<Integer> frames = Frames.of(state);
        if (frames.size() > 1) {
            found.add(base(Kind.FRAMES_MIXED, frames.stream().map(Frames::name).collect(Collectors.joining(", "))));
        }
        frames.stream().filter(year -> Frames.isOtherThan(year, state.settings().system())).findFirst()
                .ifPresent(year -> found.add(base(Kind.FRAME_NOT_JOBS, Frames.name(year), stood.frames().get(year))));
        List<ControlSeen> control = ControlSeen.of(state);
        if (control.stream().noneMatch(c -> c.against().isEmpty())) {
            found.add(base(Kind.CONTROL_NEVER_SEEN, placed));
        }
        worst(control).ifPresent(w -> found.add(new Finding(Kind.CONTROL_OFF,
                List.of(w.stood().name(), w.plan(), control.stream().filter(c -> !c.within()).count()), w.stood().entry().toString(),
                List.of(new Remedy.OpenBase()))));
        if (stood.stations().size() == 1) {
            found.add(base(Kind.ONE_BASE_ONLY, placed, state.latest(new HeardAs(stood.stations().keySet().iterator().next()))
                    .map(b -> b.name().isEmpty() ? "number " + b.station() : b.name()).orElse("")));
        }
        if (stood.counts().flat() > 0) {
            found.add(Finding.of(Kind.HEIGHTS_WITHOUT_GEOID, stood.counts().flat()));
        }
        return found;
    }

    private static Optional<ControlSeen> worst(List<ControlSeen> control) {
        return control.stream().filter(c -> !c.within()).max((a, b) -> Double.compare(a.plan().metres(), b.plan().metres()));
    }

    private static Finding base(Kind kind, Object... arguments) {
        return new Finding(kind, List.of(arguments), "", List.of(new Remedy.OpenBase()));
    }

    private static String marks(List<Base> bases) {
        return bases.stream().map(b -> b.mark().text()).distinct().collect(Collectors.joining(", "));
    }
}
