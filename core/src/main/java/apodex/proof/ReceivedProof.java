package apodex.proof;

import jakarta.annotation.Nullable;
import java.util.List;

/**
 * What the files make in a fresh session, at unity and in the middle, held against what that must be.
 *
 * @param section      name of the section; empty when there is only one
 * @param against      what it is held against, for people
 * @param same         whether it is that, to what the files' format can hold
 * @param files        paths of the files that sound
 * @param rmsDbfs      what is left over, RMS; null for nothing at all
 * @param peakDbfs     what is left over, loudest sample; null for nothing at all
 * @param place        where it is loudest, for people
 * @param loudnessLufs integrated loudness of the sum; null when too quiet to tell
 */
public record ReceivedProof(
        String section,
        String against,
        boolean same,
        List<String> files,
        @Nullable Double rmsDbfs,
        @Nullable Double peakDbfs,
        String place,
        @Nullable Double loudnessLufs) {
    static final String REFERENCE = "the reference mix";
}
