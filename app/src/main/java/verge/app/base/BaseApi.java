package verge.app.base;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.rework.Seen;
import verge.core.base.Base;
import verge.core.base.EndOf;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.occupation.ControlSeen;
import verge.core.units.Length;

/** Bases of a job and what was held against known marks, for programs. */
@RestController
@RequestMapping("/api/v1/jobs/{job}")
class BaseApi {
    private final JournalService journals;
    private final BaseCorrections corrections;

    BaseApi(JournalService journals, BaseCorrections corrections) {
        this.journals = journals;
        this.corrections = corrections;
    }

    /**
     * @param entry that set it up
     * @param until null while it has not been ended
     * @param latitude of its mark on WGS 84, in degrees
     * @param northing in the job's grid, in metres; null where that is not on the earth, as easting and elevation
     * @param provisional whether only the sky has said where it stands
     * @param points how many were measured from it
     */
    record OwnBaseBody(UUID entry, String mark, int number, Instant from, Instant until, double latitude, double longitude,
            double ellipsoidHeight, Double northing, Double easting, Double elevation, boolean provisional, long points) {
    }

    /**
     * @param against the entry of the earlier time; null where it is held against what is known
     * @param north measured less known, in metres, as the others
     */
    record ControlSeenBody(UUID entry, String mark, Instant at, UUID against, double north, double east, Double up, boolean within) {
    }

    @Operation(summary = "The bases of a job",
            description = "Where each is known to be now, whether that is provisional, how many points rest on it; metres, degrees.")
    @GetMapping("/bases")
    List<OwnBaseBody> bases(@PathVariable UUID job) {
        Journal journal = journals.journal(job);
        return journal.state().bases().all().stream().map(b -> body(journal, b)).toList();
    }

    private static OwnBaseBody body(Journal journal, Base base) {
        JobState state = journal.state();
        EarthPlace place = base.ground().place(ReferenceEllipsoid.WGS84);
        Optional<Position> grid = state.geodesy().position(place);
        Instant until = state.latest(new EndOf(base.entry())).flatMap(journal::entry).map(Entry::at).orElse(null);
        return new OwnBaseBody(base.entry(), base.mark().text(), base.sent().station(),
                journal.entry(base.entry()).map(Entry::at).orElseThrow(), until, place.position().latitude().degrees(),
                place.position().longitude().degrees(), place.height().metres(),
                grid.map(p -> p.plan().northing()).orElse(null), grid.map(p -> p.plan().easting()).orElse(null),
                grid.flatMap(Position::elevation).map(Elevation::metres).orElse(null), base.provisional(),
                state.bases().measuredFrom(base));
    }

    @Operation(summary = "Marks that receivers stood on", description =
            "Each against what is known of it, and against the time before; metres.")
    @GetMapping("/control-seen")
    List<ControlSeenBody> seen(@PathVariable UUID job) {
        return ControlSeen.of(journals.state(job)).stream()
                .map(c -> new ControlSeenBody(c.stood().entry(), c.stood().name().text(), c.stood().at(),
                c.against().map(a -> a.entry()).orElse(null), c.north().metres(), c.east().metres(),
                c.up().map(Length::metres).orElse(null), c.within())).toList();
    }

    /**
     * @param fields from: KNOWN with mark, or TYPED with northing, easting and elevation, as on the page; sure, if it is right although the
     *     sky said otherwise
     * @param asOf as for other corrections
     */
    record BaseCorrection(UUID id, Map<String, String> fields, String reason, Long asOf) {
        private BaseForm form() {
            return new BaseForm(new Answers(fields == null ? Map.of() : fields));
        }
    }

    @Operation(summary = "What another place of a base would move", description = "Nothing is written.")
    @PostMapping("/bases/{entry}/corrections/preview")
    Seen preview(@PathVariable UUID job, @PathVariable UUID entry, @RequestBody BaseCorrection said) {
        return Seen.of(corrections.preview(job, entry, said.form()));
    }

    @Operation(summary = "Say where a base truly stood", description =
            "All that was measured from it, and from bases that came back to its mark, follows; a reason is needed.")
    @PostMapping("/bases/{entry}/corrections")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void write(@PathVariable UUID job, @PathVariable UUID entry, @RequestBody BaseCorrection said, Principal person) {
        corrections.write(job, entry, said.form(), said.reason() == null ? "" : said.reason(),
                said.asOf() == null ? OptionalLong.empty() : OptionalLong.of(said.asOf()),
                new Author(said.id() == null ? UUID.randomUUID() : said.id(), person.getName(), "program"));
    }
}
