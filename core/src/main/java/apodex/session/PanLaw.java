package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * How loud the centre is on each side, measured against a signal turned hard to that side. Equal power: the sides follow
 * cosine and sine of the angle, to the power that gives the level at the centre.
 */
public enum PanLaw {
    /** 0 dB at the centre: the curve of -3 dB lifted, so that the sides are 3 dB louder. */
    @JsonProperty("0")
    ZERO,
    @JsonProperty("-3")
    MINUS_3,
    @JsonProperty("-4.5")
    MINUS_4_5,
    @JsonProperty("-6")
    MINUS_6;

    /** Level of a mono signal in the middle on each side, in dB, as the law is called. */
    public double centreDb() {
        return switch (this) {
            case ZERO -> 0;
            case MINUS_3 -> -3;
            case MINUS_4_5 -> -4.5;
            case MINUS_6 -> -6;
        };
    }

    /**
     * Factor of one side of a mono signal.
     *
     * @param position -100 left to 100 right
     * @param side     0 left, 1 right
     */
    public double mono(double position, int side) {
        double towards = side == 0 ? -position : position;
        if (towards <= -100) {
            return 0;
        }
        return ofCosine(StrictMath.cos(angle(towards)));
    }

    /** How far a position is from one side, in radians: 0 is all of it there, a right angle nothing. */
    public static double angle(double towards) {
        return (100 - towards) / 200 * Math.PI / 2;
    }

    /** A right angle leaves nothing; its cosine is rounded and leaves a trace. */
    public static double orNothing(double cosine) {
        return cosine < 1e-15 ? 0 : cosine;
    }

    /** Factor of a side, by the cosine of its angle. */
    public double ofCosine(double cosine) {
        double positive = orNothing(cosine);
        return switch (this) {
            case ZERO -> Math.sqrt(2) * positive;
            case MINUS_3 -> positive;
            case MINUS_4_5 -> positive * Math.sqrt(positive);
            case MINUS_6 -> positive * positive;
        };
    }

    /** Factor of one side of a stereo signal: balance. The side turned to stays, the other follows a cosine to nothing. */
    public static double balance(double position, int side) {
        double away = side == 0 ? position : -position;
        if (away <= 0) {
            return 1;
        }
        return away >= 100 ? 0 : StrictMath.cos(balanceAngle(away));
    }

    /** How far a stereo signal is turned away from a side, in radians. */
    public static double balanceAngle(double away) {
        return away / 100 * Math.PI / 2;
    }
}
