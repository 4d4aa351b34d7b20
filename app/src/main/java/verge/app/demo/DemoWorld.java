package verge.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import verge.app.account.AccountService;
import verge.app.device.Address;
import verge.app.device.StandIns;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.floor.FloorService;
import verge.app.form.Answers;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.Site;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.pole.PrismTable;
import verge.app.practice.PracticeService;
import verge.app.receiver.AntennaTable;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.system.GeoidLibrary;
import verge.core.drawing.DesignChosen;
import verge.core.drawing.Role;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.SystemText;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.LengthUnit;
import verge.instruments.ntrip.CasterSetting;

/**
 * Loads the made-up world of Ternholm and Alder Slough once, through the same services as a person at the pages. Sites, files and
 * control are there when the first page is; the field work follows in the background.
 */
@Component
@ConditionalOnProperty(name = "verge.demo", havingValue = "true")
class DemoWorld {
    static final String PERSON = "surveyor";
    private static final ZoneId ISLAND_CLOCK = ZoneId.of("CET");
    private static final ZoneId SLOUGH_CLOCK = ZoneId.of("EST5EDT");
    private static final Logger LOG = LoggerFactory.getLogger(DemoWorld.class);

    private final AccountService accounts;
    private final JobService jobs;
    private final SiteFileService files;
    private final ImportService imports;
    private final DemoFieldWork fieldWork;
    private final JournalService journals;
    private final StandIns standIns;
    private final PrismTable prisms;
    private final FloorService floors;
    private final ReceiverDesk receivers;
    private final AntennaTable antennas;
    private final PracticeService practice;

    DemoWorld(AccountService accounts, JobService jobs, SiteFileService files, ImportService imports, DemoFieldWork fieldWork,
            JournalService journals,
            StandIns standIns, PrismTable prisms, FloorService floors, ReceiverDesk receivers, AntennaTable antennas,
            PracticeService practice) {
        this.accounts = accounts;
        this.jobs = jobs;
        this.files = files;
        this.imports = imports;
        this.fieldWork = fieldWork;
        this.journals = journals;
        this.standIns = standIns;
        this.prisms = prisms;
        this.floors = floors;
        this.receivers = receivers;
        this.antennas = antennas;
        this.practice = practice;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(0)
    void load() throws IOException {
        accounts.ensure(PERSON, "Demo Surveyor", "lighthouse");
        if (!jobs.sites().isEmpty()) {
            return;
        }
        Site ternholm = jobs.ensureSite("Ternholm");
        SiteFile control = file(ternholm, "ternholm-control.csv");
        JobSettings metric = ternholm();
        Job jetty = jobs.make(ternholm.id(), "Jetty piles", metric, author());
        take(jetty, control, Role.CONTROL);
        take(jetty, file(ternholm, "utilities-codes.json"), Role.CODEBOOK);
        take(jetty, file(ternholm, "topography-codes.json"), Role.CODEBOOK);
        take(jetty, file(ternholm, "island-map.dxf"), Role.UNDERLAY);
        take(jetty, file(ternholm, "stair-tower.csv"), Role.REGISTER);
        take(jetty, file(ternholm, "landing-causeway.xml"), Role.DESIGN);
        SiteFile piles = file(ternholm, "jetty-piles.csv");
        take(jetty, piles, Role.DESIGN);
        goBy(jetty, piles);
        Job yard = jobs.make(ternholm.id(), "Slipway yard",
                metric.with(new JobSettings.Work("Demo Surveyor", Set.of(JobSettings.Tool.TOTAL_STATION),
                List.of("condition"), "slipway yard", ISLAND_CLOCK)), author());
        take(yard, control, Role.CONTROL);
        SiteFile drain = file(ternholm, "rainwater-drain.dxf");
        take(yard, drain, Role.DESIGN);
        goBy(yard, drain);
        take(yard, file(ternholm, "boat-loft.dxf"), Role.DESIGN);
        floors.name(yard.id(), List.of("tower foot", "landing 1", "landing 2", "landing 3", "landing 4", "landing 5", "landing 6",
                "lamp room"),
                List.of("BM-Sill", "U1", "U2", "U3", "U4", "U5", "U6", "30.1"), author());
        prisms.add(yard.id(), "pole prism", "-12.0");
        prisms.add(yard.id(), "tripod prism", "-30.0");
        prisms.add(yard.id(), "sheet target", "0");
        masonsMarks(ternholm, metric);
        shingleBank(ternholm, metric, control);
        quayWall();
        alderSlough();
        standIns.instrument().ifPresent(address -> startFieldWork(yard.id(), address));
    }

    /** ETRS89 / UTM zone 32N as published, heights by EGM96: kept in the demo's files, so that loading does not wait for the dataset. */
    private static JobSettings ternholm() throws IOException {
        CoordinateSystem system = new CoordinateSystem.Projected("ETRS89 / UTM zone 32N", "EPSG:25832", text("etrs89-utm-32.wkt"),
                Optional.of(new DatumShift(DatumShift.Rotation.POSITION_VECTOR, 0, 0, 0, 0, 0, 0, 0, 1)));
        return new JobSettings(Figures.metric(), system, GeoidLibrary.EGM96,
                Optional.of(new JobSettings.ReferenceHeight(JobSettings.HeightKind.ELEVATION, 7)),
                GroundUse.GROUND_DISTANCES, JobSettings.Work.ALONE.with(ISLAND_CLOCK));
    }

    /** US survey feet in a made-up Lambert zone. */
    private static JobSettings slough() throws IOException {
        CoordinateSystem.Projected zone = (CoordinateSystem.Projected) SystemText.read(text("alder-slough-zone.txt"));
        CoordinateSystem system = new CoordinateSystem.Projected("Lambert zone of Alder Slough", "", zone.wkt(),
                Optional.of(DatumShift.NONE));
        return new JobSettings(Figures.surveyFeet(), system, GeoidLibrary.EGM96,
                Optional.of(new JobSettings.ReferenceHeight(JobSettings.HeightKind.ELEVATION, 4.5)),
                GroundUse.GROUND_DISTANCES, JobSettings.Work.ALONE.with(SLOUGH_CLOCK));
    }

    private static String text(String name) throws IOException {
        try (InputStream in = new ClassPathResource("demo/" + name).getInputStream()) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        }
    }

    /** Seventeen marks in the mason's own grid, and six of them found, one of which was moved. */
    private void masonsMarks(Site ternholm, JobSettings metric) throws IOException {
        Job tower = jobs.make(ternholm.id(), "Tower marks", metric, author());
        take(tower, file(ternholm, "tower-marks-found.csv"), Role.CONTROL);
        file(ternholm, "mason-grid.csv");
    }

    /** The quay’s own grid, that nobody has tied to the earth yet, and what a receiver said on its marks, one of which was disturbed. */
    private void quayWall() throws IOException {
        Site site = jobs.ensureSite("Ternholm quay");
        Job quay = jobs.make(site.id(), "Quay wall", JobSettings.flat(Figures.metric(), 1).with(JobSettings.Work.ALONE.with(ISLAND_CLOCK)),
                author());
        take(quay, file(site, "quay-control.csv"), Role.CONTROL);
        file(site, "quay-receiver.csv");
    }

    /**
     * The stockpile on the shingle spit, to be measured with a rover: its receiver takes its corrections from the base on the lighthouse’s
     * gallery.
     */
    private void shingleBank(Site ternholm, JobSettings metric, SiteFile control) {
        Job bank = jobs.make(ternholm.id(), "Shingle bank", metric, author());
        take(bank, control, Role.CONTROL);
        standIns.receivers().stream().findFirst().ifPresent(rover -> {
            receivers.connect(Seat.rover(bank.id()), rover.address(), "Rover on the pole");
            standIns.caster().map(address -> Address.parse(address))
                    .ifPresent(at -> receivers.corrections(Seat.rover(bank.id()),
                    Optional.of(new CasterSetting(at.host(), at.port(), false, CasterSetting.Version.TWO, "GALLERY", "", ""))));
            takeAntenna(bank);
            AntennaModel dish = antennas.type(bank.id(),
                    new Answers(Map.of("name", "TERNHOLM DISH NONE", "mount", "0.035", "rimRadius", "0.089", "rimAbove", "0.041")),
                    LengthUnit.METRE);
            receivers.antenna(Seat.rover(bank.id()), new AntennaOverMark(dish, new AntennaHeight(new Length(1.7), AntennaHeight.To.MOUNT)));
        });
    }

    private void takeAntenna(Job job) {
        try (InputStream in = new ClassPathResource("demo/ternholm-antennas.atx").getInputStream()) {
            antennas.take(job.id(), antennas.read(in, "ternholm-antennas.atx", ""), "TERNHOLM DISH NONE");
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    private void alderSlough() throws IOException {
        Site slough = jobs.ensureSite("Alder Slough");
        SiteFile control = file(slough, "alder-slough-control.csv");
        Job boardwalk = jobs.make(slough.id(), "Alder Slough boardwalk", slough(), author());
        take(boardwalk, control, Role.CONTROL);
    }

    private void startFieldWork(UUID job, String address) {
        practice.alone("demo field work", () -> {
            try {
                fieldWork.measureYard(job, address);
            } catch (IOException | RuntimeException failed) {
                LOG.warn("The demo's field work broke off; the job is there without it.", failed);
            }
        });
    }

    private void take(Job job, SiteFile file, Role role) {
        imports.use(job.id(), files.file(job.siteId(), file.id()), FileChoice.of(role), author());
    }

    private void goBy(Job job, SiteFile design) {
        journals.append(job.id(), author(), new DesignChosen(design.id(), design.name()));
    }

    private SiteFile file(Site site, String name) throws IOException {
        try (InputStream in = new ClassPathResource("demo/" + name).getInputStream()) {
            return files.add(site.id(), name, in, PERSON);
        }
    }

    private static Author author() {
        return Author.atPage(PERSON);
    }
}
