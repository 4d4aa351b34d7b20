package verge.core.stakeout;

import verge.core.units.Length;

/** How far off a stake may be: in plan as a radius, in height up and down. Both are positive. */
public record Tolerance(Length plan, Length height) {
    /** 25 mm in plan, 20 mm in height. */
    public static final Tolerance USUAL = new Tolerance(new Length(0.025), new Length(0.020));

    public Tolerance {
        if (!(plan.metres() > 0 && height.metres() > 0)) {
            throw new IllegalArgumentException("tolerance: " + plan + ", " + height);
        }
    }
}
