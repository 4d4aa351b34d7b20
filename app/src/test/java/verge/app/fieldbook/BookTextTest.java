package verge.app.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.support.Books;
import verge.app.support.VergeServer;
import verge.app.words.StationWords;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.cogo.InverseNoted;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.job.Deed;
import verge.core.journal.Entry;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.leaf.StationSetUp;
import verge.core.measure.ShotTaken;
import verge.core.points.PointKeyed;
import verge.core.points.PointSeen;
import verge.core.pole.TargetChosen;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.sets.MarkCarried;
import verge.core.sets.SetLimits;
import verge.core.sets.SetMark;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.setup.Arrangement;
import verge.core.setup.Sighting;
import verge.core.stakeout.PointStaked;
import verge.core.stakeout.Tolerance;
import verge.core.units.Angle;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** The journal as a surveyor would write it, one line of each kind. */
@ExtendWith(VergeServer.class)
class BookTextTest {
    private final BookText text;
    private final TurnText turns;
    private Books book = new Books(Figures.metric());

    BookTextTest(VergeServer.Running verge) {
        text = verge.bean(BookText.class);
        turns = verge.bean(TurnText.class);
    }

    @Test
    void whatWasGivenIsToldWithItsSource() {
        assertThat(line(book.journal().entries().get(0)).text())
                .isEqualTo("metres, three decimals, azimuths in degrees, minutes, seconds, Flat site \u00d7 1.000000, ground distances");
        BookText.Line file = line(book.journal().entries().get(1));
        assertThat(file.kind()).isEqualTo("file");
        assertThat(file.text()).isEqualTo("2 control points from control.csv");
        assertThat(file.result()).isEmpty();
        BookText.Line keyed = line(book.add(new PointKeyed(new PointName("D1"), Code.NONE, Position.ofPlan(150, 100.5))));
        assertThat(keyed.text()).isEqualTo("D1  N 150.000  E 100.500");
        assertThat(keyed.result()).isEqualTo("N 150.000  E 100.500");
        BookText.Line prism = line(book.add(new TargetChosen(new Target(new Length(2), new Length(-0.0345)))));
        assertThat(prism.text()).isEqualTo("pole 2.000 m, prism \u221234.5 mm");
    }

    @Test
    void aSetupTellsItsChecksAndWhyItWasAccepted() {
        BookText.Line line = line(book.setUp("the pole slipped"));
        assertThat(line.kind()).isEqualTo("setup");
        assertThat(line.text()).isEqualTo(
                "station T1, backsight T2  hi 1.600\nT2  0\u00b000\u203200.0\u2033  90\u00b000\u203200.0\u2033  100.000");
        assertThat(line.result()).startsWith("leaf 1; distance ").contains(", height ").endsWith("; accepted because: the pole slipped");
        assertThat(line.raw()).isEqualTo("hz=0.0");
        assertThat(line.may().canStrike()).isTrue();
    }

    @Test
    void aShotIsTheReadingAsTakenWithWhatItComesTo() {
        UUID setup = book.setUp("").id();
        Entry shot = book.add(new ShotTaken(setup, new PointName("101"), new Code("KRB"), Books.reading(90, 50), Books.PRISM));
        BookText.Line line = line(shot);
        assertThat(line.kind()).isEqualTo("shot");
        assertThat(line.text()).startsWith("101 KRB  90\u00b000\u203200.0\u2033").endsWith("50.000");
        assertThat(line.result()).isEqualTo("N 100.000  E 150.000  H 10.000");
        assertThat(line.raw()).isEqualTo("hz=90.0");
        book.add(new Struck(shot.id()));
        assertThat(line(shot).struck()).isTrue();
        assertThat(line(shot).result()).isEmpty();
        assertThat(line(shot).raw()).as("the record stays").isEqualTo("hz=90.0");
    }

    /** Striking a setup takes all that was measured from it: the line says how much that is. */
    @Test
    void aLineTellsHowManyPointsGoWithIt() {
        assertThat(line(book.journal().entries().get(1)).may().points()).isEqualTo(2);
        Entry setup = book.setUp("");
        assertThat(line(setup).may().points()).isZero();
        UUID shot = book.add(new ShotTaken(setup.id(), new PointName("101"), Code.NONE, Books.reading(90, 50), Books.PRISM)).id();
        book.add(new ShotTaken(setup.id(), new PointName("102"), Code.NONE, Books.reading(80, 50), Books.PRISM));
        book.add(new PointStaked(setup.id(), new PointName("D1"), Position.of(100, 150, 10), Books.reading(90, 50), Books.PRISM,
                Tolerance.USUAL, ""));
        assertThat(line(setup).may().points()).isEqualTo(3);
        assertThat(line(book.journal().entries().get(1)).may().points()).as("without control no setup, without setup no shots")
                .isEqualTo(5);
        book.add(new Struck(shot));
        assertThat(line(setup).may().points()).isEqualTo(2);
        book.add(new Struck(setup.id()));
        assertThat(line(setup).may().points()).isZero();
    }

    @Test
    void theFootIsShort() {
        Entry setup = book.setUp("");
        assertThat(text.footLine(book.journal(), setup).text()).isEqualTo("station T1, backsight T2  hi 1.600");
        Entry shot = book.add(new ShotTaken(setup.id(), new PointName("101"), new Code("KRB"), Books.reading(90, 50), Books.PRISM));
        assertThat(text.footLine(book.journal(), shot).text()).isEqualTo("101 KRB  50.000  90\u00b000\u203200\u2033");
        assertThat(text.footLine(book.journal(), shot).spoken()).isEqualTo("101 KRB measured");
        Entry stake = book.add(new PointStaked(setup.id(), new PointName("D1"), Position.of(100, 150, 10), Books.reading(90, 50),
                Books.PRISM, Tolerance.USUAL, ""));
        assertThat(text.footLine(book.journal(), stake).text()).startsWith("staked D1  50.000");
        assertThat(text.footLine(book.journal(), stake).spoken()).isEqualTo("D1 staked");
        book.add(new Struck(stake.id()));
        assertThat(text.footLine(book.journal(), stake).struck()).isTrue();
    }

    @Test
    void strikesNameTheLineTheyStrikeAndCannotBeStruck() {
        UUID shot = book.add(new PointKeyed(new PointName("D1"), Code.NONE, Position.ofPlan(1, 2))).id();
        BookText.Line strike = line(book.add(new Struck(shot)));
        assertThat(strike.text()).isEqualTo("struck through line 3");
        assertThat(strike.may().canStrike()).isFalse();
        assertThat(line(book.add(new Restored(shot))).text()).isEqualTo("brought back line 3");
    }

    @Test
    void aStakeTellsHowFarItIsOff() {
        UUID setup = book.setUp("").id();
        BookText.Line line = line(book.add(new PointStaked(setup, new PointName("D1"), Position.of(100.01, 150.02, 9.9),
                Books.reading(90, 50), Books.PRISM,
                Tolerance.USUAL, "rock below")));
        assertThat(line.kind()).isEqualTo("stake");
        assertThat(line.result()).isEqualTo(
                "N 100.000  E 150.000  H 10.000  off N \u22120.010 m E \u22120.020 m H +0.100 m; kept because: rock below");
    }

    @Test
    void anInverseIsToldInTheJobsOwnFigures() {
        book = new Books(Figures.of(LengthUnit.US_SURVEY_FOOT, AngleUnit.DEGREES, DirectionStyle.QUADRANT, 3));
        BookText.Line line = line(book.add(new InverseNoted(PointSeen.named(new PointName("T2")), PointSeen.named(new PointName("T1")))));
        assertThat(line.text()).isEqualTo("T2 to T1");
        assertThat(line.result()).isEqualTo("S 0\u00b000\u203200\u2033 E  328.083 ftUS ground");
        assertThat(line(book.add(new InverseNoted(PointSeen.named(new PointName("T1")), PointSeen.named(new PointName("T1"))))).result())
                .isEmpty();
    }

    /**
     * The settings that places were taken along from are struck: what was taken back after them cannot come again, and the book is read all
     * the same.
     */
    @Test
    void whatCannotBeBroughtBackIsSaid() {
        book.add(new SettingsChosen(projected(32)));
        Entry carried = book.add(new SettingsChosen(projected(33), true));
        Entry undo = book.add(new Struck(carried.id()), Deed.UNDO);
        book.add(new Struck(book.journal().entries().get((int) carried.sequence() - 2).id()));
        TurnText.Turn redo = turns.of(book.journal(), book.journal().lastUndone().orElseThrow());
        assertThat(redo.seen()).isEqualTo(undo.id());
        assertThat(redo.effect()).isEqualTo("cannot be done as things are");
    }

    private static JobSettings projected(int zone) {
        return new JobSettings(Figures.metric(), SystemText.read("+proj=utm +zone=" + zone + " +ellps=GRS80 +towgs84=0,0,0"),
                new GeoidChoice.None(), Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE);
    }

    private BookText.Line line(Entry entry) {
        return text.line(book.journal(), entry);
    }

    /** Every kind of line has its word and a sentence, and what an instrument sent stays to be read. */
    @Test
    void whatIsDoneOnALeafIsTold() {
        UUID setup = book.setUp("").id();
        TotalStationReading reading = Books.reading(0, 100);
        BookText.Line check = line(book.add(new CheckTaken(setup, new PointName("T2"), reading, Books.PRISM)));
        assertThat(check.kind()).isEqualTo("check");
        assertThat(check.text()).startsWith("T2  0\u00b000");
        assertThat(check.raw()).isEqualTo("hz=0.0");
        Entry plan = book.add(new SetsPlanned(setup,
                List.of(new SetMark(new PointName("T2"), Books.PRISM), new SetMark(new PointName("N1"), Books.PRISM)), 3,
                new SetLimits(Angle.ofArcSeconds(30), Angle.ofArcSeconds(30), new Length(0.005))));
        assertThat(line(plan).text()).isEqualTo("3 sets on T2, N1");
        BookText.Line pointing = line(book.add(new SetPointing(plan.id(), 1, new PointName("T2"), Pointing.of(reading))));
        assertThat(pointing.kind()).isEqualTo("sets");
        assertThat(pointing.text()).startsWith("set 1  T2  0\u00b000").endsWith("100.000");
        assertThat(line(book.add(new SetTakenOut(plan.id(), 1, Optional.of(new PointName("T2")), "a gust"))).text())
                .isEqualTo("set 1, T2 taken out: a gust");
        assertThat(line(book.add(new SetTakenOut(plan.id(), 2, Optional.empty(), "rain"))).text()).isEqualTo("set 2 taken out: rain");
        assertThat(line(book.add(new MarkCarried(plan.id(), new PointName("N1")))).text())
                .isEqualTo("N1 joins the known points, from the sets of line " + plan.sequence());
        assertThat(line(book.add(new LeafClosed(setup))).text()).isEqualTo("closed, line 3");
        assertThat(line(book.add(new LeafReopened(setup))).text()).isEqualTo("reopened, line 3");
        Pointing two = new Pointing(Angle.ofDegrees(180), Angle.ofDegrees(270), Optional.empty(), "");
        BookText.Line axes = line(book.add(new InstrumentCalibrated("test 1",
                List.of(new TwoFaceCalibration.Pair(Pointing.of(reading), two), new TwoFaceCalibration.Pair(Pointing.of(reading), two)),
                Angle.ofArcSeconds(2), false)));
        assertThat(axes.kind()).isEqualTo("axes");
        assertThat(axes.text()).isEqualTo("test 1, 2 marks in both faces, not applied");
    }

    @Test
    void aCorrectionTellsTheLineAndWhatItReadsNow() {
        Entry setup = book.setUp("");
        StationSetUp written = (StationSetUp) setup.payload();
        BookText.Line line = line(book.add(new Reworked(setup.id(), written.with(written.arrangement().with(new Length(1.5))),
                "tape misread")));
        assertThat(line.kind()).isEqualTo("rework");
        assertThat(line.text()).startsWith("line 3 now reads: station T1, backsight T2  hi 1.500").endsWith("because: tape misread");
        assertThat(line.may().canStrike()).isTrue();
        StationSetUp free = written.with(Arrangement.freeStation(new PointName("S1"), new Length(1.6), false,
                List.of(Sighting.of(new PointName("T1"), Books.PRISM), Sighting.of(new PointName("T2"), Books.PRISM))));
        assertThat(StationWords.of(free)).isEqualTo("free station S1 from T1, T2");
        assertThat(StationWords.of(written.with(free.arrangement().with(Arrangement.Kind.BUILDING).withSightings(List.of()))))
                .isEqualTo("station S1 from the building");
    }
}
