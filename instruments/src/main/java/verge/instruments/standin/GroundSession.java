package verge.instruments.standin;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import verge.core.geodesy.GridPoint;
import verge.instruments.line.LineConnection;
import verge.instruments.line.WireMessage;
import verge.instruments.world.Mark;
import verge.instruments.world.Outline;
import verge.instruments.world.Scene;
import verge.instruments.world.Ternholm;

/** The hands of the person on the practice ground: carries tripod and pole, and can arrange a fault. */
final class GroundSession implements LineServer.Session {
    private final LineConnection link;
    private final StandIn standIn;

    GroundSession(LineConnection link, StandIn standIn) {
        this.link = link;
        this.standIn = standIn;
    }

    @Override
    public void handle(WireMessage asked) throws IOException {
        link.send(answer(asked));
    }

    private WireMessage answer(WireMessage asked) throws IOException {
        return switch (asked.verb()) {
            case "SCENE" -> scene(asked, standIn.scene());
            case "STAND" -> atMark(asked, mark -> s -> s.stand(mark, standIn.chance()));
            case "GO" -> atMark(asked, mark -> s -> s.poleOn(mark, standIn.chance()));
            case "POLE" -> change(asked, s -> s.pole(new GridPoint(asked.number("n"), asked.number("e")), standIn.chance()));
            case "WALK" -> change(asked, s -> s.pole(s.pole().tip().plus(asked.number("n"), asked.number("e")), standIn.chance()));
            case "EXTEND" -> change(asked, s -> s.extended(asked.number("height"), standIn.chance()));
            case "STANDAT" -> change(asked, s -> s.standAt(new GridPoint(asked.number("n"), asked.number("e")), standIn.chance()));
            case "PRISM" -> change(asked, s -> s.prism(asked.number("constant")));
            case "PLACE" -> atMark(asked, mark -> s -> s.placed(mark, asked.number("height"), asked.number("constant"), standIn.chance()));
            case "TAKE" -> change(asked, s -> s.without(asked.text("mark")));
            case "KNOCK" -> change(asked, s -> s.knocked(asked.number("seconds")));
            case "LEVEL" -> change(asked, s -> s.levelled(standIn.chance()));
            case "OUTLINES" -> outlines(asked);
            case "CUT" -> {
                standIn.cut(asked.number("seconds"));
                yield ok(asked);
            }
            case "BATTERY" -> {
                standIn.faults().battery((int) asked.number("percent"));
                yield ok(asked);
            }
            case "GARBLE" -> {
                standIn.faults().garble((int) asked.number("answers"));
                yield ok(asked);
            }
            case "DELAY" -> {
                standIn.faults().delay(asked.number("seconds"));
                yield ok(asked);
            }
            case "CUTNEXT" -> {
                standIn.faults().cutNextAnswer();
                yield ok(asked);
            }
            case "LEAN" -> {
                standIn.satellites().lean(asked.number("degrees"), asked.number("azimuth"));
                yield scene(asked, standIn.scene());
            }
            case "RECEIVER" -> satellites(asked, s -> s.receiver(onTripod(asked))
                    .misbehave(ReceiverStandIn.Fault.valueOf(asked.text("fault"))));
            case "RECEIVERBATTERY" -> satellites(asked, s -> s.body(onTripod(asked)).battery((int) asked.number("percent")));
            case "CARD" -> satellites(asked, s -> s.body(onTripod(asked)).card(asked.number("megabytes")));
            case "CARDHANDS" -> satellites(asked, s -> s.body(onTripod(asked)).card().misbehave(Card.Fault.valueOf(asked.text("fault"))));
            case "ANTENNA" -> satellites(asked, s -> s.body(onTripod(asked)).antenna(asked.number("on") > 0));
            case "CASTER" -> satellites(asked, s -> s.caster().misbehave(Caster.Fault.valueOf(asked.text("fault"))));
            case "BASESAYS" -> satellites(asked, s -> s.baseSays(asked.number("north"), asked.number("east"), asked.number("up")));
            case "BASEFRAME" -> satellites(asked, s -> s.baseFrame((int) asked.number("year")));
            case "GALLERYIS" -> satellites(asked, s -> s.neighbourOnGallery(asked.number("neighbour") > 0));
            case "TRIPODMOVED" -> satellites(asked, s -> s.tripodMoved(asked.number("north"), asked.number("east"), asked.number("up")));
            case "CREW" -> satellites(asked, s -> s.crew(asked.number("on") > 0));
            case "WRONGFIXES" -> satellites(asked, s -> s.wrongFixes(asked.number("part")));
            default -> WireMessage.no(asked.tag(), "unknown verb " + asked.verb());
        };
    }

    /** Which of the two receivers is meant. */
    private static boolean onTripod(WireMessage asked) {
        return asked.fields().getOrDefault("of", "pole").equals("tripod");
    }

    private WireMessage satellites(WireMessage asked, Consumer<SatelliteGround> deed) {
        deed.accept(standIn.satellites());
        return ok(asked);
    }

    private WireMessage atMark(WireMessage asked, Function<Mark, UnaryOperator<Scene>> deed) throws IOException {
        Optional<Mark> mark = Ternholm.mark(asked.text("mark"));
        return mark.isPresent() ? change(asked, deed.apply(mark.get())) : WireMessage.no(asked.tag(), "no mark " + asked.text("mark"));
    }

    private WireMessage change(WireMessage asked, UnaryOperator<Scene> deed) throws IOException {
        return scene(asked, standIn.change(deed));
    }

    private WireMessage scene(WireMessage asked, Scene scene) {
        Scene.Prism pole = scene.pole();
        WireMessage told = ok(asked).with("n", pole.tip().northing(), 4).with("e", pole.tip().easting(), 4)
                .with("ground", pole.groundMetres(), 4).with("pole", pole.heightMetres(), 4)
                .with("prism", pole.constantMetres(), 4).with("mount", pole.heightMetres() + SatelliteGround.MOUNT_OVER_PRISM, 4)
                .with("lean", standIn.satellites().lean(), 1)
                .with("prisms", scene.prisms().stream().map(Scene.Prism::name).collect(Collectors.joining("|")));
        return scene.tripod().map(t -> told.with("mark", t.mark()).with("tape", t.tapeMetres(), 3)).orElse(told);
    }

    /** All outlines in one field: name, then northing and easting of each vertex, outlines parted by a bar. */
    private static WireMessage outlines(WireMessage asked) {
        return ok(asked).with("lines", Ternholm.outlines().stream().map(GroundSession::line).collect(Collectors.joining("|")));
    }

    private static String line(Outline outline) {
        List<String> vertices = outline.points().stream()
                .map(p -> String.format(Locale.ROOT, "%.2f,%.2f", p.northing(), p.easting())).toList();
        return outline.name() + ":" + String.join(";", vertices);
    }

    private static WireMessage ok(WireMessage asked) {
        return WireMessage.of(asked.tag(), WireMessage.OK);
    }

    @Override
    public void close() {
        // nothing is held for a caller
    }
}
