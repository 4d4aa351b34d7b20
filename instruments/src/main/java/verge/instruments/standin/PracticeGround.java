package verge.instruments.standin;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Length;
import verge.instruments.line.LineConnection;
import verge.instruments.line.WireMessage;
import verge.instruments.world.Outline;

/** The practice ground seen from Verge: tells the stand-in's person what to carry where. One short link a request. */
public final class PracticeGround {
    private static final int PATIENCE_MILLIS = 2_000;

    private final InetSocketAddress address;

    public PracticeGround(int port) {
        address = new InetSocketAddress("127.0.0.1", port);
    }

    /**
     * @param tip where the pole stands, with the ground's height there
     * @param prismConstant as it is marked on the prism
     * @param occupied what is under the tripod and the instrument height that the tape shows
     * @param prisms marks on which prisms stand
     * @param mount how high over the tip the satellite antenna is screwed on
     * @param leanDegrees how far the pole is held from upright
     */
    public record Sight(Position tip, Length poleHeight, Length prismConstant, Optional<Occupied> occupied, List<String> prisms,
            Length mount, double leanDegrees) {
    }

    /** @param mark empty over a bare place */
    public record Occupied(String mark, Length tape) {
    }

    public Sight look() {
        return sight(ask(WireMessage.of("1", "SCENE")));
    }

    /** Carries the tripod to a mark and levels it there. */
    public Sight stand(String mark) {
        return sight(ask(WireMessage.of("1", "STAND").with("mark", mark)));
    }

    /** Carries the pole to a mark. */
    public Sight go(String mark) {
        return sight(ask(WireMessage.of("1", "GO").with("mark", mark)));
    }

    /** Puts the pole down at a place. */
    public Sight pole(GridPoint at) {
        return sight(ask(WireMessage.of("1", "POLE").with("n", at.northing(), 4).with("e", at.easting(), 4)));
    }

    /** Moves the pole by so many metres. */
    public Sight walk(double north, double east) {
        return sight(ask(WireMessage.of("1", "WALK").with("n", north, 4).with("e", east, 4)));
    }

    public Sight extend(Length poleHeight) {
        return sight(ask(WireMessage.of("1", "EXTEND").with("height", poleHeight.metres(), 4)));
    }

    /** Puts the tripod down at a place without a mark. */
    public Sight standAt(GridPoint at) {
        return sight(ask(WireMessage.of("1", "STANDAT").with("n", at.northing(), 4).with("e", at.easting(), 4)));
    }

    /** Screws a prism of another constant on the pole. */
    public Sight prism(Length constant) {
        return sight(ask(WireMessage.of("1", "PRISM").with("constant", constant.metres(), 5)));
    }

    /** Puts a prism on a tripod over a mark. */
    public Sight place(String mark, Length height, Length constant) {
        return sight(ask(WireMessage.of("1", "PLACE").with("mark", mark).with("height", height.metres(), 4)
                .with("constant", constant.metres(), 5)));
    }

    /** Takes such a prism away. */
    public Sight take(String mark) {
        return sight(ask(WireMessage.of("1", "TAKE").with("mark", mark)));
    }

    /** Runs into a leg of the tripod. */
    public Sight knock(double arcSeconds) {
        return sight(ask(WireMessage.of("1", "KNOCK").with("seconds", arcSeconds, 1)));
    }

    /** Levels the instrument again. */
    public Sight level() {
        return sight(ask(WireMessage.of("1", "LEVEL")));
    }

    /** @param percent what the battery holds from now on; 0 switches the instrument off, −1 gives it its own back */
    public void battery(int percent) {
        ask(WireMessage.of("1", "BATTERY").with("percent", percent));
    }

    /** Holds the pole from upright, its top towards a true azimuth, until it is carried on. */
    public Sight lean(double degrees, double azimuth) {
        return sight(ask(WireMessage.of("1", "LEAN").with("degrees", degrees, 2).with("azimuth", azimuth, 2)));
    }

    /** Which of the receivers. */
    public enum Of { POLE, TRIPOD }

    private static WireMessage about(Of which, String verb) {
        return WireMessage.of("1", verb).with("of", which.name().toLowerCase(Locale.ROOT));
    }

    /** Lets a receiver misbehave in one of its ways, or no longer. */
    public void receiver(Of which, ReceiverStandIn.Fault fault) {
        ask(about(which, "RECEIVER").with("fault", fault.name()));
    }

    /** As {@link #battery(int)}, of a receiver. */
    public void receiverBattery(Of which, int percent) {
        ask(about(which, "RECEIVERBATTERY").with("percent", percent));
    }

    /** @param megabytes free on the receiver's card; below 0 it is taken out */
    public void card(Of which, double megabytes) {
        ask(about(which, "CARD").with("megabytes", megabytes, 4));
    }

    /** How a receiver's card hands out its next file. */
    public void cardHands(Of which, Card.Fault fault) {
        ask(about(which, "CARDHANDS").with("fault", fault.name()));
    }

    /** Screws a receiver's antenna off or on. */
    public void antenna(Of which, boolean on) {
        ask(about(which, "ANTENNA").with("on", on ? 1 : 0));
    }

    /** In which realisation of the international frame the base on the gallery says that it stands, less 2000. */
    public void baseFrame(int year) {
        ask(WireMessage.of("1", "BASEFRAME").with("year", year, 0));
    }

    /** Lets the stream of the base on the gallery carry its neighbour's, or its own again. */
    public void neighbourOnGallery(boolean on) {
        ask(WireMessage.of("1", "GALLERYIS").with("neighbour", on ? 1 : 0));
    }

    /** Pushes the second receiver's tripod so many metres from where it was set up. */
    public void tripodMoved(double north, double east, double up) {
        ask(WireMessage.of("1", "TRIPODMOVED").with("north", north, 4).with("east", east, 4).with("up", up, 4));
    }

    /** Lets the caster misbehave in one of its ways, or no longer. */
    public void caster(Caster.Fault fault) {
        ask(WireMessage.of("1", "CASTER").with("fault", fault.name()));
    }

    /** Lets the base on the gallery say that it stands so many metres off where it does. */
    public void baseSays(double north, double east, double up) {
        ask(WireMessage.of("1", "BASESAYS").with("north", north, 4).with("east", east, 4).with("up", up, 4));
    }

    /** Another crew begins or ends to send on the radios' usual channel. */
    public void crew(boolean on) {
        ask(WireMessage.of("1", "CREW").with("on", on ? 1 : 0));
    }

    /** @param part of the fixes that are wrong ones from now on, 0 to 1 */
    public void wrongFixes(double part) {
        ask(WireMessage.of("1", "WRONGFIXES").with("part", part, 3));
    }

    /** Lets answers to measurements come without sense. */
    public void garble(int answers) {
        ask(WireMessage.of("1", "GARBLE").with("answers", answers));
    }

    /** Lets the next measurement's answer come late. */
    public void delay(double seconds) {
        ask(WireMessage.of("1", "DELAY").with("seconds", seconds, 1));
    }

    public List<Outline> outlines() {
        List<Outline> outlines = new ArrayList<>();
        for (String line : ask(WireMessage.of("1", "OUTLINES")).text("lines").split("\\|")) {
            String[] nameAndPoints = line.split(":");
            List<GridPoint> points = new ArrayList<>();
            for (String point : nameAndPoints[1].split(";")) {
                String[] parts = point.split(",");
                points.add(new GridPoint(Double.parseDouble(parts[0]), Double.parseDouble(parts[1])));
            }
            outlines.add(new Outline(nameAndPoints[0], points));
        }
        return outlines;
    }

    /** Lets the instrument's link drop for a while. */
    public void cut(double seconds) {
        ask(WireMessage.of("1", "CUT").with("seconds", seconds, 1));
    }

    /** Lets the link drop in the middle of the next measurement's answer. */
    public void cutNextAnswer() {
        ask(WireMessage.of("1", "CUTNEXT"));
    }

    private static Sight sight(WireMessage told) {
        Position tip = new Position(new GridPoint(told.number("n"), told.number("e")), Optional.of(new Elevation(told.number("ground"))));
        Optional<Occupied> occupied = Optional.ofNullable(told.fields().get("mark"))
                .map(mark -> new Occupied(mark, new Length(told.number("tape"))));
        return new Sight(tip, new Length(told.number("pole")), new Length(told.number("prism")), occupied,
                Arrays.stream(told.text("prisms").split("\\|")).filter(name -> !name.isEmpty()).toList(), new Length(told.number("mount")),
                told.number("lean"));
    }

    private WireMessage ask(WireMessage question) {
        try (LineConnection link = LineConnection.open(address, PATIENCE_MILLIS, PATIENCE_MILLIS)) {
            link.send(question);
            WireMessage answer = link.receive().map(LineConnection.Received::message)
                    .orElseThrow(() -> new IOException("damaged answer"));
            if (answer.verb().equals(WireMessage.OK)) {
                return answer;
            }
            throw new SurveyException(Problem.INSTRUMENT_REFUSED, answer.fields().getOrDefault("why", ""));
        } catch (IOException gone) {
            throw new SurveyException(Problem.LINK_LOST, address.getHostString() + ":" + address.getPort());
        }
    }
}
