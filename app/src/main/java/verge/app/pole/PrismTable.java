package verge.app.pole;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.app.job.JobService;
import verge.app.problem.TriedAgain;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;

/** The prisms of a site, by name: so that nobody carries a constant in the head. */
@Service
public class PrismTable {
    private static final int LONGEST_NAME = 30;
    /** No prism or reflecting tape is this far off; a slip of the finger or of the unit is. */
    private static final Length LARGEST_CONSTANT = new Length(0.1);
    private static final double MILLIMETRES_PER_METRE = 1000;
    /** Smaller than any prism's but nought; typed in metres, every usual constant is. */
    private static final double TELLTALE_MILLIMETRES = 0.15;

    private final PrismRepository prisms;
    private final JobService jobs;

    PrismTable(PrismRepository prisms, JobService jobs) {
        this.prisms = prisms;
        this.jobs = jobs;
    }

    public List<Prism> of(UUID job) {
        return prisms.findBySiteIdOrderByName(jobs.job(job).siteId());
    }

    public Optional<Prism> named(UUID job, String name) {
        return of(job).stream().filter(p -> p.name().equalsIgnoreCase(name.strip())).findFirst();
    }

    /** The name of a constant in use, where the table has it. */
    public Optional<Prism> with(UUID job, Length constant) {
        return of(job).stream().filter(p -> p.constant().equals(constant)).findFirst();
    }

    /** @throws SurveyException PRISM_NAME_UNFIT, or as {@link #constant} */
    @TriedAgain
    @Transactional
    public void add(UUID job, String typedName, String typedConstant) {
        String name = typedName.strip();
        if (name.isEmpty() || name.length() > LONGEST_NAME || Decimals.parse(name).isPresent()) {
            throw new SurveyException(Problem.PRISM_NAME_UNFIT, typedName);
        }
        Length constant = constant(typedConstant, LengthUnit.METRE);
        named(job, name).ifPresent(prisms::delete);
        prisms.flush();
        prisms.save(new Prism(jobs.job(job).siteId(), name, constant));
    }

    @Transactional
    public void remove(UUID job, UUID prism) {
        of(job).stream().filter(p -> p.id().equals(prism)).forEach(prisms::delete);
    }

    /**
     * A constant as typed. A bare number is in millimetres in every job: that is how prisms are marked.
     *
     * @throws SurveyException NOT_A_LENGTH, OUT_OF_RANGE, PRISM_CONSTANT_UNIT for metres typed as millimetres
     */
    public static Length constant(String typed, LengthUnit unit) {
        Optional<Double> bare = Decimals.parse(typed);
        bare.filter(mm -> mm != 0 && Math.abs(mm) < TELLTALE_MILLIMETRES).ifPresent(mm -> {
            throw new SurveyException(Problem.PRISM_CONSTANT_UNIT, typed, Decimals.showSigned(mm * MILLIMETRES_PER_METRE, 1) + " mm");
        });
        Length constant = bare.map(millimetres -> new Length(millimetres / MILLIMETRES_PER_METRE))
                .orElseGet(() -> LengthText.parse(typed, unit));
        if (constant.abs().compareTo(LARGEST_CONSTANT) > 0) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "prism constant", typed, "\u2212100 mm", "100 mm");
        }
        return constant;
    }

    /** A prism constant as it is typed: bare millimetres. */
    public static String typed(Target target) {
        return Decimals.print(target.prismConstant().metres() * MILLIMETRES_PER_METRE, 1);
    }
}
