package verge.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.xml.sax.InputSource;
import verge.app.support.Words;
import verge.core.coding.PointName;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Position;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.KnownMark;
import verge.core.setup.Notice;
import verge.core.setup.Sighting;
import verge.core.setup.StationFit;
import verge.core.setup.StationSolution;
import verge.core.setup.Suspect;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Setups in words and in a drawing. */
class SetupWordsTest {
    private static final List<PointName> TWO = List.of(new PointName("T1"), new PointName("T4"));
    private final SetupWords words = new SetupWords(Words.bundle());
    private final Figures figures = Figures.metric();

    @ParameterizedTest
    @EnumSource(Notice.Kind.class)
    void everyNoticeIsASentence(Notice.Kind kind) {
        String said = words.notice(new Notice(kind, TWO, List.of(0.03, 0.02)), figures);
        assertThat(said).endsWith(".").doesNotContain("{", "notice.", "NaN");
    }

    @ParameterizedTest
    @EnumSource(Suspect.Kind.class)
    void everySuspectIsASentence(Suspect.Kind kind) {
        String said = words.suspect(new Suspect(kind, TWO, Optional.of(new PointName("T9")), 0.038, 120, 4), figures);
        assertThat(said).endsWith(".").doesNotContain("{", "suspect.");
    }

    @ParameterizedTest
    @EnumSource(StationFit.Reason.class)
    void everyReasonHasWords(StationFit.Reason reason) {
        assertThat(Words.bundle().getMessage("word.Reason." + reason, null, Locale.ENGLISH)).isNotEmpty();
    }

    @Test
    void theSentencesSayWhatAPersonNeeds() {
        assertThat(words.suspect(new Suspect(Suspect.Kind.DISTURBED, List.of(new PointName("T5")), Optional.empty(), 0.0369, 194.1, 6.5),
                figures)).isEqualTo("T5 is not where its coordinates say: off by 36.9 mm.");
        assertThat(words.suspect(new Suspect(Suspect.Kind.SWAPPED, TWO, Optional.empty(), Double.NaN, 1e15, 3), figures))
                .isEqualTo("T1 and T4 were named one for the other.");
        assertThat(words.suspect(new Suspect(Suspect.Kind.OTHER_STATION, List.of(new PointName("T2")), Optional.of(new PointName("T3")),
                12.5, 400, 3), figures)).isEqualTo("The instrument does not stand on T2, but 12.500 m away, where T3 is.");
        assertThat(words.suspect(new Suspect(Suspect.Kind.SCALE, List.of(), Optional.empty(), 1000, 900, 5), figures))
                .isEqualTo("All distances are off by +1000 ppm: the air, or grid for ground.");
        assertThat(SetupWords.evidence(new Suspect(Suspect.Kind.SWAPPED, TWO, Optional.empty(), Double.NaN, 1e15, 3)))
                .contains("no solution");
        assertThat(words.notice(new Notice(Notice.Kind.DANGER_CIRCLE, List.of(), List.of(0.04, 61.2)), figures))
                .startsWith("The station lies near the circle through the marks, 4 % of its radius of 61.200 m off it.");
    }

    private static Pointing pointing(double n, double e, double error) {
        return new Pointing(new Angle(Math.atan2(e, n)).wholeCircle(), new Angle(Math.PI / 2),
                Optional.of(new Length(Math.hypot(n, e) + error)), "");
    }

    private static StationSolution solved(double... errors) {
        double[][] marks = {{50, 0}, {0, 40}, {-40, -30}};
        Target level = new Target(new Length(1.5), Length.ZERO);
        List<Sighting> sightings = Stream.of(0, 1, 2).limit(errors.length)
                .map(i -> Sighting.of(new PointName("M" + i), level, pointing(marks[i][0], marks[i][1], errors[i]))).toList();
        Conditions conditions = new Conditions(new Atmosphere(12, 1013.25, 60),
                InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5)),
                InstrumentErrors.NONE, 0.13);
        return (StationSolution) StationFit.solve(Arrangement.knownPoint(new PointName("S"), new Length(1.5),
                sightings.toArray(Sighting[]::new)), conditions, new FlatSite(1),
                n -> Optional.of(KnownMark.exact(n.text().equals("S") ? Position.of(1000, 2000, 10)
                : Position.of(1000 + marks[n.text().charAt(1) - '0'][0], 2000 + marks[n.text().charAt(1) - '0'][1], 10))));
    }

    @Test
    void theVerdictLooksWhereItDoesNotFit() {
        assertThat(SetupWords.verdict(solved(0))).isEqualTo("Distance and height agree with control.");
        assertThat(SetupWords.verdict(solved(0.05))).startsWith("The distance does not agree with control");
        assertThat(SetupWords.verdict(solved(0, 0, 0))).isEqualTo("All marks agree with one another.");
        assertThat(SetupWords.verdict(solved(0, 0.09, 0))).startsWith("Directions or distances do not agree");
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 0", "0, 0.09, 0"})
    void theFigureIsWholeAndHoldsEveryMark(double a, double b, double c) throws Exception {
        String svg = SetupFigure.of(solved(a, b, c), "<S & co>");
        var document = DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new InputSource(new StringReader(svg)));
        var texts = document.getElementsByTagName("text");
        String all = Stream.iterate(0, i -> i + 1).limit(texts.getLength()).map(i -> texts.item(i).getTextContent())
                .collect(Collectors.joining(" "));
        assertThat(all).contains("M0", "M1", "M2", "<S & co>", "N", "m in the grid");
        assertThat(svg).doesNotContain("NaN", "Infinity");
    }
}
