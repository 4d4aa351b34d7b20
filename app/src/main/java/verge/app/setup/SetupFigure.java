package verge.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.springframework.web.util.HtmlUtils;
import verge.core.geodesy.GridPoint;
import verge.core.setup.FaceShot;
import verge.core.setup.StationSolution;

/** A setup drawn for its report: station, sights, marks, misfits many times larger than the plan, north and scale. */
public final class SetupFigure {
    private static final int WIDTH = 460;
    private static final int HEIGHT = 300;
    private static final int MARGIN = 46;
    /** A misfit at its limit is drawn about this long. */
    private static final double LIMIT_PIXELS = 22;

    private final StringBuilder svg = new StringBuilder();
    private final double north;
    private final double west;
    private final double scale;

    private SetupFigure(List<GridPoint> all) {
        double south = all.stream().mapToDouble(GridPoint::northing).min().orElse(0);
        double top = all.stream().mapToDouble(GridPoint::northing).max().orElse(1);
        double left = all.stream().mapToDouble(GridPoint::easting).min().orElse(0);
        double right = all.stream().mapToDouble(GridPoint::easting).max().orElse(1);
        double perPixel = Math.max(1e-3, Math.max((right - left) / (WIDTH - 2.0 * MARGIN), (top - south) / (HEIGHT - 2.0 * MARGIN)));
        scale = 1 / perPixel;
        double middleNorth = (top + south) / 2;
        double middleEast = (left + right) / 2;
        north = middleNorth + HEIGHT / 2.0 / scale;
        west = middleEast - WIDTH / 2.0 / scale;
    }

    /** As SVG of its own, in black and white. */
    public static String of(StationSolution s, String station) {
        GridPoint here = s.station().occupation().station().plan();
        List<GridPoint> all = new ArrayList<>(Stream.concat(s.marks().stream().flatMap(m -> m.known().stream()).map(p -> p.plan()),
                s.faces().stream().flatMap(f -> f.shot().face() instanceof FaceShot.BuildingFace.Wall w ? Stream.of(w.from(), w.to())
                : Stream.of(f.at().plan()))).toList());
        all.add(here);
        SetupFigure figure = new SetupFigure(all);
        figure.draw(s, here, station);
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + WIDTH + "\" height=\"" + HEIGHT + "\" viewBox=\"0 0 " + WIDTH + " "
                + HEIGHT + "\" font-family=\"Text, sans-serif\" font-size=\"10\">"
                + figure.svg + "</svg>";
    }

    private void draw(StationSolution s, GridPoint here, String station) {
        s.faces().forEach(f -> {
            if (f.shot().face() instanceof FaceShot.BuildingFace.Wall w) {
                line(x(w.from()), y(w.from()), x(w.to()), y(w.to()), 1.6, "");
            }
            line(x(here), y(here), x(f.at().plan()), y(f.at().plan()), 0.6, "2 3");
            words(x(f.at().plan()) + 4, y(f.at().plan()) - 3, f.shot().face().name());
        });
        for (StationSolution.MarkResult m : s.marks()) {
            m.known().map(p -> p.plan()).ifPresent(p -> {
                line(x(here), y(here), x(p), y(p), 0.6, "2 3");
                triangle(x(p), y(p));
                misfit(here, p, m);
                words(x(p) + 9, y(p) - 4, m.mark().text());
            });
        }
        svg.append(String.format(Locale.ROOT,
                "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"6\" fill=\"white\" stroke=\"black\" stroke-width=\"1.4\"/><circle cx=\"%.1f\" "
                + "cy=\"%.1f\" r=\"1.6\"/>", x(here), y(here), x(here), y(here)));
        words(x(here) + 9, y(here) + 13, station);
        line(WIDTH - 18, 40, WIDTH - 18, 12, 1.2, "");
        line(WIDTH - 18, 12, WIDTH - 22, 20, 1.2, "");
        line(WIDTH - 18, 12, WIDTH - 14, 20, 1.2, "");
        words(WIDTH - 22, 52, "N");
        double metres = niceMetres(90 / scale);
        line(12, HEIGHT - 12, 12 + metres * scale, HEIGHT - 12, 1.4, "");
        words(16 + metres * scale, HEIGHT - 9,
                (metres >= 1 ? String.format(Locale.ROOT, "%.0f", metres) : String.format(Locale.ROOT, "%.1f", metres)) + " m in the grid");
    }

    private void misfit(GridPoint here, GridPoint mark, StationSolution.MarkResult m) {
        double azimuth = Math.atan2(mark.easting() - here.easting(), mark.northing() - here.northing());
        double across = m.across().filter(a -> a.controlled()).map(a -> a.difference().metres() / a.limit().metres())
                .orElse(0.0) * LIMIT_PIXELS;
        double along = m.distance().filter(a -> a.controlled()).map(a -> a.difference().metres() / a.limit().metres())
                .orElse(0.0) * LIMIT_PIXELS;
        double dx = along * Math.sin(azimuth) + across * Math.cos(azimuth);
        double dy = -along * Math.cos(azimuth) + across * Math.sin(azimuth);
        double length = Math.hypot(dx, dy);
        double shorten = length > 3 * LIMIT_PIXELS ? 3 * LIMIT_PIXELS / length : 1;
        line(x(mark), y(mark), x(mark) + dx * shorten, y(mark) + dy * shorten, 2, "");
    }

    private static double niceMetres(double about) {
        double ten = Math.pow(10, Math.floor(Math.log10(about)));
        return about / ten >= 5 ? 5 * ten : about / ten >= 2 ? 2 * ten : ten;
    }

    private double x(GridPoint p) {
        return (p.easting() - west) * scale;
    }

    private double y(GridPoint p) {
        return (north - p.northing()) * scale;
    }

    private void line(double x1, double y1, double x2, double y2, double width, String dash) {
        svg.append(String.format(Locale.ROOT,
                "<line x1=\"%.1f\" y1=\"%.1f\" x2=\"%.1f\" y2=\"%.1f\" stroke=\"black\" stroke-width=\"%.1f\"%s/>", x1, y1, x2, y2, width,
                dash.isEmpty() ? "" : " stroke-dasharray=\"" + dash + "\""));
    }

    private void triangle(double x, double y) {
        svg.append(String.format(Locale.ROOT, "<path d=\"M%.1f %.1fL%.1f %.1fL%.1f %.1fz\" fill=\"black\"/>", x, y - 7, x + 6, y + 4, x - 6,
                y + 4));
    }

    private void words(double x, double y, String words) {
        svg.append(String.format(Locale.ROOT, "<text x=\"%.1f\" y=\"%.1f\">%s</text>", x, y, HtmlUtils.htmlEscapeDecimal(words)));
    }
}
