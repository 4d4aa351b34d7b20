package verge.core.floor;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Struck;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** Floors as facts of a journal: named, chosen, struck, brought back. */
class WorkFloorTest {
    private static final Floors LOFT =
            new Floors(List.of(new Floor("floor", new Elevation(4.2)), new Floor("gallery", new Elevation(7.4))));
    private Journal journal;

    @BeforeEach
    void threePoints() {
        journal = Chapters.replay(List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "d",
                new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
        add(new PointsImported(Origin.CONTROL, "c.csv", "00",
                List.of(point("low", Optional.of(4.25)), point("high", Optional.of(7.2)), point("flat", Optional.empty()))));
        add(new FloorsNamed(LOFT));
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
        return journal.state().points().all().filter(journal.state()::isHere).map(p -> p.name().text()).toList();
    }

    @Test
    void whatBelongsToTheChosenFloorIsHere() {
        assertThat(here()).containsExactly("low", "high", "flat");
        add(new FloorChosen(Optional.of("floor")));
        assertThat(here()).containsExactly("low", "flat");
        add(new FloorChosen(Optional.of("gallery")));
        assertThat(here()).containsExactly("high", "flat");
        add(new FloorChosen(Optional.empty()));
        assertThat(here()).hasSize(3);
    }

    @Test
    void aStruckChoiceAndStruckFloorsDoNotCount() {
        add(new FloorChosen(Optional.of("floor")));
        UUID second = add(new FloorChosen(Optional.of("gallery")));
        add(new Struck(second));
        assertThat(here()).as("the choice before").containsExactly("low", "flat");
        UUID moved = add(new FloorsNamed(new Floors(List.of(new Floor("floor", new Elevation(7))))));
        assertThat(here()).as("the same name elsewhere").containsExactly("high", "flat");
        add(new Struck(moved));
        assertThat(here()).containsExactly("low", "flat");
        add(new Restored(second));
        assertThat(here()).containsExactly("high", "flat");
        assertThat(Chapters.replay(journal.entries()).state().floor()).isEqualTo(journal.state().floor());
    }
}
