package verge.formats.antex;

import java.io.IOException;
import java.io.Reader;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaModel;
import verge.formats.reading.Watch;
import verge.formats.text.BoundedLines;

/**
 * Antenna files in the open format ANTEX 1.4: of each receiver antenna its name with the dome, and where the signals of each frequency
 * arrive. Satellites' antennas and how the centre wanders with direction are passed over.
 */
public final class AntennaFile {
    private static final int LABEL_COLUMN = 60;
    private static final int NAME_WIDTH = 20;
    private static final int MOST = 20_000;
    private static final double MILLIMETRE = 0.001;
    /** No centre lies farther from the reference point. */
    private static final double FARTHEST_MILLIMETRES = 1_000;

    private AntennaFile() {
    }

    /** @throws SurveyException READING_STOPPED, or ANTENNA_FILE_UNREADABLE with the line; nothing is taken from it then */
    public static List<AntennaModel> read(Reader text, Watch watch) throws IOException {
        BoundedLines lines = new BoundedLines(text);
        try {
            return read(lines, watch);
        } catch (BoundedLines.LineTooLong tooLong) {
            throw new SurveyException(Problem.ANTENNA_FILE_UNREADABLE, tooLong.line(), "the line is longer than any of such a file");
        }
    }

    private static List<AntennaModel> read(BoundedLines lines, Watch watch) throws IOException {
        List<AntennaModel> all = new ArrayList<>();
        String first = lines.next();
        if (first == null || !label(first).equals("ANTEX VERSION / SYST")) {
            throw new SurveyException(Problem.ANTENNA_FILE_UNREADABLE, 1, first == null ? "" : first.strip());
        }
        boolean within = false;
        boolean spread = false;   // how well a centre is known, in lines like those of the centre
        String name = "";
        String frequency = "";
        Map<String, AntennaModel.Centre> centres = new TreeMap<>();
        for (String line = lines.next(); line != null; line = lines.next()) {
            watch.goOn();
            switch (label(line)) {
                case "START OF ANTENNA" -> {
                    require(!within && all.size() < MOST, lines, line);
                    within = true;
                    spread = false;
                    frequency = "";
                    name = "";
                    centres.clear();
                }
                case "TYPE / SERIAL NO" -> {
                    require(within, lines, line);
                    // A satellite's antenna has the satellite where a receiver's has its serial number.
                    name = line.substring(NAME_WIDTH, 2 * NAME_WIDTH).strip()
                            .matches("[GRECJSI]\\d{2}") ? "" : line.substring(0, NAME_WIDTH).stripTrailing();
                }
                case "START OF FREQUENCY" -> frequency = line.substring(0, LABEL_COLUMN).strip();
                case "START OF FREQ RMS" -> spread = true;
                case "END OF FREQ RMS" -> spread = false;
                case "NORTH / EAST / UP" -> {
                    require(within && (spread || !frequency.isEmpty()), lines, line);
                    if (!spread && !name.isEmpty()) {
                        centres.put(frequency, centre(line, lines));   // a satellite's lies metres off
                    }
                }
                case "END OF FREQUENCY" -> frequency = "";
                case "END OF ANTENNA" -> {
                    require(within, lines, line);
                    within = false;
                    if (!name.isEmpty()) {
                        all.add(new AntennaModel(name, Optional.empty(), 0, centres));
                    }
                }
                default -> {
                    // how the centre wanders, by whom it was measured: not needed
                }
            }
        }
        if (within) {
            throw new SurveyException(Problem.ANTENNA_FILE_UNREADABLE, lines.number(), "the file ends within an antenna");
        }
        return all;
    }

    private static String label(String line) {
        return line.length() > LABEL_COLUMN ? line.substring(LABEL_COLUMN).strip() : "";
    }

    private static void require(boolean fits, BoundedLines lines, String line) {
        if (!fits) {
            throw new SurveyException(Problem.ANTENNA_FILE_UNREADABLE, lines.number(), line.strip());
        }
    }

    private static AntennaModel.Centre centre(String line, BoundedLines lines) {
        double[] metres = new double[3];
        for (int i = 0; i < metres.length; i++) {
            String figure = line.substring(10 * i, 10 * i + 10).strip();
            require(figure.matches("[+-]?\\d{0,7}(\\.\\d{0,7})?") && figure.matches(".*\\d.*"), lines, line);
            metres[i] = Double.parseDouble(figure) * MILLIMETRE;
            require(Math.abs(metres[i]) <= FARTHEST_MILLIMETRES * MILLIMETRE, lines, line);
        }
        return new AntennaModel.Centre(metres[0], metres[1], metres[2]);
    }
}
