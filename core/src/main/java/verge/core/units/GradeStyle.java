package verge.core.units;

/** How a slope along a line is told. */
public enum GradeStyle {
    PERCENT("%") {
        @Override
        String figure(double riseOverRun, int decimals, AngleStyle angles) {
            return Decimals.showSigned(riseOverRun * 100, decimals) + " %";
        }
    },
    PER_MILLE("\u2030") {
        @Override
        String figure(double riseOverRun, int decimals, AngleStyle angles) {
            return Decimals.showSigned(riseOverRun * 1000, decimals) + " \u2030";
        }
    },
    /** Rise first: 1 up in so many along. */
    RISE_TO_RUN("rise : run") {
        @Override
        String figure(double riseOverRun, int decimals, AngleStyle angles) {
            return riseOverRun == 0 ? "level" : sign(riseOverRun) + "1 : " + Decimals.show(Math.abs(1 / riseOverRun), decimals);
        }
    },
    /** Run first: so many along to 1 up, as earthwork slopes are told. */
    RUN_TO_RISE("run : rise") {
        @Override
        String figure(double riseOverRun, int decimals, AngleStyle angles) {
            return riseOverRun == 0 ? "level" : sign(riseOverRun) + Decimals.show(Math.abs(1 / riseOverRun), decimals) + " : 1";
        }
    },
    ANGLE("angle") {
        @Override
        String figure(double riseOverRun, int decimals, AngleStyle angles) {
            return angles.signed(new Angle(Math.atan(riseOverRun)));
        }
    };

    private final String sample;

    GradeStyle(String sample) {
        this.sample = sample;
    }

    /** How it looks, for a list to choose from. */
    public String sample() {
        return sample;
    }

    abstract String figure(double riseOverRun, int decimals, AngleStyle angles);

    private static String sign(double value) {
        return value < 0 ? "\u2212" : "+";
    }
}
