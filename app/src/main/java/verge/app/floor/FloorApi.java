package verge.app.floor;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.floor.Storey;
import verge.core.floor.WorkFloor;
import verge.core.geodesy.Elevation;

/** Floors for programs. */
@RestController
class FloorApi {
    private final FloorService floors;
    private final JournalService journals;

    FloorApi(FloorService floors, JournalService journals) {
        this.floors = floors;
        this.journals = journals;
    }

    /**
     * A floor in metres of the job's heights.
     *
     * @param from lowest elevation that belongs to it
     * @param below elevation from which on things are the next floor's; null for the highest
     */
    record FloorBody(String name, double level, double from, Double below) {
        static FloorBody of(Storey s) {
            return new FloorBody(s.floor().name(), s.floor().level().metres(), s.from().metres(),
                    s.to().map(Elevation::metres).orElse(null));
        }
    }

    /** @param here name of the floor that is worked on; empty while all are */
    record FloorsBody(List<FloorBody> floors, String here) {
        static FloorsBody of(WorkFloor work) {
            return new FloorsBody(work.floors().storeys().stream().map(FloorBody::of).toList(),
                    work.here().map(s -> s.floor().name()).orElse(""));
        }
    }

    @Operation(summary = "A job's floors",
            description = "Lowest first, with the heights that belong to each and the one that is worked on.")
    @GetMapping("/api/v1/jobs/{job}/floors")
    FloorsBody floors(@PathVariable UUID job) {
        return FloorsBody.of(journals.state(job).floor());
    }

    /** A floor as a program names it. @param level text as it is typed: a length in the job's unit or with its own, or a point's name */
    record NamedFloor(String name, String level) {
    }

    @Operation(summary = "Name a job's floors", description = "In place of those there were, in any order.")
    @PutMapping("/api/v1/jobs/{job}/floors")
    FloorsBody name(@PathVariable UUID job, @RequestBody List<NamedFloor> named, Principal person) {
        floors.name(job, named.stream().map(f -> Objects.toString(f.name(), "")).toList(),
                named.stream().map(f -> Objects.toString(f.level(), "")).toList(),
                Author.ofProgram(person.getName()));
        return floors(job);
    }

    /** @param here name of a floor; null or empty for all of them */
    record Here(String here) {
    }

    @Operation(summary = "Work on a floor", description = "Sketch and lists of names then show what belongs to it.")
    @PutMapping("/api/v1/jobs/{job}/floors/here")
    FloorsBody workOn(@PathVariable UUID job, @RequestBody Here wanted, Principal person) {
        floors.workOn(job, Objects.toString(wanted.here(), ""), Author.ofProgram(person.getName()));
        return floors(job);
    }
}
