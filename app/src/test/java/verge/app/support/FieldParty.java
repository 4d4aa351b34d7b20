package verge.app.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import verge.app.device.InstrumentDesk;
import verge.app.device.LinkForm;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.leaf.Leaf;
import verge.core.units.Decimals;
import verge.instruments.port.LinkState;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.Ternholm;

/** Somebody at the pages and somebody with tripod and pole, on a job of their own with Ternholm's control. */
public final class FieldParty {
    public static final String ALL_WITHIN = "\"within\":true,\"doubtful\"";

    private final VergeServer.Running verge;
    private final Visitor visitor;
    private final UUID job;

    public FieldParty(VergeServer.Running verge) throws Exception {
        this(verge, Jobs.withControl(verge));
    }

    public FieldParty(VergeServer.Running verge, Job ofTheirs) throws Exception {
        this.verge = verge;
        visitor = Visitor.signedIn(verge);
        job = ofTheirs.id();
        verge.bean(InstrumentDesk.class).connect(job, LinkForm.cable(verge.standInAddress()));
        awaitLink();
    }

    public UUID job() {
        return job;
    }

    public PracticeGround ground() {
        return verge.ground();
    }

    public JobState state() {
        return verge.bean(JournalService.class).state(job);
    }

    public Leaf openLeaf() {
        return state().leaves().open().orElseThrow();
    }

    public int entries() {
        return verge.bean(JournalService.class).journal(job).entries().size();
    }

    public void awaitLink() {
        await(() -> verge.bean(InstrumentDesk.class).snapshot(job)
                .map(s -> s.link() == LinkState.UP && s.condition().isPresent() && s.told().isAfter(Instant.now().minusSeconds(2)))
                .orElse(false));
    }

    public long upsets() {
        return verge.bean(InstrumentDesk.class).snapshot(job).flatMap(s -> s.condition()).orElseThrow().upsets();
    }

    /** Does something with the tripod and waits until the instrument has told of it; gives what the tape shows. */
    public String carry(Consumer<PracticeGround> deed) {
        long before = upsets();
        deed.accept(ground());
        await(() -> upsets() > before);
        return ground().look().occupied().map(o -> Decimals.print(o.tape().metres(), 3)).orElse("0");
    }

    /** Holds the prism on a mark and reads it for a setup. */
    public String read(String kind, String station, String tape, String mark, String... more) throws Exception {
        ground().go(mark);
        return readWhereItIs(kind, station, tape, mark, more);
    }

    /** Reads the prism for a setup, wherever it is held, by the name of a mark. */
    public String readWhereItIs(String kind, String station, String tape, String mark, String... more) throws Exception {
        Map<String, String> fields = new HashMap<>(Map.of("kind", kind, "station", station, "mark", mark, "instrumentHeight", tape,
                "targetHeight", "1.600", "prismConstant", "-12.0", "faces", "2"));
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        return post("/setup/mark", fields).body();
    }

    public HttpResponse<String> accept(String reason) throws Exception {
        return post("/setup/accept", Map.of("id", UUID.randomUUID().toString(), "reason", reason));
    }

    /** Over T2 with a backsight to T4, accepted. */
    public void setUpOnT2() throws Exception {
        assertThat(read("KNOWN_POINT", "T2", carry(g -> g.stand("T2")), "T4")).contains(ALL_WITHIN);
        accept("");
        assertThat(state().leaves().open()).isPresent();
    }

    public HttpResponse<String> shoot(String name) throws Exception {
        return post("/measure/shots", Map.of("id", UUID.randomUUID().toString(), "name", name, "code", "GRD"));
    }

    /** One shot of a kerb: it begins a new string, or goes on with the last one. */
    public void kerb(String name, double north, double east, boolean begins) throws Exception {
        ground().pole(Ternholm.YARD.plus(north, east));
        String last = begins ? "null" : "\"" + state().strings().all().get(state().strings().all().size() - 1).id() + "\"";
        post("/measure/shots", Map.of("id", UUID.randomUUID().toString(), "name", name, "code", "KRB", "joins",
                "[{\"string\":" + last + ",\"code\":\"KRB\",\"bend\":\"" + (name.startsWith("f") ? "FLOWING" : "CORNER") + "\"}]"));
    }

    public HttpResponse<String> post(String rest, Map<String, String> fields) throws Exception {
        return visitor.post("/jobs/" + job + rest, fields);
    }

    public String page(String rest) throws Exception {
        return visitor.get("/jobs/" + job + rest).body();
    }

    public Visitor visitor() {
        return visitor;
    }

    public static void await(BooleanSupplier reached) {
        Instant end = Instant.now().plus(Duration.ofSeconds(15));
        while (!reached.getAsBoolean()) {
            assertThat(Instant.now()).as("waiting").isBefore(end);
            Thread.onSpinWait();
        }
    }
}
