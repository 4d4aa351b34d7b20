package verge.instruments.standin;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.List;
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
     * @param occupied the mark under the tripod and the instrument height that the tape shows
     */
    public record Sight(Position tip, Length poleHeight, Length prismConstant, Optional<Occupied> occupied) {
    }

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
        return new Sight(tip, new Length(told.number("pole")), new Length(told.number("prism")), occupied);
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
