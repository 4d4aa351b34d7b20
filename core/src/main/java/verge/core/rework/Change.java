package verge.core.rework;

import java.util.Optional;
import java.util.function.UnaryOperator;
import verge.core.base.BaseSetUp;
import verge.core.coding.Code;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.leaf.StationSetUp;
import verge.core.measure.Measured;
import verge.core.occupation.OnPole;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.reading.Targeted;
import verge.core.satellite.AntennaHeight;
import verge.core.setup.Conditions;
import verge.core.units.Length;

/** What is said otherwise of several entries at once. */
public sealed interface Change {
    /** What an entry should have said; empty for a kind that says nothing of it. */
    Optional<? extends Payload> of(Payload said, Choice choice);

    /** The pole was longer than was written, or shorter. @param by positive for longer */
    record PoleBy(Length by) implements Change {
        @Override
        public Optional<Payload> of(Payload said, Choice choice) {
            return said instanceof OnPole stood ? Optional.of(withHeight(stood, longer(stood.antenna().height().measured())))
                    : targets(said, choice, t -> new Target(longer(t.height()), t.prismConstant()));
        }

        private Length longer(Length was) {
            Length height = was.plus(by);
            if (height.metres() < 0) {
                throw new SurveyException(Problem.POLE_BELOW_GROUND);
            }
            return height;
        }
    }

    /** The pole was so long. */
    record PoleWas(Length height) implements Change {
        @Override
        public Optional<Payload> of(Payload said, Choice choice) {
            return said instanceof OnPole stood ? Optional.of(withHeight(stood, height))
                    : targets(said, choice, t -> new Target(height, t.prismConstant()));
        }
    }

    /** The prism was another. */
    record PrismWas(Length constant) implements Change {
        @Override
        public Optional<Payload> of(Payload said, Choice choice) {
            return targets(said, choice, t -> new Target(t.height(), constant));
        }
    }

    /** Each was called by the other's name. */
    record Exchanged(PointName one, PointName other) implements Change {
        @Override
        public Optional<Payload> of(Payload said, Choice choice) {
            return said instanceof Naming naming ? Optional.of(naming.renamed(n -> n.equals(one) ? other : n.equals(other) ? one : n))
                    : Optional.empty();
        }
    }

    /** The code was another. */
    record CodeWas(Code code) implements Change {
        @Override
        public Optional<Payload> of(Payload said, Choice choice) {
            return said instanceof Measured shot ? Optional.of(shot.with(code)) : Optional.empty();
        }
    }

    /** A base stood over a mark that is known, and so did those that came back to it. */
    record BaseOver(PointName was, PointName known) implements Change {
        @Override
        public Optional<Payload> of(Payload said, Choice choice) {
            return said instanceof BaseSetUp base && base.mark().equals(was) ? Optional.of(base.over(known)) : Optional.empty();
        }
    }

    /** The air was other. @param humidity stays as it was written */
    record AirWas(double temperatureCelsius, double pressureHectopascals) implements Change {
        @Override
        public Optional<Payload> of(Payload said, Choice choice) {
            return said instanceof StationSetUp setUp ? Optional.of(setUp.with(other(setUp.conditions()))) : Optional.empty();
        }

        private Conditions other(Conditions c) {
            return new Conditions(c.air().with(temperatureCelsius, pressureHectopascals), c.precision(), c.errors(), c.refraction());
        }
    }

    /** Of an antenna as it was measured, to what it was measured to. */
    private static Payload withHeight(OnPole stood, Length height) {
        return stood.with(stood.antenna().with(new AntennaHeight(height, stood.antenna().height().to())));
    }

    private static Optional<Payload> targets(Payload said, Choice choice, UnaryOperator<Target> other) {
        return said instanceof Targeted targeted ? Optional.of(targeted.withTargets(t -> choice.isMeant(t) ? other.apply(t) : t))
                : Optional.empty();
    }
}
