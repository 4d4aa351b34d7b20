package verge.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import verge.app.device.InstrumentDesk;
import verge.app.device.LinkForm;
import verge.app.practice.PracticeService;
import verge.app.enclosure.EnclosureService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.measure.Armed;
import verge.app.measure.MeasureService;
import verge.app.points.PointNames;
import verge.app.setup.SetupForm;
import verge.app.setup.SetupService;
import verge.core.enclosure.Stroke;
import verge.core.geodesy.GridPoint;
import verge.core.measure.ShotTaken;
import verge.core.strings.Bend;
import verge.core.strings.End;
import verge.core.units.Decimals;
import verge.instruments.port.LinkState;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.Ternholm;

/** A morning's work in the slipway yard, measured with the stand-in as a person would. */
@Component
class DemoFieldWork {
    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private final InstrumentDesk desk;
    private final PracticeService practice;
    private final SetupService setups;
    private final MeasureService measuring;
    private final JournalService journals;
    private final EnclosureService enclosures;

    DemoFieldWork(InstrumentDesk desk, PracticeService practice, SetupService setups, MeasureService measuring, JournalService journals,
            EnclosureService enclosures) {
        this.desk = desk;
        this.practice = practice;
        this.setups = setups;
        this.measuring = measuring;
        this.journals = journals;
        this.enclosures = enclosures;
    }

    /** Things to be measured, by what they are called in the world and in the codebook. */
    private static final List<String[]> WORK = List.of(new String[] {"kerb", "KRB"}, new String[] {"drain", "DRN"},
            new String[] {"lamp post", "LMP"}, new String[] {"railing", "RLG"}, new String[] {"quay wall", "QWL"});

    void measureYard(UUID job, String address) throws IOException {
        desk.connect(job, LinkForm.cable(address));
        await(() -> desk.snapshot(job).map(s -> s.link() == LinkState.UP && s.condition().isPresent()).orElse(false));
        PracticeGround ground = practice.ground(job).orElseThrow();
        long before = upsets(job);
        PracticeGround.Sight standing = ground.stand("T2");
        ground.go("T4");
        await(() -> upsets(job) > before);
        String tape = Decimals.print(standing.occupied().orElseThrow().tape().metres(), 3);
        setups.read(job, SetupForm.knownPoint("T2", "T4", tape, "1.600", "-12.0").fields(), DemoWorld.PERSON).join();
        setups.accept(job, "", "", new Author(UUID.randomUUID(), DemoWorld.PERSON, "page"));
        WORK.forEach(what -> Ternholm.outlines().stream().filter(o -> o.name().equals(what[0]))
                .forEach(outline -> draw(job, ground, outline.points(), what[1])));
        photographTheLamp(job);
        ground.pole(Ternholm.YARD.plus(9, -27));
    }

    private void photographTheLamp(UUID job) throws IOException {
        UUID lamp = journals.state(job).points().all().filter(p -> p.code().text().equals("LMP")).findFirst().orElseThrow().entry();
        Author author = Author.atPage(DemoWorld.PERSON);
        InputStream file = new ClassPathResource("demo/lamp.jpg").getInputStream();
        UUID photo = enclosures.photograph(job, lamp, "", "lamp.jpg", file, author).entry().id();
        enclosures.draw(job, photo, List.of(new Stroke.Circle(new Stroke.Spot(0.475, 0.68), new Stroke.Spot(0.555, 0.8)),
                new Stroke.Words(new Stroke.Spot(0.57, 0.76), "cable loose")), Author.atPage(DemoWorld.PERSON));
    }

    private long upsets(UUID job) {
        return desk.snapshot(job).flatMap(s -> s.condition()).orElseThrow().upsets();
    }

    /** A point of its own, or a string of them; round the quay wall the line flows. */
    private void draw(UUID job, PracticeGround ground, List<GridPoint> places, String code) {
        UUID string = null;
        for (int i = 0; i < places.size(); i++) {
            boolean inner = i > 0 && i < places.size() - 1;
            Armed armed = new Armed(string, code, End.LAST, inner && code.equals("QWL") ? Bend.FLOWING : Bend.CORNER, false);
            ShotTaken shot = shoot(job, ground, places.get(i), code, places.size() == 1 ? List.of() : List.of(armed));
            string = shot.strings().findFirst().orElse(null);
        }
    }

    private ShotTaken shoot(UUID job, PracticeGround ground, GridPoint place, String code, List<Armed> armed) {
        ground.pole(place);
        return (ShotTaken) measuring.measure(job, UUID.randomUUID(), PointNames.next(journals.journal(job)).text(), code, Map.of(),
                MeasureService.Beside.NOT, armed, false, DemoWorld.PERSON).join().entry().payload();
    }

    private static void await(BooleanSupplier reached) {
        Instant end = Instant.now().plus(PATIENCE);
        while (!reached.getAsBoolean()) {
            if (Instant.now().isAfter(end)) {
                throw new IllegalStateException("the stand-in does not answer");
            }
            try {
                Thread.sleep(50);
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(stopped);
            }
        }
    }
}
