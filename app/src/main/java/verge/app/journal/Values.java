package verge.app.journal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Collects the values of an entry that can be corrected. What is typed for one is taken into what the ones before it have made. */
public final class Values<P extends Payload> {
    private static final double MILLIMETRES_PER_METRE = 1000;
    /** What an instrument tells of a distance. */
    private static final int RAW_LENGTH_DECIMALS = 4;

    private final List<Value<P>> all = new ArrayList<>();
    private final P says;
    private final Figures figures;

    public Values(P says, InBook in) {
        this.says = says;
        this.figures = in.figures();
    }

    public Stream<Value<P>> all() {
        return all.stream();
    }

    private Values<P> add(String field, String group, String label, String now, String unit, Value.Asked asked, boolean optional,
            Value.Setter<P> setter) {
        all.add(new Value<>(field, group, label, now, unit, asked, optional, setter));
        return this;
    }

    public Values<P> name(String field, String group, String label, PointName now, BiFunction<P, PointName, P> with) {
        return add(field, group, label, now.text(), "", Value.Asked.WORDS, false,
                (was, typed, by) -> with.apply(was, PointName.parse(typed)));
    }

    public Values<P> code(String field, String group, Code now, BiFunction<P, Code, P> with) {
        return add(field, group, "Code", now.text(), "", Value.Asked.WORDS, true, (was, typed, by) -> with.apply(was, Code.parse(typed)));
    }

    public Values<P> words(String field, String label, String now, BiFunction<P, String, P> with) {
        return add(field, "", label, now, "", Value.Asked.WORDS, true, (was, typed, by) -> with.apply(was, typed.strip()));
    }

    public Values<P> tick(String field, String group, String label, boolean now, BiFunction<P, Boolean, P> with) {
        return add(field, group, label, Boolean.toString(now), "", Value.Asked.TICK, false,
                (was, typed, by) -> with.apply(was, typed.equals("true") || typed.equals("on")));
    }

    public Values<P> instrumentHeight(Length now, BiFunction<P, Length, P> with) {
        return add("instrumentHeight", "", "Instrument height", figures.bare(now), figures.lengthUnit().symbol(), Value.Asked.FIGURE, false,
                (was, typed, by) -> with.apply(was, by.instrumentHeight(typed)));
    }

    /** A target: its height and its prism. */
    public Values<P> target(String heightField, String prismField, String group, Function<P, Target> of, BiFunction<P, Target, P> with) {
        Target now = of.apply(says);
        return add(heightField, group, "Pole height", figures.bare(now.height()), figures.lengthUnit().symbol(), Value.Asked.FIGURE, false,
                (was, typed, by) -> with.apply(was, new Target(by.poleHeight(typed), of.apply(was).prismConstant())))
                .add(prismField, group, "Prism, or mm", Decimals.print(now.prismConstant().metres() * MILLIMETRES_PER_METRE, 1), "",
                Value.Asked.FIGURE, false,
                        (was, typed, by) -> with.apply(was, new Target(of.apply(was).height(), by.prism().apply(typed))));
    }

    /** A reading with its distance, as it was received. */
    public Values<P> reading(Function<P, TotalStationReading> of, BiFunction<P, TotalStationReading, P> with) {
        return pointing("", "", p -> Pointing.of(of.apply(p)), (p, other) -> with.apply(p, other.shot().orElseThrow()));
    }

    /** A pointing, as it was received. @param suffix of its fields */
    public Values<P> pointing(String suffix, String group, Function<P, Pointing> of, BiFunction<P, Pointing, P> with) {
        Pointing now = of.apply(says);
        add("direction" + suffix, group, "Direction read", figures.circle(now.horizontalDirection()), "", Value.Asked.RAW, false,
                (was, typed, by) -> with.apply(was,
                new Pointing(by.circle(typed), of.apply(was).zenith(), of.apply(was).distance(), of.apply(was).asReceived())));
        add("zenith" + suffix, group, "Zenith read", figures.circle(now.zenith()), "", Value.Asked.RAW, false,
                (was, typed, by) -> with.apply(was,
                new Pointing(of.apply(was).horizontalDirection(), by.circle(typed), of.apply(was).distance(), of.apply(was).asReceived())));
        now.distance().ifPresent(d -> add("distance" + suffix, group, "Distance read",
                Decimals.print(d.in(figures.lengthUnit()), RAW_LENGTH_DECIMALS), figures.lengthUnit().symbol(), Value.Asked.RAW, false,
                (was, typed, by) -> with.apply(was,
                new Pointing(of.apply(was).horizontalDirection(), of.apply(was).zenith(), Optional.of(by.distance(typed)),
                of.apply(was).asReceived()))));
        return this;
    }

    /** A length that may point either way. */
    public Values<P> length(String field, String label, Length now, BiFunction<P, Length, P> with) {
        return add(field, "", label, figures.bare(now), figures.lengthUnit().symbol(), Value.Asked.FIGURE, false,
                (was, typed, by) -> with.apply(was, Typed.aside(typed, by.settings().figures().lengthUnit())));
    }

    /** A figure of any kind. */
    public Values<P> figure(String field, String group, String label, String now, String unit, Value.Setter<P> setter) {
        return add(field, group, label, now, unit, Value.Asked.FIGURE, false, setter);
    }

    /** As {@link #figure}, where there may be none. */
    public Values<P> optionalFigure(String field, String group, String label, String now, String unit, Value.Setter<P> setter) {
        return add(field, group, label, now, unit, Value.Asked.FIGURE, true, setter);
    }
}
