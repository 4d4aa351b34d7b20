package verge.app.day;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.coding.Codebooks;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.ReceiverViews;
import verge.app.receiver.Seat;
import verge.app.support.Bench;
import verge.app.support.JobWithReceivers;
import verge.app.support.Jobs;
import verge.app.support.ReceiverWork;
import verge.app.support.VergeServer;

import verge.core.coding.Codebook;
import verge.core.coding.PointName;
import verge.core.doubt.ShotDoubts;
import verge.core.job.Journal;
import verge.core.journal.Entry;

/** Prints what a picture of the guide, a shot's doubts and the pages cost as receiver points grow; run by './verge bench-journal'. */
class SpeedOfReceiverWork extends JobWithReceivers {
    private static final int ROUNDS = 9;
    private static final List<String> PAGES = List.of("measure", "setup", "setup/receiver", "setup/leaves", "setup/sets", "base", "stake",
            "compute", "compute/fit", "compute/localise", "compute/inverse", "handover", "book", "strings", "codes", "photos", "floors",
            "ground", "gaps", "prepare", "walk-round", "rework", "settings", "receiver", "static", "attributes", "practice");

    SpeedOfReceiverWork(VergeServer.Running verge) {
        super(verge);
    }

    @ParameterizedTest
    @ValueSource(ints = {100, 1_000, 10_000, 100_000})
    void ofAJobWithSoManyReceiverPoints(int size) throws Exception {
        JournalService journals = verge.bean(JournalService.class);
        List<Entry> entries = ReceiverWork.entries(size);
        job = verge.bean(JobService.class).makeFrom(Jobs.ternholm(verge).id(), "Rover " + UUID.randomUUID(), entries, "surveyor");
        post("/receiver", Map.of("address", "127.0.0.1:" + verge.standIn().receiverPort(), "name", "rover"));
        post("/receiver/corrections", Map.of("caster", "127.0.0.1:" + verge.standIn().casterPort(), "mountpoint", "GALLERY"));
        until(() -> verge.bean(ReceiverDesk.class).snapshot(Seat.rover(job.id())).filter(s -> s.now().isPresent() && s.base().isPresent())
                .isPresent());
        Codebook book = verge.bean(Codebooks.class).of(job.id());
        UUID string = UUID.randomUUID();
        int[] shots = {0};
        Runnable shot = () -> journals.append(job.id(), Author.atPage("surveyor"),
                ReceiverWork.another("N" + shots[0]++, string));
        shot.run();
        double picture = Bench.millis(() -> verge.bean(ReceiverViews.class).view(job.id(), state()));
        double[] doubts = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            shot.run();
            Journal journal = journal();
            Entry last = journal.entries().get(journal.entries().size() - 1);
            long began = System.nanoTime();
            ShotDoubts.of(journal, last, book);
            doubts[i] = (System.nanoTime() - began) / 1e6;
        }
        Map<Double, String> pages = new TreeMap<>(Comparator.reverseOrder());
        for (String path : PAGES) {
            page("/" + path);
            pages.put(warm(path, shot), path);
        }
        StringBuilder slowest = new StringBuilder();
        pages.entrySet().stream().limit(8).forEach(e -> slowest.append(String.format(" %s %.1f", e.getValue(), e.getKey())));
        Bench.say("%d receiver points: a picture of the receiver %.3f ms, a shot's doubts %.3f ms; pages just after a shot, the slowest "
                + "first:%s ms", size, picture, Bench.median(doubts), slowest);
    }

    /** Just after a shot: nothing that was made for an earlier page fits any more. */
    private double warm(String path, Runnable shot) {
        double[] taken = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            shot.run();
            long began = System.nanoTime();
            page("/" + path);
            taken[i] = (System.nanoTime() - began) / 1e6;
        }
        return Bench.median(taken);
    }
}
