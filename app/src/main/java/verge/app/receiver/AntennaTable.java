package verge.app.receiver;

import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.app.form.Answers;
import verge.app.files.ReadingAside;
import verge.app.job.JobService;
import verge.app.journal.ValueJson;
import verge.app.problem.TriedAgain;
import verge.app.words.Words;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaModel;
import verge.core.units.LengthUnit;
import verge.formats.antex.AntennaFile;

/** The antennas of a site, by name: typed from the maker's drawing, or taken out of an open antenna file. */
@Service
public class AntennaTable {
    private static final int LONGEST_NAME = 20;
    private static final double FARTHEST_METRES = 0.9;
    private static final int OFFERED = 8;

    private final SiteAntennaRepository antennas;
    private final ReadingAside aside;
    private final JobService jobs;
    private final ValueJson json;

    AntennaTable(SiteAntennaRepository antennas, JobService jobs, ValueJson json, ReadingAside aside) {
        this.aside = aside;
        this.antennas = antennas;
        this.jobs = jobs;
        this.json = json;
    }

    public List<AntennaModel> of(UUID job) {
        return antennas.findBySiteIdOrderByName(jobs.job(job).siteId()).stream().map(this::model).toList();
    }

    private AntennaModel model(SiteAntenna antenna) {
        return json.read(antenna.model(), AntennaModel.class);
    }

    /** By its name as RINEX has it, however many blanks it has before its dome. */
    public Optional<AntennaModel> named(UUID job, String name) {
        return of(job).stream().filter(a -> tight(a.name()).equals(tight(name))).findFirst();
    }

    /** A name that RINEX has room for. @throws SurveyException NAME_TOO_LONG */
    private static String fit(String typed) {
        String name = tight(typed);
        if (name.length() > LONGEST_NAME) {
            throw new SurveyException(Problem.NAME_TOO_LONG, name.substring(0, LONGEST_NAME), LONGEST_NAME, "antenna");
        }
        return name;
    }

    /** The antenna of that name, or one of which nothing but the name is known. @throws SurveyException NAME_TOO_LONG */
    AntennaModel antenna(UUID job, String typed) {
        String name = fit(typed);
        return named(job, name).orElseGet(() -> new AntennaModel(name, Optional.empty(), 0, Map.of()));
    }

    public static String tight(String name) {
        return name.strip().replaceAll(" +", " ");
    }

    /**
     * Keeps an antenna that was typed: 'name', 'mount' (its reference point above what it is screwed onto), 'rimRadius' and 'rimAbove';
     * both of the rim or none. One of that name keeps what a file said of its signals.
     *
     * @throws SurveyException MISSING, NAME_TOO_LONG, NOT_A_LENGTH, OUT_OF_RANGE
     */
    @TriedAgain
    @Transactional
    public AntennaModel type(UUID job, Answers a, LengthUnit unit) {
        String name = fit(a.required("name", Words.of("receiver.antennas-name")));
        Optional<Double> radius = a.metres("rimRadius", Words.of("receiver.rims-radius"), unit, FARTHEST_METRES);
        Optional<Double> above = a.metres("rimAbove", Words.of("receiver.rim-above-the-reference-point"), unit, FARTHEST_METRES);
        if (radius.isPresent() != above.isPresent()) {
            throw new SurveyException(Problem.MISSING, radius.isPresent() ? Words.of("receiver.rim-above-the-reference-point")
                    : Words.of("receiver.rims-radius"));
        }
        if (radius.filter(r -> r <= 0).isPresent()) {
            throw new SurveyException(Problem.OUT_OF_RANGE, Words.of("receiver.rims-radius"), a.text("rimRadius"), "0", "0.9 m");
        }
        Map<String, AntennaModel.Centre> centres = named(job, name).map(AntennaModel::centres).orElse(Map.of());
        return keep(job, new AntennaModel(name, radius.map(r -> new AntennaModel.Rim(r, above.orElseThrow())),
                a.metres("mount", Words.of("receiver.reference-point-above-the-mount"), unit, FARTHEST_METRES).orElse(0.0), centres));
    }

    private AntennaModel keep(UUID job, AntennaModel model) {
        UUID site = jobs.job(job).siteId();
        SiteAntenna kept = antennas.findBySiteIdAndName(site, model.name()).orElseGet(() -> new SiteAntenna(site, model.name(), ""));
        kept.model(json.text(model));
        antennas.save(kept);
        return model;
    }

    /**
     * All antennas of a file.
     *
     * @param name of the file, for words alone
     * @param ticket by which the reading may be stopped; empty if nobody will
     * @throws SurveyException ANTENNA_FILE_UNREADABLE, READING_TOO_LONG, READING_STOPPED
     */
    public List<AntennaModel> read(InputStream file, String name, String ticket) {
        return aside.read(ticket, name, watch -> AntennaFile.read(new InputStreamReader(file, StandardCharsets.ISO_8859_1), watch));
    }

    /**
     * Takes one antenna out of those of a file; what was typed of its rim and its mount stays.
     *
     * @throws SurveyException ANTENNA_NOT_IN_FILE with what it has instead
     */
    @TriedAgain
    @Transactional
    public AntennaModel take(UUID job, List<AntennaModel> all, String name) {
        String wanted = tight(name);
        AntennaModel found = all.stream().filter(m -> tight(m.name()).equals(wanted)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.ANTENNA_NOT_IN_FILE, wanted.isEmpty() ? "\u2013" : wanted,
                near(all, wanted)));
        Optional<AntennaModel> before = named(job, wanted);
        return keep(job, new AntennaModel(wanted, before.flatMap(AntennaModel::rim),
                before.map(AntennaModel::referenceAboveMount).orElse(0.0), found.centres()));
    }

    private static String near(List<AntennaModel> all, String wanted) {
        String begins = wanted.substring(0, Math.min(3, wanted.length()));
        List<String> offered = all.stream().map(m -> tight(m.name())).filter(n -> n.startsWith(begins)).distinct().toList();
        return offered.isEmpty() ? all.size() + " others" : offered.stream().limit(OFFERED).collect(Collectors.joining(", "))
                + (offered.size() > OFFERED ? Words.of("receiver.and-more") : "");
    }
}
