package verge.core.measure;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.Targeted;
import verge.core.reading.TotalStationReading;
import verge.core.strings.Joining;

/**
 * @param setup the entry of the leaf it belongs to
 * @param notes what was written into the job's own fields, by their names; blank ones are left out
 * @param aside where the point lies beside the prism
 * @param joins the strings that it is a vertex of, each once
 */
public record ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target, Map<String, String> notes,
        Aside aside, List<Joining> joins)
        implements Sighted, Targeted, Measured {
    public ShotTaken {
        notes = Map.copyOf(notes);
        joins = Measured.each(joins);
    }

    /** Of no string, and where the prism stands. */
    public ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target, Map<String, String> notes) {
        this(setup, name, code, reading, target, notes, Aside.NONE, List.of());
    }

    public ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target) {
        this(setup, name, code, reading, target, Map.of());
    }

    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }

    @Override
    public Stream<? extends Reading> readings() {
        return Stream.of(reading);
    }

    @Override
    public Stream<Target> targets() {
        return Stream.of(target);
    }

    @Override
    public ShotTaken withTargets(UnaryOperator<Target> other) {
        return new ShotTaken(setup, name, code, reading, other.apply(target), notes, aside, joins);
    }

    @Override
    public ShotTaken renamed(UnaryOperator<PointName> other) {
        return new ShotTaken(setup, other.apply(name), code, reading, target, notes, aside, joins);
    }

    @Override
    public ShotTaken with(Code other) {
        return new ShotTaken(setup, name, other, reading, target, notes, aside, joins);
    }

    public ShotTaken with(TotalStationReading other) {
        return new ShotTaken(setup, name, code, other, target, notes, aside, joins);
    }

    public ShotTaken with(Aside other) {
        return new ShotTaken(setup, name, code, reading, target, notes, other, joins);
    }
}
