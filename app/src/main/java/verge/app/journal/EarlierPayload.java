package verge.app.journal;

import java.util.List;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Payload;
import verge.core.leaf.StationSetUp;
import verge.core.measure.ShotTaken;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.pole.TargetChosen;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.sets.SetLimits;
import verge.core.sets.SetMark;
import verge.core.sets.SetsPlanned;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Payloads as earlier versions of Verge wrote them, and what they mean today. Kept as long as a journal may hold one: for good. */
sealed interface EarlierPayload {
    Payload today();

    /** Before there were projected systems: a flat site, and few choices of figures. */
    record SettingsChosen1(Settings settings) implements EarlierPayload {
        record Settings(FiguresShown figures, Flat site) {
        }

        record FiguresShown(LengthUnit lengthUnit, AngleUnit angleUnit, DirectionStyle directionStyle, int lengthDecimals) {
        }

        record Flat(double gridPerGround) {
        }

        @Override
        public Payload today() {
            FiguresShown f = settings.figures();
            return new SettingsChosen(JobSettings.flat(
                    Figures.of(f.lengthUnit(), f.angleUnit(), f.directionStyle(), f.lengthDecimals()), settings.site().gridPerGround()));
        }
    }

    /** Before points kept their descriptions and standard deviations. */
    record PointsImported1(Origin origin, String fileName, String sha256, List<Point1> points) implements EarlierPayload {
        record Point1(PointName name, Code code, Position position) {
        }

        @Override
        public Payload today() {
            return new PointsImported(origin, fileName, sha256, points.stream().map(p -> new NamedPosition(p.name(), p.code(), p.position())).toList());
        }
    }

    /** Before marks of sets could be given another name later. */
    record SetsPlanned1(UUID setup, List<Mark1> marks, int sets, SetLimits limits) implements EarlierPayload {
        record Mark1(PointName name, Target target) {
        }

        @Override
        public Payload today() {
            return new SetsPlanned(setup, marks.stream().map(m -> new SetMark(m.name(), m.target())).toList(), sets, limits);
        }
    }

    /** Before a job had note fields of its own. */
    record ShotTaken1(UUID setup, PointName name, Code code, TotalStationReading reading, Target target) implements EarlierPayload {
        @Override
        public Payload today() {
            return new ShotTaken(setup, name, code, reading, target);
        }
    }

    /** Before prisms had names. */
    record TargetChosen1(Target target) implements EarlierPayload {
        @Override
        public Payload today() {
            return new TargetChosen(target);
        }
    }

    /** Before there were other setups than over a known point with one backsight. */
    record StationSetUp1(PointName station, PointName backsight, Length instrumentHeight, Target target, TotalStationReading reading, Atmosphere air,
            InstrumentPrecision precision, double refraction, String instrument, long upsets, String reason) implements EarlierPayload {
        @Override
        public Payload today() {
            return StationSetUp.onKnownPoint(station, backsight, instrumentHeight, target, reading, air, precision, refraction, instrument, upsets, reason);
        }
    }
}
