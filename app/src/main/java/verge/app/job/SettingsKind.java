package verge.app.job;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Wire;
import verge.core.journal.Entry;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;

/** Settings chosen, in journals and in the book. */
@Component
final class SettingsKind extends EntryKind<SettingsChosen> {
    private final SettingsWords words;

    SettingsKind(SettingsWords words) {
        super(SettingsChosen.class, "settings", 3, "settings");
        this.words = words;
    }

    @Override
    public Wire<SettingsChosen> wire() {
        return SettingsWires.TODAY;
    }

    @Override
    public Map<Integer, Wire<SettingsChosen>> earlier() {
        return Map.of(1, SettingsWires.FLAT_SITE, 2, SettingsWires.WITHOUT_CLOCKS);
    }

    @Override
    public String text(SettingsChosen says, InBook in) {
        return before(in, says).map(before -> words.changes(before, says.settings())).orElseGet(() -> words.brief(says.settings()));
    }

    /** The settings that stood when others were chosen. */
    private static Optional<JobSettings> before(InBook in, SettingsChosen chosen) {
        return in.journal().entries().stream().map(Entry::payload).takeWhile(p -> p != chosen).filter(SettingsChosen.class::isInstance)
                .reduce((first, next) -> next).map(p -> ((SettingsChosen) p).settings());
    }

    @Override
    public Stream<Value<SettingsChosen>> values(SettingsChosen says, InBook in) {
        return Stream.empty();
    }

    @Override
    public String saidAnew() {
        return "settings";
    }
}
