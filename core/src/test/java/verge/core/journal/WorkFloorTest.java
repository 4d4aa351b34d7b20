package verge.core.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.floor.Floor;
import verge.core.floor.Floors;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Figures;

/** Floors as facts of a journal: named, chosen, struck, brought back. */
class WorkFloorTest {
    private static final Floors LOFT = new Floors(List.of(new Floor("floor", new Elevation(4.2)), new Floor("gallery", new Elevation(7.4))));
    private Journal journal;

    @BeforeEach
    void threePoints() {
        journal = Journal.replay(List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "d", new Payload.SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
        add(new Payload.PointsImported(Origin.CONTROL, "c.csv", "00", List.of(point("low", Optional.of(4.25)), point("high", Optional.of(7.2)), point("flat", Optional.empty()))));
        add(new Payload.FloorsNamed(LOFT));
    }

    private static NamedPosition point(String name, Optional<Double> elevation) {
        return new NamedPosition(new PointName(name), Code.NONE, new Position(new GridPoint(100, 100), elevation.map(Elevation::new)));
    }

    private UUID add(Payload payload) {
        UUID id = UUID.randomUUID();
        journal = journal.append(new Entry(id, journal.entries().size() + 1L, Instant.EPOCH, "p", "d", payload));
        return id;
    }

    private List<String> here() {
        return journal.state().points().filter(journal.state()::isHere).map(p -> p.name().text()).toList();
    }

    @Test
    void whatBelongsToTheChosenFloorIsHere() {
        assertThat(here()).containsExactly("low", "high", "flat");
        add(new Payload.FloorChosen(Optional.of("floor")));
        assertThat(here()).containsExactly("low", "flat");
        add(new Payload.FloorChosen(Optional.of("gallery")));
        assertThat(here()).containsExactly("high", "flat");
        add(new Payload.FloorChosen(Optional.empty()));
        assertThat(here()).hasSize(3);
    }

    @Test
    void aStruckChoiceAndStruckFloorsDoNotCount() {
        add(new Payload.FloorChosen(Optional.of("floor")));
        UUID second = add(new Payload.FloorChosen(Optional.of("gallery")));
        add(new Payload.Struck(second));
        assertThat(here()).as("the choice before").containsExactly("low", "flat");
        UUID moved = add(new Payload.FloorsNamed(new Floors(List.of(new Floor("floor", new Elevation(7))))));
        assertThat(here()).as("the same name elsewhere").containsExactly("high", "flat");
        add(new Payload.Struck(moved));
        assertThat(here()).containsExactly("low", "flat");
        add(new Payload.Restored(second));
        assertThat(here()).containsExactly("high", "flat");
        assertThat(Journal.replay(journal.entries()).state().floor()).isEqualTo(journal.state().floor());
    }
}
