package verge.app.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.port.LinkState;
import verge.instruments.port.TotalStation;

/** Links are shared by jobs, remembered, and closed when nobody uses them. Nobody listens at port 1. */
class InstrumentDeskTest {
    private final JobInstrumentRepository chosen = mock(JobInstrumentRepository.class);
    private final InstrumentDesk desk = new InstrumentDesk(chosen);
    private final UUID yard = UUID.randomUUID();
    private final UUID jetty = UUID.randomUUID();

    @AfterEach
    void close() {
        desk.closeAll();
    }

    @Test
    void jobsWithOneAddressShareOneLinkUntilTheLastLetsGo() {
        desk.connect(yard, "127.0.0.1:1");
        desk.connect(jetty, " 127.0.0.1:1 ");
        TotalStation link = desk.find(yard).orElseThrow();
        assertThat(desk.find(jetty)).containsSame(link);
        desk.disconnect(yard);
        assertThat(desk.find(yard)).isEmpty();
        assertThat(link.snapshot().link()).isNotEqualTo(LinkState.CLOSED);
        desk.disconnect(jetty);
        assertThat(link.snapshot().link()).isEqualTo(LinkState.CLOSED);
        verify(chosen).deleteById(jetty);
    }

    @Test
    void anotherAddressLetsGoOfTheFormer() {
        desk.connect(yard, "127.0.0.1:1");
        TotalStation former = desk.find(yard).orElseThrow();
        desk.connect(yard, "localhost:1");
        assertThat(former.snapshot().link()).isEqualTo(LinkState.CLOSED);
        assertThat(desk.find(yard).orElseThrow().snapshot().address()).isEqualTo("localhost:1");
    }

    @Test
    void afterARestartTheChosenInstrumentIsLookedForAgain() {
        when(chosen.findById(yard)).thenReturn(Optional.of(new JobInstrument(yard, new InstrumentAddress("127.0.0.1", 1))));
        assertThat(desk.snapshot(yard).orElseThrow().link()).isEqualTo(LinkState.CONNECTING);
        assertThatThrownBy(() -> desk.ready(yard)).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.LINK_LOST));
        assertThatThrownBy(() -> desk.ready(jetty)).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NO_INSTRUMENT));
    }

    @ParameterizedTest
    @CsvSource({"192.168.4.1:2000, 192.168.4.1, 2000", "' station.local:65535 ', station.local, 65535"})
    void anAddressIsANameAndAPort(String typed, String host, int port) {
        assertThat(InstrumentAddress.parse(typed)).isEqualTo(new InstrumentAddress(host, port));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "station", "station:", ":2000", "station:0", "station:65536", "station:port", "http://station:80", "a b:1", "station:999999"})
    void whatIsNoneIsRefused(String typed) {
        assertThatThrownBy(() -> InstrumentAddress.parse(typed)).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isEqualTo(Problem.ADDRESS_UNFIT));
    }
}
