package verge.app.importing;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.coding.Codebooks;
import verge.app.drawing.DrawingLibrary;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.ReadAs;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.check.SiteContent;
import verge.core.coding.PointName;
import verge.core.drawing.Changes;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;
import verge.formats.codebook.CodebookReader;
import verge.formats.csv.Column;
import verge.formats.csv.PointCsvProbe;
import verge.formats.reading.FileKind;
import verge.formats.text.TextEncoding;

/** Gives files of a site their role: looked at first, then used whole or not at all. */
@Service
public class ImportService {
    private final JournalService journals;
    private final SiteFileService files;
    private final DrawingLibrary library;
    private final Codebooks codebooks;

    ImportService(JournalService journals, SiteFileService files, DrawingLibrary library, Codebooks codebooks) {
        this.journals = journals;
        this.files = files;
        this.library = library;
        this.codebooks = codebooks;
    }

    /**
     * How a table of points would be read.
     *
     * @param missing needed columns that nothing was chosen for; then nothing can be read
     * @param orderUnsaid whether neither the file nor anybody has said which coordinate comes first
     * @param footUnsaid whether the file says a foot and neither it nor anybody which, and it matters
     */
    public record TableLook(TextEncoding encoding, PointCsvProbe.Proposal proposal, ReadAs readAs, List<Column> missing,
            boolean orderUnsaid, boolean footUnsaid) {
        public boolean asks() {
            return !missing.isEmpty() || orderUnsaid || footUnsaid;
        }
    }

    FileKind kind(SiteFile file) {
        try {
            return FileKind.of(files.path(file));
        } catch (IOException failed) {
            throw new SurveyException(Problem.FILE_UNREADABLE, file.name());
        }
    }

    /** Looks at a table's first lines: how it would be read, and what has to be asked. */
    TableLook look(SiteFile file, FileChoice choice, Figures figures) {
        Path path = files.path(file);
        LengthUnit unit = figures.lengthUnit();
        try {
            TextEncoding encoding = TextEncoding.of(path);
            ReadAs kept = library.readAs(file, figures);
            Character separator = choice.separatorCharacter() == null ? (Character) kept.table().separator()
                    .charAt(0) : choice.separatorCharacter();
            PointCsvProbe.Proposal proposal = PointCsvProbe.propose(path, encoding, separator, unit);
            boolean sameSeparator = kept.table().separator().equals(separator.toString());
            ReadAs base = sameSeparator ? kept : kept.with(ReadAs.Table.of(proposal.layout(), proposal.columnCount()));
            ReadAs readAs = choice.fitting(proposal.columnCount()).over(base);
            List<Column> missing = Arrays.stream(Column.values()).filter(c -> c.needed() && readAs.table().layout().index(c).isEmpty())
                    .toList();
            boolean settled = file.reading().isPresent();
            return new TableLook(encoding, proposal, readAs, missing,
                    !settled && !proposal.said().order() && !proposal.said().degrees() && !choice.saysOrder(),
                    !settled && proposal.said().footMatters() && choice.unit() == null && !figures.lengthUnit().isFoot());
        } catch (IOException failed) {
            throw new SurveyException(Problem.FILE_UNREADABLE, file.name());
        }
    }

    /**
     * Gives a file its role, and takes its points on if that is control.
     *
     * @param job in whose grid it lies, and which takes control on
     * @return the file as the job sees it now; empty for a table of codes
     * @throws SurveyException COLUMN_MISSING, FILE_HAS_FAULTS, ORDER_UNSAID, FOOT_UNSAID, ROLE_UNFIT, POINT_NAME_TAKEN, or what its reader
     *     says
     */
    public Optional<PlacedFile> use(UUID job, SiteFile file, FileChoice choice, Author author) {
        Role role = choice.role() == null ? file.role().orElse(Role.CONTROL) : choice.role();
        JobState state = journals.state(job);
        if (role == Role.CODEBOOK) {
            useCodebook(file, choice);
            return Optional.empty();
        }
        ReadAs readAs = readAs(file, choice, state.settings().figures());
        PlacedFile looked = library.placedNow(file, state.geodesy(), Optional.of(readAs));
        if (looked.refused().isPresent()) {
            throw looked.refused().get();
        }
        if (role.known() && points(looked).isEmpty()) {
            throw new SurveyException(Problem.ROLE_UNFIT, file.name(), role.word());
        }
        if (role == Role.CONTROL) {
            requireFree(journals.journal(job), file, looked);
        }
        files.decide(file.siteId(), file.id(), role, library.text(readAs));
        PlacedFile used = library.placedNow(files.file(file.siteId(), file.id()), state.geodesy(), Optional.empty());
        if (role == Role.CONTROL) {
            takeControl(job, used, author);
        }
        return Optional.of(used);
    }

    /** How the file is to be read by what was chosen. */
    ReadAs readAs(SiteFile file, FileChoice choice, Figures figures) {
        if (kind(file) != FileKind.TABLE) {
            return choice.over(library.readAs(file, figures));
        }
        TableLook look = look(file, choice, figures);
        if (!look.missing().isEmpty()) {
            throw new SurveyException(Problem.COLUMN_MISSING, look.missing().get(0).name().toLowerCase(Locale.ROOT));
        }
        if (look.orderUnsaid()) {
            throw new SurveyException(Problem.ORDER_UNSAID, file.name());
        }
        if (look.footUnsaid()) {
            throw new SurveyException(Problem.FOOT_UNSAID, file.name());
        }
        return look.readAs();
    }

    private void useCodebook(SiteFile file, FileChoice choice) {
        CodebookReader.Result look = codes(file, choice);
        if (!look.faults().isEmpty()) {
            throw new SurveyException(Problem.CODES_HAVE_FAULTS, look.faults().size());
        }
        files.decide(file.siteId(), file.id(), Role.CODEBOOK, look.layout().map(codebooks::text).orElse(null));
    }

    /** A file as a table of codes, read as was chosen. */
    CodebookReader.Result codes(SiteFile file, FileChoice choice) {
        CodebookReader.Result proposed = codebooks.look(file);
        return choice.codes() == null || proposed.layout().isEmpty() ? proposed
                : codebooks.look(file, proposed.layout().map(choice.codes()::over));
    }

    /** Its named points in the order of the file; of a name that is there twice, the first. */
    private static List<NamedPosition> points(PlacedFile placed) {
        Map<PointName, NamedPosition> found = new LinkedHashMap<>();
        placed.drawing().spots().flatMap(s -> SiteContent.point(s).stream()).forEach(p -> found.putIfAbsent(p.name(), p));
        return List.copyOf(found.values());
    }

    /** Entries by which control of a file, or of an earlier version of it, has been taken on and that still stand. */
    private List<Entry> imports(Journal journal, SiteFile file) {
        Set<String> versions = Stream.concat(Stream.of(file), files.earlier(file).stream()).map(SiteFile::sha256)
                .collect(Collectors.toSet());
        return journal.entries().stream().filter(e -> !journal.state().isStruck(e.id()) && e.payload() instanceof PointsImported p
                && versions.contains(p.sha256()) && p.origin() == Origin.CONTROL).toList();
    }

    /** Names that the job has from elsewhere: then nothing is taken. */
    private void requireFree(Journal journal, SiteFile file, PlacedFile looked) {
        List<UUID> own = imports(journal, file).stream().map(Entry::id).toList();
        points(looked).forEach(given -> journal.state().points().find(given.name(), Origin.CONTROL).filter(p -> !own.contains(p.entry()))
                .ifPresent(p -> {
            throw new SurveyException(Problem.POINT_NAME_TAKEN, p.name().text());
        }));
    }

    /**
     * Takes a file's points on. Those of an earlier reading or version of it are struck through, so that each counts once; but not
     * where a setup stands on them, since what was measured from it would go too: there the later ones count from now on.
     */
    private void takeControl(UUID job, PlacedFile placed, Author author) {
        Payload taken = new PointsImported(Origin.CONTROL, placed.file().name(), placed.file().sha256(), points(placed));
        journals.appendTogether(job, author, before -> Stream.concat(imports(before, placed.file()).stream()
                .filter(e -> before.pointsThatGoWith(e.id()) == before.state().points().of(e.id()).size()).map(e -> new Struck(e.id())),
                Stream.of(taken)).toList());
    }

    /**
     * Understands a file's figures otherwise from now on, for all jobs of its site.
     *
     * @param job that takes its control on anew, if it had
     */
    public void reread(UUID job, SiteFile file, FileCoordinates coordinates, Author author) {
        JobState state = journals.state(job);
        ReadAs readAs = library.readAs(file, state.settings().figures()).with(coordinates);
        files.decide(file.siteId(), file.id(), file.role().orElseThrow(), library.text(readAs));
        if (!imports(journals.journal(job), file).isEmpty() && file.role().equals(Optional.of(Role.CONTROL))) {
            takeControl(job, library.placedNow(files.file(file.siteId(), file.id()), state.geodesy(), Optional.empty()), author);
        }
    }

    /** Gives a file that is in use another role. */
    public void changeRole(UUID job, SiteFile file, Role role, Author author) {
        use(job, file, FileChoice.of(role), author);
    }

    /**
     * What a newer version changes against an older one; both in the job's grid, the newer read as the older if it does not say otherwise.
     */
    Changes changes(UUID job, SiteFile older, SiteFile newer, Optional<ReadAs> readAs) {
        JobState state = journals.state(job);
        return Changes.between(library.placedNow(older, state.geodesy(), Optional.empty()).drawing(),
                library.placedNow(newer, state.geodesy(), readAs.or(() -> Optional.of(library.readAs(older, state.settings().figures()))))
                .drawing());
    }

    /** Gives a newer version the role of the older and lets it count in its place. */
    void supersede(UUID job, SiteFile older, SiteFile newer, FileChoice choice, Author author) {
        Role role = choice.role() == null ? older.role().orElseThrow() : choice.role();
        if (role == Role.CODEBOOK) {
            useCodebook(newer, choice);
        } else {
            ReadAs readAs = readAs(newer, choice, journals.state(job).settings().figures());
            library.placedNow(newer, journals.state(job).geodesy(), Optional.of(readAs)).refused().ifPresent(refused -> {
                throw refused;
            });
            files.decide(newer.siteId(), newer.id(), role, library.text(readAs));
        }
        replace(job, older, files.file(newer.siteId(), newer.id()), author);
    }

    /** Lets a newer version count in place of an older one; control that the job took on from the old is taken on from the new. */
    public void replace(UUID job, SiteFile older, SiteFile newer, Author author) {
        boolean taken = !imports(journals.journal(job), older).isEmpty() && older.role().equals(Optional.of(Role.CONTROL));
        files.replace(older.siteId(), older.id(), newer.id());
        SiteFile now = files.file(newer.siteId(), newer.id());
        if (taken && now.role().equals(Optional.of(Role.CONTROL))) {
            takeControl(job, library.placedNow(now, journals.state(job).geodesy(), Optional.empty()), author);
        }
    }
}
