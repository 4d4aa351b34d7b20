package verge.app.session;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.files.Originals;
import verge.app.journal.JournalService;
import verge.app.receiver.SatelliteWords;
import verge.core.base.Base;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.Journal;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.Broadcast;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.SatelliteId;
import verge.core.session.RawOf;
import verge.core.session.RawSummary;
import verge.core.session.Session;
import verge.core.session.SessionBegun;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.formats.rinex.RinexNavigationWriter;
import verge.formats.rinex.RinexObservationWriter;
import verge.instruments.rawlog.RawLogReader;
import verge.instruments.rtcm.RtcmMessage;

/**
 * The raw observations of sessions as they came from the receiver, and as RINEX with what the book says of them now: an antenna's height
 * that is corrected is corrected in the next file.
 */
@Component
class SessionFiles {
    private static final int DIGEST_HALF = 32;
    private static final int HEIGHT_DECIMALS = 4;
    /** The message in which a receiver names itself and its antenna. */
    private static final int EQUIPMENT = 1033;

    private final Originals originals;
    private final JournalService journals;

    SessionFiles(Originals originals, JournalService journals) {
        this.originals = originals;
        this.journals = journals;
    }

    /** A session with its raw file. */
    record Raw(Journal journal, Session session, SessionFetched fetched, Path path) {
    }

    /** @throws SurveyException NO_SESSION */
    static Session session(JobState state, UUID entry) {
        return state.all(new Sessions()).stream().filter(s -> s.entry().equals(entry)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NO_SESSION));
    }

    /** @throws SurveyException NO_SESSION, SESSION_NOT_FETCHED, ORIGINAL_ELSEWHERE */
    Raw raw(UUID job, UUID entry) {
        Journal journal = journals.journal(job);
        Session session = session(journal.state(), entry);
        SessionFetched fetched = journal.state().latest(new RawOf(entry))
                .orElseThrow(() -> new SurveyException(Problem.SESSION_NOT_FETCHED, session.said().name().file()));
        return new Raw(journal, session, fetched, originals.require(fetched.file()));
    }

    /** What a whole file comes to. @param begun when its session did @throws SurveyException RAW_UNREADABLE without a single epoch */
    static RawSummary summary(Path file, String name, SessionBegun said, Instant begun) throws IOException {
        Skimmed skimmed = new Skimmed(said.seconds());
        read(file, begun, skimmed);
        return skimmed.counter.summary(skimmed.equipment.receiver(), skimmed.equipment.antenna())
                .orElseThrow(() -> new SurveyException(Problem.RAW_UNREADABLE, name));
    }

    private static void read(Path file, Instant begun, RawLogReader.Told told) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            RawLogReader.read(in, GpsTime.ofUtc(begun), told);
        }
    }

    /** What is to be known of a file before its first epoch is written, and stands anywhere in it. */
    private static final class Skimmed implements RawLogReader.Told {
        private final Map<SatelliteId, Integer> channels = new HashMap<>();
        private final RawSummary.Counter counter;
        private final Map<String, Integer> notKept = new TreeMap<>();
        private RtcmMessage.Equipment equipment = new RtcmMessage.Equipment(EQUIPMENT, 0, "", 0, "", "", "", "");

        Skimmed(int seconds) {
            counter = new RawSummary.Counter(seconds);
        }

        @Override
        public void epoch(ObservationEpoch epoch) {
            counter.take(epoch);
        }

        @Override
        public void broadcast(Broadcast of) {
            if (of instanceof Broadcast.Moving moving) {
                channels.put(moving.satellite(), moving.channel());
            }
        }

        @Override
        public void other(SatelliteId satellite, int signal) {
            notKept.merge(satellite.system() + " signal " + signal, 1, Integer::sum);
        }

        @Override
        public void equipment(RtcmMessage.Equipment of) {
            equipment = of;
        }
    }

    /** Observations as RINEX 3. @param agency whose work it is */
    void observations(Raw raw, String agency, OutputStream out) throws IOException {
        Skimmed skimmed = new Skimmed(raw.session().said().seconds());
        read(raw.path(), raw.session().begun(), skimmed);
        Writer text = new OutputStreamWriter(out, StandardCharsets.US_ASCII);
        RinexObservationWriter writer = new RinexObservationWriter(text);
        writer.header(header(raw, agency, skimmed));
        read(raw.path(), raw.session().begun(), writer::epoch);
        text.flush();
    }

    /** What the satellites said of themselves as RINEX 3, each once. */
    void navigation(Raw raw, String agency, OutputStream out) throws IOException {
        Writer text = new OutputStreamWriter(out, StandardCharsets.US_ASCII);
        RinexNavigationWriter writer = new RinexNavigationWriter(text);
        writer.header(agency, raw.fetched().summary().first(), Instant.now());
        Map<SatelliteId, GpsTime> told = new HashMap<>();
        read(raw.path(), raw.session().begun(), new RawLogReader.Told() {
            @Override
            public void epoch(ObservationEpoch epoch) {
                // they are in the other file
            }

            @Override
            public void broadcast(Broadcast of) throws IOException {
                if (!of.best().equals(told.put(of.satellite(), of.best()))) {
                    writer.write(of);
                }
            }
        });
        text.flush();
    }

    private static RinexObservationWriter.Header header(Raw raw, String agency, Skimmed skimmed) {
        SessionBegun said = raw.session().said();
        Entry begun = raw.journal().entry(raw.session().entry()).orElseThrow();
        RtcmMessage.Equipment equipment = skimmed.equipment;
        double height = raw.session().height().orElseThrow(() -> new SurveyException(Problem.ANTENNA_HEIGHT_MISSING)).metres();
        String digest = raw.fetched().file().sha256();
        return new RinexObservationWriter.Header(said.mark().text(), "", begun.person(), agency,
                List.of(equipment.receiverSerial(), equipment.receiver(), equipment.firmware()),
                List.of(equipment.antennaSerial(), said.antenna().model().name()),
                about(raw), height, said.seconds(), GpsTime.ofUtc(raw.fetched().summary().first()), skimmed.channels, Instant.now(),
                Stream.concat(Stream.of("Session " + said.name().letter() + " of " + said.mark(), "from " + raw.fetched().file().name(),
                "SHA-256 " + digest.substring(0, DIGEST_HALF), "        " + digest.substring(DIGEST_HALF),
                        "Antenna height as measured: " + Decimals.print(said.antenna().height().measured().metres(), HEIGHT_DECIMALS)
                        + " m, to " + SatelliteWords.word(said.antenna().height().to())),
                        skimmed.notKept.entrySet().stream()
                        .map(e -> "Not written: " + e.getValue() + " x " + e.getKey() + " as RTCM 10403 counts")).toList());
    }

    /** The mark as the job knows it, else as the sky said; nought if nobody did. */
    private static EarthCentred about(Raw raw) {
        JobState state = raw.journal().state();
        SessionBegun said = raw.session().said();
        Optional<EarthCentred> known = state.points().mark(said.mark()).or(() -> state.points().find(said.mark()))
                .map(StoredPoint::position)
                .flatMap(state.geodesy()::earth).map(p -> EarthCentred.of(p, ReferenceEllipsoid.WGS84));
        return known.or(() -> said.about().map(a -> Base.below(a, raw.session().height().orElse(Length.ZERO))))
                .orElse(new EarthCentred(0, 0, 0));
    }
}
