package verge.core.doubt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.coding.PointName;
import verge.core.journal.Entry;
import verge.core.strings.StringName;
import verge.core.support.Party;

/** Slips told, and ordinary shots left in peace. Shots are read from N 1000 E 2000, height 10, towards places about it. */
class ShotDoubtsTest {
    private static final UUID KERB = new UUID(0, 1);
    private static final UUID STEP = new UUID(0, 2);

    private final Party party = new Party();

    private List<Doubt> shoot(String name, String code, UUID string, double north, double east, double up) {
        Entry shot = party.shoot(name, code, string, north, east, up);
        return ShotDoubts.of(party.journal(), shot, Codebook.general());
    }

    private List<Doubt> shoot(String code, UUID string, double north, double east, double up) {
        Entry shot = party.shoot(code, string, north, east, up);
        return ShotDoubts.of(party.journal(), shot, Codebook.general());
    }

    /** A kerb that climbs evenly, shot every ten metres; heights and the distance of the last are given. */
    @ParameterizedTest
    @CsvSource({"1.6, 10, ", "2.4, 10, HeightJump", "0.8, 10, HeightJump", "2.0, 10, ", "2.9, 30, ", "6.0, 55, LongPiece", "1.0, 3, ",
            "1.9, 3, HeightJump"})
    void jumpsAlongAStringAreDoubted(double height, double distance, String doubt) {
        List<Doubt> quiet = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            quiet.addAll(shoot("KRB", KERB, 20, 10 * i, 0.4 * i));
        }
        assertThat(quiet).isEmpty();
        assertThat(shoot("KRB", KERB, 20, 30 + distance, height)).extracting(d -> d.getClass().getSimpleName())
                .containsExactlyElementsOf(doubt == null ? List.of() : List.of(doubt));
    }

    @Test
    void aJumpSaysHowFarFromWhereTheStringWasHeading() {
        shoot("KRB", KERB, 20, 0, 0);
        shoot("KRB", KERB, 20, 10, 0.2);
        assertThat(shoot("KRB", KERB, 20, 20, 1.2)).singleElement().isInstanceOfSatisfying(Doubt.HeightJump.class, jump -> {
            assertThat(jump.off().metres()).isCloseTo(0.8, within(1e-3));
            assertThat(jump.pole()).isEqualTo(Party.POLE.height());
            assertThat(jump.from().text() + jump.to().text()).isEqualTo("102103");
        });
    }

    /** A step that climbs eight metres by six decimetres and turns along the slope: its next corner is as high as its last. */
    @Test
    void roundACornerTheGroundMayGoLevel() {
        UUID step = new UUID(0, 9);
        assertThat(List.of(shoot("STP", step, 20, 20, 0), shoot("STP", step, 20, 34, 0.6), shoot("STP", step, 28, 34, 1.2),
                shoot("STP", step, 28, 20, 0.6))).allMatch(List::isEmpty);
        assertThat(shoot("STP", step, 27, 20, 2.6)).singleElement().isInstanceOf(Doubt.HeightJump.class);
    }

    @Test
    void breaklinesThatCrossAtTwoHeightsAreDoubtedAndThoseThatMeetAreNot() {
        shoot("KRB", KERB, 20, 0, 0);
        shoot("KRB", KERB, 20, 10, 0);
        shoot("STP", STEP, 15, 5, 0.2);
        assertThat(shoot("STP", STEP, 25, 5, 0.2)).singleElement()
                .isInstanceOfSatisfying(Doubt.Crossing.class, c -> assertThat(c.above().metres()).isCloseTo(0.2, within(1e-3)));
        assertThat(shoot("STP", STEP, 25, 30, 0.2)).isEmpty();
        UUID railing = new UUID(0, 3);   // no breakline
        shoot("RLG", railing, 15, 7, 1);
        assertThat(shoot("RLG", railing, 25, 7, 1)).isEmpty();
        shoot("KRB", new UUID(0, 4), 15, 2, 0.01);
        assertThat(shoot("KRB", new UUID(0, 4), 25, 2, 0.01)).as("a centimetre is nothing").isEmpty();
    }

    @Test
    void whatIsLeftWithOnePointAndWhatStandsAloneIsTold() {
        for (int i = 0; i < 10; i++) {
            assertThat(shoot("KRB", KERB, 20, 3 * i, 0)).isEmpty();
        }
        assertThat(shoot("KRB", null, 21, 30, 0)).singleElement().isInstanceOf(Doubt.Alone.class);
        assertThat(shoot("STP", STEP, 30, 0, 0)).isEmpty();
        assertThat(shoot("LMP", null, 31, 0, 0)).singleElement().isEqualTo(new Doubt.OnePoint(new StringName(new Code("STP"), 1)));
    }

    @Test
    void aNameGivenAgainSaysHowFarApartBothLie() {
        shoot("7", "LMP", null, 20, 0, 1);
        assertThat(shoot("7", "LMP", null, 20.03, 0.04, 1.01)).singleElement().isInstanceOfSatisfying(Doubt.SameName.class, same -> {
            assertThat(same.plan().metres()).isCloseTo(0.05, within(1e-3));
            assertThat(same.up().orElseThrow().metres()).isCloseTo(0.01, within(1e-3));
        });
        assertThat(party.journal().state().points().named(new PointName("7"))).hasSize(2);
        assertThat(Arrays.asList(ShotDoubts.of(party.journal(), party.journal().entries().get(0), Codebook.general())))
                .containsOnly(List.of());
    }
}
