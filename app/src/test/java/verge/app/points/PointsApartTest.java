package verge.app.points;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.units.Length;
import verge.instruments.world.Ternholm;

/** Two positions of one point, asked about by a program. */
@ExtendWith(VergeServer.class)
class PointsApartTest {
    private final VergeServer.Running verge;

    PointsApartTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @Test
    void twoPositionsOfANameAreHeldAgainstEachOther() throws Exception {
        FieldParty party = new FieldParty(verge, Jobs.onEarth(verge));
        party.setUpOnT2();
        party.ground().pole(Ternholm.YARD.plus(4, 6));
        party.post("/measure/shots", Map.of("id", UUID.randomUUID().toString(), "name", "twice", "code", "GRD"));
        Uncertainty known = new Uncertainty(new Length(0.005), new Length(0.005), new Length(0.005));
        NamedPosition given = new NamedPosition(new PointName("twice"), Code.NONE,
                Position.ofPlan(Ternholm.YARD.northing() + 3.5, Ternholm.YARD.easting() + 6), "", Optional.of(known));
        verge.bean(JournalService.class)
                .append(party.job(), Author.atPage("surveyor"),
                new PointsImported(Origin.CONTROL, "given.csv", "ab".repeat(32), List.of(given)));
        List<StoredPoint> both = party.state().points().all().filter(p -> p.name().text().equals("twice"))
                .sorted(Comparator.comparing(StoredPoint::origin)).toList();
        assertThat(both).hasSize(2);
        String token = verge.bean(TokenService.class).make("surveyor", "apart");
        String address = "/api/v1/jobs/" + party.job() + "/points/apart?name=twice&first=" + both.get(0).entry() + "&second=";
        JsonNode apart = new JsonMapper().readTree(Visitor.signedIn(verge).program("GET", address + both.get(1).entry(), token, "").body());
        assertThat(Math.abs(apart.get("north").asDouble())).isCloseTo(0.5, within(0.02));
        assertThat(apart.get("up").isNull()).isTrue();
        assertThat(apart.get("agree").asBoolean()).isFalse();
        assertThat(apart.get("mostPlan").asDouble()).isBetween(0.001, 0.1);
        assertThat(Visitor.signedIn(verge).program("GET", address + UUID.randomUUID(), token, "").body()).contains("POINT_UNKNOWN");
    }
}
