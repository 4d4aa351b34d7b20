package verge.core.units;

/** A length or a signed height difference, held in metres. */
public record Length(double metres) implements Comparable<Length> {
    public static final Length ZERO = new Length(0);

    public Length {
        if (!Double.isFinite(metres)) {
            throw new IllegalArgumentException("length: " + metres);
        }
    }

    public static Length of(double amount, LengthUnit unit) {
        return new Length(amount * unit.metresPerUnit());
    }

    public double in(LengthUnit unit) {
        return metres / unit.metresPerUnit();
    }

    public Length plus(Length other) {
        return new Length(metres + other.metres);
    }

    public Length minus(Length other) {
        return new Length(metres - other.metres);
    }

    public Length times(double factor) {
        return new Length(metres * factor);
    }

    public Length abs() {
        return new Length(Math.abs(metres));
    }

    @Override
    public int compareTo(Length other) {
        return Double.compare(metres, other.metres);
    }
}
