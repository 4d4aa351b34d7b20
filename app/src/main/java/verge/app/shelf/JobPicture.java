package verge.app.shelf;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.plan.Extent;
import verge.core.plan.Vertices;
import verge.core.points.Origin;

/**
 * The sketch of a job, small: paths in a picture of {@link #WIDE} by {@link #HIGH}, the grid's north up. Round the work if there is any,
 * else
 * round what was given; what lies beyond is left out.
 *
 * @param strings lines
 * @param control triangles
 * @param points dots, as lines of no length
 * @param design crosses
 */
record JobPicture(String strings, String control, String points, String design) {
    static final int WIDE = 120;
    static final int HIGH = 90;
    private static final int MARGIN = 8;
    private static final double LEAST_METRES = 1;
    /** Nearer than so, places cannot be told apart. */
    private static final double APART = 1.5;

    static JobPicture of(JobState state) {
        Frame frame = new Frame(extent(state));
        return new JobPicture(strings(state, frame), marks(places(state, Origin.CONTROL), frame, "m0-4l4 7h-8z"),
                marks(worked(state), frame, "h0"), marks(places(state, Origin.DESIGN), frame, "m-2-2l4 4m0-4l-4 4"));
    }

    private static Stream<GridPoint> worked(JobState state) {
        return places(state, Origin.MEASURED, Origin.COMPUTED, Origin.STAKED);
    }

    private static Stream<GridPoint> places(JobState state, Origin... origins) {
        return Stream.of(origins).flatMap(state.points()::all).map(p -> p.position().plan());
    }

    private static Extent extent(JobState state) {
        Extent.Builder box = new Extent.Builder();
        worked(state).forEach(p -> box.add(p.northing(), p.easting()));
        Extent work = box.build();
        return work.isEmpty() ? state.points().extent() : work;
    }

    private static String strings(JobState state, Frame frame) {
        StringBuilder path = new StringBuilder();
        state.strings().all().stream().flatMap(s -> state.strings().shape(s).chords(frame.metresPerPixel / 2).stream())
                .forEach(line -> draw(line, frame, path));
        return path.toString();
    }

    private static void draw(Vertices line, Frame frame, StringBuilder path) {
        double x = Double.NaN;
        double y = Double.NaN;
        for (int i = 0; i < line.size(); i++) {
            double atX = frame.x(line.east(i));
            double atY = frame.y(line.north(i));
            if (i == 0 || i == line.size() - 1 || Math.hypot(atX - x, atY - y) >= APART) {
                path.append(i == 0 ? 'M' : 'L').append(figure(atX)).append(' ').append(figure(atY));
                x = atX;
                y = atY;
            }
        }
    }

    private static String marks(Stream<GridPoint> places, Frame frame, String mark) {
        StringBuilder path = new StringBuilder();
        Set<List<Long>> taken = new HashSet<>();
        places.forEach(p -> {
            double x = frame.x(p.easting());
            double y = frame.y(p.northing());
            if (x >= 0 && x <= WIDE && y >= 0 && y <= HIGH && taken.add(List.of(Math.round(x / APART), Math.round(y / APART)))) {
                path.append('M').append(figure(x)).append(' ').append(figure(y)).append(mark);
            }
        });
        return path.toString();
    }

    private static String figure(double pixels) {
        return String.format(Locale.ROOT, "%.1f", pixels);
    }

    /** From the grid into the picture. */
    private static final class Frame {
        private final GridPoint middle;
        private final double metresPerPixel;

        Frame(Extent extent) {
            middle = extent.isEmpty() ? new GridPoint(0, 0) : extent.middle();
            double north = extent.isEmpty() ? 0 : extent.north() - extent.south();
            double east = extent.isEmpty() ? 0 : extent.east() - extent.west();
            metresPerPixel = Math.max(LEAST_METRES / HIGH, Math.max(north / (HIGH - 2 * MARGIN), east / (WIDE - 2 * MARGIN)));
        }

        double x(double easting) {
            return WIDE / 2.0 + (easting - middle.easting()) / metresPerPixel;
        }

        double y(double northing) {
            return HIGH / 2.0 - (northing - middle.northing()) / metresPerPixel;
        }
    }
}
