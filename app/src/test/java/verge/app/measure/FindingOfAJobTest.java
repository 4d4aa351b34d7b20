package verge.app.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.device.InstrumentDesk;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.points.StoredPoint;
import verge.core.reading.Pointing;
import verge.core.units.Length;
import verge.instruments.world.Ternholm;

/** Points without a prism, sight by sight from a page. */
@ExtendWith(VergeServer.class)
class FindingOfAJobTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    FindingOfAJobTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void onT2() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
    }

    private HttpResponse<String> sight(UUID id, int place, String name, String... fields) throws Exception {
        Map<String, String> all = new HashMap<>(Map.of("id", id.toString(), "place", Integer.toString(place), "name", name, "code", "WAL"));
        for (int i = 0; i < fields.length; i += 2) {
            all.put(fields[i], fields[i + 1]);
        }
        return party.post("/measure/sights", all);
    }

    /** Turns the telescope to a place where no prism stands. */
    private void aimAt(double north, double east) {
        Pointing way = party.openLeaf().station().wayTo(new Position(Ternholm.YARD.plus(north, east), Optional.empty()), Length.ZERO);
        verge.bean(InstrumentDesk.class).ready(party.job()).turn(way.horizontalDirection(), way.zenith()).join();
    }

    private void hold(double north, double east) {
        party.ground().pole(Ternholm.YARD.plus(north, east));
        aimAt(north, east);
        verge.bean(InstrumentDesk.class).ready(party.job()).search().join();
    }

    private StoredPoint point(String name) {
        return party.state().points().own(new PointName(name)).orElseThrow();
    }

    @Test
    void aCornerBeyondTwoShotsIsStoredWithTheSecond() throws Exception {
        UUID corner = UUID.randomUUID();
        int before = party.entries();
        party.ground().pole(Ternholm.YARD.plus(4, 6));
        assertThat(sight(corner, 1, "h1", "way", "LINE", "beyond", "1.50").body()).contains("\"stored\":null");
        assertThat(sight(corner, 1, "h1", "way", "LINE", "beyond", "1.50").statusCode()).as("its answer was lost").isEqualTo(200);
        assertThat(party.entries()).isEqualTo(before + 1);
        assertThat(sight(corner, 3, "h1", "way", "LINE", "beyond", "1.50").body()).contains("SIGHTS_CHANGED");
        party.ground().pole(Ternholm.YARD.plus(4, 9));
        assertThat(sight(corner, 2, "h1", "way", "LINE", "beyond", "1.50").body()).contains("\"name\":\"h1\"");
        assertThat(party.entries()).isEqualTo(before + 3);
        GridPoint truth = Ternholm.YARD.plus(4, 10.5);
        assertThat(point("h1").position().plan().distanceMetres(truth)).isLessThan(0.03);
        assertThat(point("h1").sigma()).isPresent();
        assertThat(party.page("/book")).contains("h1 WAL  1.500 beyond two sights", "for h1 WAL");
        assertThat(party.page("/measure")).contains("Strike h1");
        assertThat(party.page("/trace/" + corner)).contains("1.500 beyond two sights");
    }

    @Test
    void aTrunkByItsEdges() throws Exception {
        UUID trunk = UUID.randomUUID();
        aimAt(10, 0);
        sight(trunk, 1, "e1", "way", "EDGES");
        aimAt(10, 1);
        sight(trunk, 2, "e1", "way", "EDGES");
        assertThat(party.entries()).as("edges are read without a distance, and kept").isGreaterThan(3);
        hold(30, 40);
        int before = party.entries();
        assertThat(sight(trunk, 3, "e1", "way", "EDGES").body()).contains("FINDING_FAILS", "not read between the edges");
        assertThat(party.entries()).isEqualTo(before);
        hold(10, 0.5);
        assertThat(sight(trunk, 3, "e1", "way", "EDGES").body()).contains("radius 0.4");
    }

    @Test
    void byTheTapeAlone() throws Exception {
        party.kerb("k1", 5, 0, true);
        party.kerb("k2", 8, 0, false);
        assertThat(sight(UUID.randomUUID(), 1, "t1", "way", "TAPED", "first", "k1", "other", "k2", "from", "1", "fromOther", "1").body())
                .contains("FINDING_FAILS", "do not meet");
        assertThat(sight(UUID.randomUUID(), 1, "t1", "way", "TAPED", "first", "k1", "other", "nobody", "from", "5", "fromOther", "4")
                .body()).contains("POINT_UNKNOWN");
        assertThat(sight(UUID.randomUUID(), 1, "t1", "way", "TAPED", "first", "k1", "other", "k2", "from", "five", "fromOther", "4").body())
                .contains("NOT_A_LENGTH");
        sight(UUID.randomUUID(), 1, "t1", "way", "TAPED", "first", "k1", "other", "k2", "from", "5", "fromOther", "4", "side", "right");
        assertThat(point("t1").position().plan().distanceMetres(Ternholm.YARD.plus(8, 4))).isLessThan(0.03);
        assertThat(point("t1").position().elevation()).isEmpty();
        assertThat(sight(UUID.randomUUID(), 1, "t1", "way", "SQUARE", "first", "k1", "other", "k2", "along", "1", "across", "-2").body())
                .contains("POINT_NAME_TAKEN");
        String kerb = party.state().strings().all().get(0).id().toString();
        sight(UUID.randomUUID(), 1, "t2", "way", "SQUARE", "first", "k1", "other", "k2", "along", "1", "across", "-2", "joins",
                "[{\"string\":\"" + kerb + "\",\"code\":\"KRB\"}]");
        assertThat(party.state().strings().all().get(0).vertices()).hasSize(3);
        assertThat(point("t2").position().plan().distanceMetres(Ternholm.YARD.plus(6, -2))).isCloseTo(0, within(0.03));
    }
}
