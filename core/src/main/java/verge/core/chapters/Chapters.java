package verge.core.chapters;

import java.util.List;
import java.util.stream.Stream;
import verge.core.attributes.AttributeEntries;
import verge.core.base.BaseEntries;
import verge.core.calibration.CalibrationEntries;
import verge.core.check.FindingEntries;
import verge.core.cogo.ComputedEntries;
import verge.core.drawing.DesignEntries;
import verge.core.enclosure.EnclosureEntries;
import verge.core.fit.FitEntries;
import verge.core.floor.FloorEntries;
import verge.core.gaps.GapEntries;
import verge.core.job.Journal;
import verge.core.journal.Chapter;
import verge.core.journal.Entry;
import verge.core.journal.Fold;
import verge.core.journal.Sheet;
import verge.core.journal.Unread;
import verge.core.leaf.LeafEntries;
import verge.core.measure.ShotEntries;
import verge.core.points.PointEntries;
import verge.core.points.PointsKept;
import verge.core.points.PointsPlaced;
import verge.core.occupation.OccupationEntries;
import verge.core.occupation.StoodKept;
import verge.core.pole.PoleEntries;
import verge.core.session.SessionEntries;
import verge.core.sets.SetEntries;
import verge.core.settings.Geoids;
import verge.core.settings.SettingsEntries;
import verge.core.stakeout.StakeEntries;
import verge.core.strings.StringEntries;
import verge.core.strings.StringsKept;

/** Which chapters there are: the one list of all kinds of entry. */
public final class Chapters {
    private Chapters() {
    }

    public static List<Chapter<?>> all(Geoids geoids) {
        return Stream.of(SettingsEntries.chapters(geoids), PointEntries.chapters(), PoleEntries.chapters(), LeafEntries.chapters(),
                ShotEntries.chapters(), BaseEntries.chapters(), OccupationEntries.chapters(), SessionEntries.chapters(),
                SetEntries.chapters(),
                CalibrationEntries.chapters(), StakeEntries.chapters(), ComputedEntries.chapters(), FitEntries.chapters(),
                DesignEntries.chapters(), FloorEntries.chapters(), FindingEntries.chapters(), StringEntries.chapters(),
                AttributeEntries.chapters(), EnclosureEntries.chapters(), GapEntries.chapters(), List.<Chapter<?>>of(Unread.chapter()))
                .<Chapter<?>>flatMap(List::stream).toList();
    }

    /** What is kept of what entries come to. */
    static List<Fold<?, ?, ?>> folds() {
        return List.of(PointsKept.FOLD, PointsPlaced.FOLD, StringsKept.FOLD, StoodKept.FOLD);
    }

    /** As {@link #replay(List, Geoids)}, for entries that name no geoid grid. */
    public static Journal replay(List<Entry> entries) {
        return replay(entries, Geoids.NONE);
    }

    /** @throws IllegalArgumentException if the entries are not numbered 1, 2, 3 … or do not begin with the job's settings */
    public static Journal replay(List<Entry> entries, Geoids geoids) {
        return new Journal(Sheet.blank(all(geoids), folds()).with(entries));
    }
}
