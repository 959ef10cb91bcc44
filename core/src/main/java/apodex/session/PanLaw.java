package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * How loud the centre is on each side, measured against a signal turned hard to that side. Equal power: the sides follow
 * cosine and sine of the angle, to the power that gives the level at the centre.
 */
public enum PanLaw {
    /** 0 dB at the centre: the curve of -3 dB lifted, so that the sides are 3 dB louder. */
    @JsonProperty("0")
    ZERO(1, Math.sqrt(2)),
    @JsonProperty("-3")
    MINUS_3(1, 1),
    @JsonProperty("-4.5")
    MINUS_4_5(1.5, 1),
    @JsonProperty("-6")
    MINUS_6(2, 1);

    private final double power;
    private final double lift;

    PanLaw(double power, double lift) {
        this.power = power;
        this.lift = lift;
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
        double angle = (100 - towards) / 200 * Math.PI / 2;
        return lift * StrictMath.pow(StrictMath.cos(angle), power);
    }

    /** Factor of one side of a stereo signal: balance. The side turned to stays, the other follows a cosine to nothing. */
    public static double balance(double position, int side) {
        double away = side == 0 ? position : -position;
        if (away <= 0) {
            return 1;
        }
        return away >= 100 ? 0 : StrictMath.cos(away / 100 * Math.PI / 2);
    }
}
