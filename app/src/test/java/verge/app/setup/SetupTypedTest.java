package verge.app.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.device.InstrumentSettings;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.pole.PoleService;
import verge.app.support.Books;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.Layer;
import verge.core.drawing.Role;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.setup.Arrangement;
import verge.core.setup.FaceShot;
import verge.core.units.Air;
import verge.core.units.Figures;
import verge.core.units.PressureUnit;
import verge.core.units.TemperatureUnit;

/** What is typed for a setup, and what is made of it; the faces that a design offers. */
class SetupTypedTest {
    private static final UUID JOB = UUID.randomUUID();
    private final InstrumentSettings instruments = mock(InstrumentSettings.class);
    private final SetupTyped typed = new SetupTyped(mock(PoleService.class), instruments);
    private final JobState state = new Books(Figures.metric()).journal().state();

    private static SetupForm form(String kind, String... fields) {
        Map<String, String> all = new HashMap<>(Map.of("kind", kind, "station", "T1", "instrumentHeight", "1.55"));
        for (int i = 0; i < fields.length; i += 2) {
            all.put(fields[i], fields[i + 1]);
        }
        return new SetupForm(all);
    }

    private Arrangement read(SetupForm form) {
        return typed.arrangement(state, form, SetupInHand.NOTHING);
    }

    @Test
    void everyKindHasItsUsualHeight() {
        assertThat(read(form("KNOWN_POINT")).heightFrom()).isEqualTo(Arrangement.HeightFrom.STATION);
        assertThat(read(form("FREE_STATION", "station", "S1")).heightFrom()).isEqualTo(Arrangement.HeightFrom.MARKS);
        assertThat(read(form("nonsense")).kind()).isEqualTo(Arrangement.Kind.KNOWN_POINT);
        Arrangement carried = read(form("FREE_STATION", "heightFrom", "CARRIED", "carried", "12.5 ft", "scaleFree", "true"));
        assertThat(carried.carried().orElseThrow().metres()).isEqualTo(3.81);
        assertThat(carried.scaleFree()).isTrue();
        Arrangement assumed = read(form("ASSUMED", "station", "A1", "north", "1000", "east", "2000"));
        assertThat(assumed.given().orElseThrow().elevation()).isEmpty();
        assertThat(read(form("ASSUMED", "station", "A1", "north", "1000", "east", "2000", "elevation", "50")).given().orElseThrow()
                .elevation()).isPresent();
    }

    @ParameterizedTest
    @CsvSource({"KNOWN_POINT, station, '', MISSING", "KNOWN_POINT, station, T9, POINT_UNKNOWN",
            "KNOWN_POINT, station, =1, POINT_NAME_UNFIT", "FREE_STATION, instrumentHeight, '', MISSING",
        "FREE_STATION, instrumentHeight, 4.01, OUT_OF_RANGE", "FREE_STATION, instrumentHeight, -1, OUT_OF_RANGE",
                "FREE_STATION, instrumentHeight, high, NOT_A_LENGTH", "FREE_STATION, instrumentHeight, 0, INSTRUMENT_HEIGHT_ZERO",
        "ASSUMED, north, '', MISSING", "FREE_STATION, heightFrom, CARRIED, MISSING"})
    void whatCannotBeRightIsRefusedByItsField(String kind, String field, String text, Problem problem) {
        assertThatThrownBy(() -> read(form(kind, field, text)))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }

    @Test
    void aHeightOfNothingIsTakenOnceItIsConfirmed() {
        assertThat(read(form("FREE_STATION", "instrumentHeight", "0", "noGroundMark", "true")).instrumentHeight().metres()).isZero();
    }

    @Test
    void aMarkIsKnownOrItsAzimuthIsTyped() {
        assertThat(typed.mark(state, form("KNOWN_POINT", "mark", "T2", "faces", "2")).bothFaces()).isTrue();
        assertThat(typed.mark(state, form("ASSUMED", "mark", "spire", "azimuth", "N 45 30 00 E")).azimuth().orElseThrow().degrees())
                .isEqualTo(45.5);
    }

    @ParameterizedTest
    @CsvSource({"'', MISSING", "T9, POINT_UNKNOWN", "T1, COINCIDENT_POINTS", "a b c d e f g h i j k l m n, POINT_NAME_UNFIT"})
    void aMarkThatCannotBeReadIsRefused(String mark, Problem problem) {
        assertThatThrownBy(() -> typed.mark(state, form("KNOWN_POINT", "mark", mark)))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }

    @Test
    void theAirTypedBesideTheSetupGoesBeforeTheInstruments() {
        Atmosphere own = new Atmosphere(5, 990, 60);
        when(instruments.air(JOB)).thenReturn(Optional.of(new InstrumentSettings.AirInUse(own, false, Instant.EPOCH)));
        assertThat(typed.air(JOB, state, form("KNOWN_POINT"))).isEqualTo(own);
        assertThat(typed.air(JOB, state, form("KNOWN_POINT", "temperature", "20", "pressure", "1001")).pressureHectopascals())
                .isEqualTo(1001);
        when(instruments.air(JOB)).thenReturn(Optional.empty());
        assertThatThrownBy(() -> typed.air(JOB, state, form("KNOWN_POINT")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.MISSING));
    }

    /** Pressure in the wrong unit spoils every distance: what no air has is refused. */
    @ParameterizedTest
    @CsvSource({"CELSIUS, HECTOPASCAL, 15, 29.92, OUT_OF_RANGE", "CELSIUS, HECTOPASCAL, 59, 1013, ''",
            "FAHRENHEIT, INCH_OF_MERCURY, 59, 29.92, ''", "FAHRENHEIT, INCH_OF_MERCURY, 59, 1013, OUT_OF_RANGE",
        "CELSIUS, MILLIMETRE_OF_MERCURY, 15, 1013, OUT_OF_RANGE", "CELSIUS, HECTOPASCAL, warm, 1013, NOT_A_NUMBER",
                "CELSIUS, HECTOPASCAL, 61, 1013, OUT_OF_RANGE"})
    void airOutsideWhatAirCanBeIsRefused(TemperatureUnit temperature, PressureUnit pressure, String t, String p, String problem) {
        Air units = new Air(temperature, pressure);
        if (problem.isEmpty()) {
            assertThat(InstrumentSettings.typedAir(units, t, p).pressureHectopascals()).isBetween(1000.0, 1030.0);
        } else {
            assertThatThrownBy(() -> InstrumentSettings.typedAir(units, t, p))
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem().name()).isEqualTo(problem));
        }
    }

    @Test
    void aDesignsStraightPiecesAreWallsAndTheirEndsEdges() {
        SiteFile file = mock(SiteFile.class);
        when(file.role()).thenReturn(Optional.of(Role.DESIGN));
        Vertices square = Vertices.of(Position.ofPlan(0, 0), Position.ofPlan(0, 18), Position.ofPlan(9, 18), Position.ofPlan(9, 0));
        Feature.Run walls = new Feature.Run(0, OptionalInt.empty(), "", Path.of(square, new double[] {0, 0.5, 0, 0}, true));
        Feature.Run stub = new Feature.Run(0, OptionalInt.empty(), "",
                Path.straight(Vertices.of(Position.ofPlan(1, 1), Position.ofPlan(1, 1.2)), false));
        Drawing drawing = new Drawing(List.of(Layer.of("Walls")), List.of(walls, stub));
        SiteDrawings drawings = mock(SiteDrawings.class);
        when(drawings.ready(any(), any()))
                .thenReturn(List.of(new PlacedFile(file, Optional.empty(), null, drawing, Optional.empty(), Optional.empty())));
        DesignFaces faces = new DesignFaces(drawings);
        assertThat(faces.walls(JOB, state)).as("no arc, nothing short").extracting(FaceShot.BuildingFace.Wall::name)
                .containsExactly("Walls 1", "Walls 2", "Walls 3");
        assertThat(faces.names(faces.walls(JOB, state))).hasSize(6);
        assertThat(faces.chosen(JOB, state, "Walls 2", "")).isInstanceOf(FaceShot.BuildingFace.Wall.class);
        assertThat(faces.chosen(JOB, state, "Walls 2, its first edge", "")).isInstanceOf(FaceShot.BuildingFace.Edge.class);
        assertThat(faces.chosen(JOB, state, "", "4.2"))
                .isInstanceOfSatisfying(FaceShot.BuildingFace.Level.class, l -> assertThat(l.elevation().metres()).isEqualTo(4.2));
        assertThatThrownBy(() -> faces.chosen(JOB, state, "Roof 1", ""))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CHOICE_UNFIT));
        assertThatThrownBy(() -> faces.chosen(JOB, state, "", ""))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.MISSING));
    }
}
