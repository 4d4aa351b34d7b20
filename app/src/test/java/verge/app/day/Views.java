package verge.app.day;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.app.enclosure.EnclosureService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;

/**
 * Every view there is: each bench, each page, each thing that opens over them; of a usual job, an empty one, one of long names, one of many
 * points.
 */
final class Views {
    /** 80 characters, as long as a name may be. */
    private static final String LONG_NAME = "Landing causeway and the whole of the northern mole with its steps and railings";
    private static final int MANY = 3_000;
    private static final List<String> BENCHES = List.of("prepare", "setup", "setup/instrument", "setup/receiver", "setup/base",
            "setup/static", "setup/sets", "setup/leaves", "measure", "compute", "points", "points?text=K&origin=MEASURED&sort=-HEIGHT,NAME",
            "book?kind=shot", "stake", "handover",
            "book", "walk-round", "floors", "ground", "rework", "strings", "attributes", "photos", "gaps");

    /**
     * @param done script that brings the page into the state that is looked at; may give a promise
     * @param again whether it is another view of these over other data: built alike, with other words and figures in it
     */
    record View(String name, String path, String done, boolean again) {
        View(String name, String path, String done) {
            this(name, path, done, false);
        }

        View(String name, String path) {
            this(name, path, "");
        }

        static View again(String name, String path) {
            return new View(name, path, "", true);
        }
    }

    private final VergeServer.Running verge;

    Views(VergeServer.Running verge) {
        this.verge = verge;
    }

    List<View> all() throws Exception {
        List<View> views = new ArrayList<>();
        Job usual = job(surveyed("T4", "101"));
        String path = "/jobs/" + usual.id() + "/";
        Stream.of("setup/leaves/open", "compute/inverse?from=T1&to=T4", "compute/tools",
                "compute/tools/DISTANCES?a=T1&b=T4&distanceA=60&distanceB=60&first=x1", "compute/tools/DEED",
                "compute/fit?names=T1,T2,T3&way=VALUES&rotation=10&pattern=*a", "compute/localise",
                "compute/tools/DIVIDE?ring=T1,T4,T3,T2&direction=0&area=1500&lineCode=BDY&holes=", "stake?point=T4",
                "ground?use=GROUND_COORDINATES&source=TYPED&factor=1.000135&point=T2", "trace?point=101")
                .forEach(p -> views.add(new View(p, path + p)));
        BENCHES.forEach(b -> views.add(new View(b, path + b)));
        views.add(new View("setup, read", "/jobs/" + read() + "/setup"));
        views.addAll(opened(path));
        views.addAll(drawn());
        views.addAll(roving());
        views.addAll(plain(usual));
        UUID empty = Jobs.empty(verge).id();
        BENCHES.forEach(b -> views.add(View.again(b + ", no data", "/jobs/" + empty + "/" + b)));
        String longNames = "/jobs/" + longNamed() + "/";
        Stream.concat(BENCHES.stream(),
                Stream.of("compute/inverse?from=T1&to=T4-long-name-of-a-mark24", "stake?point=T4-long-name-of-a-mark24"))
                .forEach(b -> views.add(View.again(b + ", long names", longNames + b)));
        UUID many = many();
        BENCHES.forEach(b -> views.add(View.again(b + ", many points", "/jobs/" + many + "/" + b)));
        return views;
    }

    /** Of the demo's job with a rover, which has its corrections by then or not. */
    private List<View> roving() {
        JobService jobs = verge.bean(JobService.class);
        String path = "/jobs/" + jobs.jobs(Jobs.ternholm(verge).id()).stream().filter(j -> j.name().equals("Shingle bank")).findFirst()
                .orElseThrow().id() + "/";
        return List.of(new View("receiver", path + "setup/receiver", "new Promise(drawn => setTimeout(drawn, 1500))"),
                new View("measure with a receiver", path + "measure"),
                new View("antennas", path + "setup/receiver", "document.querySelector('#bench details.more summary').click()"));
    }

    /** What opens over a bench, and what a refusal looks like. */
    private static List<View> opened(String path) {
        return List.of(
                new View("keys", path + "measure", "document.getElementById('keys').showModal()"),
                new View("layers", path + "measure", "document.querySelector('[data-sketch=layers]').click()"),
                new View("go to", path + "measure", "document.querySelector('[data-drawer=zoom]').click()"),
                new View("select", path + "measure", "document.querySelector('[data-drawer=select]').click()"),
                new View("health", path + "measure", "document.querySelector('#health summary').click()"),
                new View("last ten", path + "measure", "document.querySelector('#last-ten summary').click()"),
                new View("corner", path + "measure", "document.querySelector('[data-corner]').click()"),
                new View("book line", path + "book", "document.querySelector('.book-line summary').click()"),
                new View("needed", path + "compute/inverse", "document.querySelector('.go').click()"),
                new View("touched", path + "measure",
                "import('verge/frame/http.js').then(h => h.get(`/jobs/${document.body.dataset.job}/sketch`)).then(s => "
                + "import('verge/sketch/pick.js')"
                        + ".then(p => p.touch([{ away: 0, point: s.points.find(q => q.name === '101'), name: '101', kind: 'measured' }], "
                        + "() => {})))"),
                new View("refused", path + "setup",
                "import('verge/frame/said.js').then(s => s.sayProblem({ message: 'The instrument was carried or knocked since it was set "
                + "up on T2.', "
                        + "means: 'Its orientation no longer holds; nothing was stored. What was measured before stays good.', next: 'Set "
                        + "up again, with a backsight.' }))"));
    }

    /** What belongs to strings and to what is asked about them. */
    private List<View> drawn() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("k1", 5, -5, true);
        party.kerb("f2", 8, 0, false);
        party.kerb("k3", 5, 5, false);
        UUID string = party.state().strings().all().get(0).id();
        String path = "/jobs/" + party.job() + "/";
        return List.of(new View("measure, a string armed", path + "measure"),
                new View("a string", path + "strings/" + string, "document.querySelector('.vertex summary').click()"),
                new View("all strings", path + "strings"),
                new View("about a string", path + "attributes/" + string), new View("a code", path + "codes/KRB"),
                new View("asked", path + "measure", "import('verge/attributes/asked.js').then(a => a.ask(['" + string + "']))"),
                new View("photos of a string", path + "photos/of/" + string), new View("all photos", path + "photos"),
                new View("a photo", path + "photos/" + photo(party, string)),
                new View("more of a string", path + "measure", "document.querySelector('.over-more summary').click()"),
                new View("a new code", path + "measure",
                "(f => { f.value = 'QQX'; f.dispatchEvent(new Event('input', { bubbles: true })); })(document.getElementById('code'))"),
                new View("a string touched", path + "measure",
                "import('verge/sketch/sketch.js').then(s => import('verge/sketch/pick.js').then(p => p.touch([{ away: 0, string: "
                + "[...s.theStrings().values()][0], name: 'KRB 1', kind: 'string', end: 'LAST' }], () => {})))"));
    }

    private UUID photo(FieldParty party, UUID of) throws IOException {
        try (InputStream file = Views.class.getResourceAsStream("/demo/lamp.jpg")) {
            return verge.bean(EnclosureService.class).photograph(party.job(), of, "", "lamp.jpg", file, Author.atPage("surveyor")).entry()
                    .id();
        }
    }

    private static List<View> plain(Job job) {
        String site = "/sites/" + job.siteId();
        String path = "/jobs/" + job.id() + "/";
        return List.of(new View("site", site), new View("new job", site + "/jobs/new"), new View("settings", path + "settings"),
                new View("shelf", path + "shelf"),
                new View("account", "/account"), new View("help", "/help"), new View("problem", "/jobs/" + UUID.randomUUID() + "/measure"));
    }

    private Job job(UUID id) {
        return verge.bean(JobService.class).job(id);
    }

    /** A job with a setup and some points. */
    private UUID surveyed(String mark, String... names) throws Exception {
        FieldParty party = new FieldParty(verge);
        party.setUpOnT2();
        party.ground().go(mark);
        for (String name : names) {
            party.shoot(name);
        }
        return party.job();
    }

    /** A job with a mark read for a setup that nobody has accepted yet. */
    private UUID read() throws Exception {
        FieldParty party = new FieldParty(verge);
        party.read("KNOWN_POINT", "T2", party.carry(ground -> ground.stand("T2")), "T4");
        return party.job();
    }

    private UUID longNamed() {
        JobService jobs = verge.bean(JobService.class);
        Job from = Jobs.withControl(verge);
        Job job = jobs.make(jobs.ensureSite(LONG_NAME.substring(0, 70) + " " + UUID.randomUUID().toString().substring(0, 8)).id(),
                LONG_NAME, verge.bean(JournalService.class).state(from.id()).settings(), Author.atPage("surveyor"));
        give(job.id(), Origin.CONTROL, List.of(new NamedPosition(new PointName("T1"), Code.NONE, Position.of(6_314_528.4, 648_988.6, 9)),
                new NamedPosition(new PointName("T4-long-name-of-a-mark24"), Code.NONE, Position.of(6_314_519.1, 649_062.4, 12)),
                new NamedPosition(new PointName("T5-long-name-of-a-mark24"), Code.NONE, Position.of(6_314_519.2, 649_062.5, 12))));
        return job.id();
    }

    private UUID many() {
        Job job = Jobs.withControl(verge);
        give(job.id(), Origin.DESIGN, IntStream.range(0, MANY).mapToObj(i -> new NamedPosition(new PointName("G" + i), Code.NONE,
                Position.of(6_314_480 + i / 50 * 1.5, 648_980 + i % 50 * 1.5, 7))).toList());
        return job.id();
    }

    private void give(UUID job, Origin origin, List<NamedPosition> points) {
        verge.bean(JournalService.class).append(job, Author.atPage("surveyor"), new PointsImported(origin, "given.csv", "", points));
    }
}
