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
import verge.core.occupation.Stood;
import verge.core.occupation.StoodOn;

/**
 * Looks over what was measured with satellites: bases that nobody has placed, marks that were never held against anything, heights that are
 * none.
 */
final class SatelliteCheck {
    private SatelliteCheck() {
    }

    static List<Finding> of(JobState state) {
        List<Finding> found = new ArrayList<>();
        List<Stood> stood = state.all(new StoodOn()).stream().filter(s -> s.place().isPresent()).toList();
        List<Base> provisional = state.bases().stream().filter(Base::provisional).toList();
        if (!provisional.isEmpty()) {
            found.add(base(Kind.BASE_PROVISIONAL, marks(provisional),
                    stood.stream().filter(s -> state.base(s.entry()).filter(Base::provisional).isPresent()).count()));
        }
        if (stood.isEmpty()) {
            return found;
        }
        long onProvisional = stood.stream().filter(s -> state.base(s.entry()).filter(Base::provisional).isPresent()).count();
        if (onProvisional > 0 && onProvisional < stood.size()) {
            found.add(base(Kind.BASES_MIXED, onProvisional, stood.size() - onProvisional));
        }
        List<Integer> frames = Frames.of(state);
        if (frames.size() > 1) {
            found.add(base(Kind.FRAMES_MIXED, frames.stream().map(Frames::name).collect(Collectors.joining(", "))));
        }
        frames.stream().filter(year -> Frames.isOtherThan(year, state.settings().system())).findFirst()
                .ifPresent(year -> found.add(base(Kind.FRAME_NOT_JOBS, Frames.name(year),
                stood.stream().filter(s -> s.base().filter(b -> b.frameYear() == year).isPresent()).count())));
        List<ControlSeen> control = ControlSeen.of(state);
        if (control.stream().noneMatch(c -> c.against().isEmpty())) {
            found.add(base(Kind.CONTROL_NEVER_SEEN, stood.size()));
        }
        worst(control).ifPresent(w -> found.add(new Finding(Kind.CONTROL_OFF,
                List.of(w.stood().name(), w.plan(), control.stream().filter(c -> !c.within()).count()), w.stood().entry().toString(),
                List.of(new Remedy.OpenBase()))));
        if (stood.stream().flatMap(s -> s.base().stream()).map(b -> b.station()).distinct().count() == 1) {
            found.add(base(Kind.ONE_BASE_ONLY, stood.size(), stood.stream().flatMap(s -> s.base().stream()).findFirst()
                    .map(b -> b.name().isEmpty() ? "number " + b.station() : b.name()).orElse("")));
        }
        long flat = stood.stream().filter(s -> s.place().orElseThrow().elevation().isEmpty()).count();
        if (flat > 0) {
            found.add(Finding.of(Kind.HEIGHTS_WITHOUT_GEOID, flat));
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
