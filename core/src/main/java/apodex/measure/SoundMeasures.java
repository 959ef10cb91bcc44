package apodex.measure;

import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;

/**
 * What is to be known of a sound.
 *
 * @param firstSoundFrame  first frame that is not zero; null when there is none
 * @param peakDbfs         loudest sample; null when every sample is zero
 * @param peakFrame        the first frame as loud as that; null when silent, or of runs from before it was looked for
 * @param truePeakDbtp     true peak (ITU-R BS.1770-4, annex 2); null when silent
 * @param loudness         null when too quiet or too short to tell
 * @param offset           mean of the channel that is furthest off zero, as a share of full scale
 * @param fullScaleSamples samples at (of floats: at or beyond) full scale
 * @param picture          as {@link SoundPicture#toBytes} draws it
 * @param fingerprint      to find sounds that differ by a gain alone, see {@link #factorTo}
 */
public record SoundMeasures(
        @Nullable Long firstSoundFrame,
        @Nullable Double peakDbfs,
        @Nullable Long peakFrame,
        @Nullable Double truePeakDbtp,
        @Nullable ProgrammeLoudness loudness,
        double offset,
        long fullScaleSamples,
        byte[] picture,
        double[] fingerprint) {
    /** Of a sound that could not be read. */
    public static final SoundMeasures NONE =
            new SoundMeasures(null, null, null, null, null, 0, 0, new byte[4], new double[0]);

    /** How near to one direction two fingerprints must be to be worth a look at all their samples. */
    private static final double ALIKE = 1 - 1e-5;

    /** Of one of two sides that are alike: the same, but half of the energy that makes for loudness. */
    public SoundMeasures oneSide() {
        return new SoundMeasures(
                firstSoundFrame,
                peakDbfs,
                peakFrame,
                truePeakDbtp,
                loudness == null ? null : loudness.plus(-10 * Math.log10(2)),
                offset,
                fullScaleSamples / 2,
                picture,
                fingerprint);
    }

    /** The factor that makes the other out of this, if that is all they differ in; 0 when they are not alike. */
    public double factorTo(SoundMeasures other) {
        if (fingerprint.length != other.fingerprint.length) {
            return 0;
        }
        double mine = dot(fingerprint, fingerprint);
        double theirs = dot(other.fingerprint, other.fingerprint);
        double both = dot(fingerprint, other.fingerprint);
        boolean alike = mine > 0 && theirs > 0 && Math.abs(both) >= ALIKE * Math.sqrt(mine * theirs);
        return alike ? both / mine : 0;
    }

    private static double dot(double[] one, double[] other) {
        double sum = 0;
        for (int i = 0; i < one.length; i++) {
            sum += one[i] * other[i];
        }
        return sum;
    }

    /** Whether every sample is zero. */
    @JsonIgnore
    public boolean isSilent() {
        return peakDbfs == null;
    }
}
