package verge.app.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.instruments.driver.InstrumentDriver;
import verge.instruments.line.LineDriver;
import verge.instruments.link.Runner;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.TotalStation;

/** Links are shared by jobs, remembered, and closed when nobody uses them. Nobody listens at port 1. */
class InstrumentDeskTest {
    private static final TransactionTemplate NO_DATABASE = new TransactionTemplate(mock(PlatformTransactionManager.class));
    private static final List<InstrumentDriver> DRIVERS = List.of(new LineDriver());

    private final JobInstrumentRepository chosen = mock(JobInstrumentRepository.class);
    private final KnownInstrumentRepository known = mock(KnownInstrumentRepository.class);
    private final JobService jobs = mock(JobService.class);
    private final InstrumentDesk desk = new InstrumentDesk(chosen, known, jobs, new Drivers(), NO_DATABASE);
    private final UUID yard = UUID.randomUUID();
    private final UUID jetty = UUID.randomUUID();

    @BeforeEach
    void aSiteThatRemembers() {
        Job job = mock(Job.class);
        when(jobs.job(any())).thenReturn(job);
        when(known.save(any())).thenAnswer(call -> call.getArgument(0));
    }

    @AfterEach
    void close() {
        desk.closeAll();
    }

    @Test
    void jobsWithOneAddressShareOneLinkUntilTheLastLetsGo() {
        desk.connect(yard, LinkForm.cable("127.0.0.1:1"));
        desk.connect(jetty, LinkForm.cable(" 127.0.0.1:1 "));
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
        desk.connect(yard, LinkForm.cable("127.0.0.1:1"));
        TotalStation former = desk.find(yard).orElseThrow();
        desk.connect(yard, LinkForm.cable("localhost:1"));
        assertThat(former.snapshot().link()).isEqualTo(LinkState.CLOSED);
        assertThat(desk.find(yard).orElseThrow().snapshot().address()).isEqualTo("localhost:1");
    }

    @Test
    void afterARestartTheChosenInstrumentIsLookedForAgain() {
        KnownInstrument instrument = new KnownInstrument(UUID.randomUUID(), "the old one", LinkSetting.cable("line", "127.0.0.1", 1));
        when(known.findById(instrument.id())).thenReturn(Optional.of(instrument));
        when(chosen.findById(yard)).thenReturn(Optional.of(new JobInstrument(yard, instrument.id())));
        assertThat(desk.snapshot(yard).orElseThrow().link()).isEqualTo(LinkState.CONNECTING);
        assertThatThrownBy(() -> desk.ready(yard))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.LINK_LOST));
        assertThatThrownBy(() -> desk.ready(jetty))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NO_INSTRUMENT));
    }

    @ParameterizedTest
    @CsvSource({"192.168.4.1:2000, CABLE, '', 192.168.4.1, 2000", "' station.local:65535 ', NEAR_RADIO, 4417, station.local, 65535",
            "a:1, '', '', a, 1"})
    void aLinkIsAnAddressAndWhatItNeedsToFindItsPartner(String typed, String link, String partner, String host, int port) {
        LinkSetting setting = new LinkForm(typed, link, partner, "").parse(DRIVERS);
        assertThat(setting).isEqualTo(new LinkSetting("line", link.isEmpty() ? LinkKind.CABLE : LinkKind.valueOf(link), host, port,
                partner));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "station", "station:", ":2000", "station:0", "station:65536", "station:port", "http://station:80", "a b:1",
            "station:999999"})
    void whatIsNoAddressIsRefused(String typed) {
        assertThatThrownBy(() -> LinkForm.cable(typed).parse(DRIVERS))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.ADDRESS_UNFIT));
    }

    @Test
    void aRadioWithoutItsPartnerIsAskedFor() {
        assertThatThrownBy(() -> new LinkForm("a:1", "FAR_RADIO", " ", "").parse(DRIVERS)).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.arguments()).containsExactly("shared address"));
    }

    /** What opens a link is the driver that its setting names; one that is not here opens nothing, and is told when it is chosen. */
    @Test
    void theDriverOfTheSettingOpensIt() {
        InstrumentDriver other = mock(InstrumentDriver.class);
        TotalStation opened = mock(TotalStation.class);
        when(other.id()).thenReturn("other");
        when(other.open(any(), any())).thenReturn(opened);
        InstrumentDesk both = new InstrumentDesk(chosen, known, jobs,
                new Drivers(List.of(new LineDriver(), other), List.of(), Runner.usual()), NO_DATABASE);
        both.connect(yard, new LinkForm("127.0.0.1:1", "", "", "other"));
        assertThat(both.find(yard)).containsSame(opened);
        both.connect(jetty, LinkForm.cable("127.0.0.1:1"));
        assertThat(both.find(jetty).orElseThrow().snapshot().setting().driver()).isEqualTo("line");
        both.closeAll();
        assertThatThrownBy(() -> both.connect(yard, new LinkForm("127.0.0.1:1", "", "", "gone")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.DRIVER_UNKNOWN));
        KnownInstrument orphan = new KnownInstrument(UUID.randomUUID(), "spoken by nobody", LinkSetting.cable("gone", "127.0.0.1", 1));
        when(known.findById(orphan.id())).thenReturn(Optional.of(orphan));
        when(chosen.findById(yard)).thenReturn(Optional.of(new JobInstrument(yard, orphan.id())));
        assertThat(desk.find(yard)).isEmpty();
    }
}
