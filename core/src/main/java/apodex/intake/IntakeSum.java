package apodex.intake;

import apodex.align.AddsUp;
import apodex.align.MonoSound;
import apodex.align.Sighting;
import apodex.audio.PcmReader;
import apodex.measure.Decibels;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How much of the reference the files of an intake explain, as they would lie.
 *
 * @param explained of the reference's energy below 1.6 kHz, 0 to 1
 * @param pieces    the same for equal pieces of the reference, from its start to its end
 * @param seconds   length of the reference
 * @param shares    what each file has in it, the most present first
 */
public record IntakeSum(double explained, List<Double> pieces, double seconds, List<Share> shares) {
    /** Below this, a file that can be heard is not in the mix. */
    private static final double NOT_THERE_DB = -40;

    private static final double NOTHING_DB = -200;

    /**
     * A file in the mix.
     *
     * @param file     id
     * @param gainDb   at which it fits best
     * @param turned   the mix surely has it with its polarity turned
     * @param isThere  whether it is in the mix at all
     */
    public record Share(String file, double gainDb, boolean turned, boolean isThere) {}

    /** Works it out: reads every file once. */
    public static IntakeSum of(Intake intake, RecordingStore store) throws IOException {
        IntakeFile reference = intake.reference()
                .orElseThrow(() -> new IllegalArgumentException("There is no mix to hold the files against."));
        List<IntakeFile> files =
                intake.heard().stream().filter(file -> file.heard().peak() > 0).toList();
        double seconds = files.stream()
                .map(IntakeFile::recording)
                .mapToDouble(each -> each.rate().seconds(each.frames()))
                .sum();
        if (seconds > AddsUp.MOST_SECONDS) {
            throw new IllegalArgumentException("These files last " + Math.round(seconds / 3_600)
                    + " hours together, which is too much to be added up at once.");
        }
        double perFrame =
                (double) reference.recording().rate().hertz() / intake.rate().hertz();
        try (PcmReader mix = store.open(reference.recording().sha256())) {
            AddsUp sum = new AddsUp(new MonoSound(mix, reference.recording().rate()));
            for (IntakeFile file : files) {
                long later =
                        file.seat().place().frame() - reference.seat().place().frame();
                try (PcmReader in = store.open(file.recording().sha256())) {
                    sum.add(new MonoSound(in, file.recording().rate()), Math.round(later * perFrame));
                }
            }
            AddsUp.Result result = sum.fit();
            List<Share> shares = new ArrayList<>(IntStream.range(0, files.size())
                    .mapToObj(i -> share(files.get(i), result, i))
                    .toList());
            shares.sort(Comparator.comparingDouble(share -> -share.gainDb()));
            return new IntakeSum(
                    result.explained(),
                    result.pieces(),
                    reference.recording().rate().seconds(reference.recording().frames()),
                    shares);
        }
    }

    private static Share share(IntakeFile file, AddsUp.Result result, int at) {
        double gain = Math.max(
                NOTHING_DB, Decibels.ofAmplitude(Math.abs(result.gains().get(at))));
        // parts that have something in common can fit best against each other: no fit tells that one is turned
        Sighting found = file.seat().place().found();
        boolean turned = found != null
                && found.certainty() == Sighting.Certainty.SURE
                && found.inverted() != file.seat().place().inverted();
        return new Share(file.id(), gain, turned && gain > NOT_THERE_DB, gain > NOT_THERE_DB);
    }
}
