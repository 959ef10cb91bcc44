package apodex.proof;

import jakarta.annotation.Nullable;
import java.util.List;

/**
 * Whether the files of a section laid together are the reference mix.
 *
 * @param section   name of the section; empty when there is only one
 * @param whyNot    why they are not meant to; empty when they are
 * @param addsUp    whether they do, to what their format can hold
 * @param files     paths of the files that were added
 * @param rmsDbfs   what is left over, RMS; null for nothing at all
 * @param peakDbfs  what is left over, loudest sample; null for nothing at all
 * @param limitDbfs peak that rounding alone explains
 * @param loudestAt frame of the files where the leftover is loudest
 * @param place     that place in the song, for people
 * @param curveDbfs loudest sample of the leftover in equal stretches, -200 for nothing
 * @param culprits  files of it that do not hold what was printed; then it was not added up
 * @param missing   names of rows of which something is in no file, or in two
 */
public record SumProof(
        String section,
        String whyNot,
        boolean addsUp,
        List<String> files,
        @Nullable Double rmsDbfs,
        @Nullable Double peakDbfs,
        double limitDbfs,
        long loudestAt,
        String place,
        List<Double> curveDbfs,
        List<Culprit> culprits,
        List<String> missing) {
    /** A sum that was not made, since files of it do not hold what was printed. */
    static SumProof notAdded(String section, List<String> files, List<Culprit> culprits) {
        return new SumProof(section, "", false, files, null, null, 0, 0, "", List.of(), culprits, List.of());
    }

    /** A sum that nobody expects to be the mix. */
    static SumProof notMeant(String section, String why, List<String> missing) {
        return new SumProof(section, why, false, List.of(), null, null, 0, 0, "", List.of(), List.of(), missing);
    }
}
