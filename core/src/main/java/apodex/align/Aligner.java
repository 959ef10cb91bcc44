package apodex.align;

import apodex.align.Sighting.Certainty;
import apodex.audio.ResampleKernel;
import apodex.time.SampleRate;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;

/**
 * Tells where sounds lie in a reference: a full mix, or a twin. Not thread-safe; several on one reference each need their own
 * {@link MonoSound} of it.
 */
public final class Aligner {
    /** Below, what stands out may be chance: of four million shifts, one reaches five deviations by chance. */
    private static final double LIKELY_HEIGHT = 9;

    private static final double LIKELY_LEAD = 1.2;
    /** In music that repeats itself, the true place leads by one repeat only. */
    private static final double NEXT_TO_NONE = 1.05;

    private static final double SURE_HEIGHT = 12;
    private static final double SURE_LEAD = 1.35;
    /** Frames that the outline's place may be off. */
    private static final int REACH = 1_024;
    /** A copy lies on a whole frame; what does not was moved by something else. */
    private static final double SURE_REST = 0.3;

    /** Music is 5 to 10 ahead of itself a moment later; a single plucked note is 2. */
    private static final double SURE_OWN_LEAD = 4;

    private static final int LEAST_STRETCHES = 3;
    private static final double LEAST_DRIFT_PPM = 0.3;
    private static final double MOST_DRIFT_PPM = 500;

    /** Rates that headers are mistaken for. */
    private static final int[] RATES = {44_100, 48_000, 88_200, 96_000, 176_400, 192_000};

    private final MonoSound reference;
    private final Coarse coarse;
    private final double step;

    public Aligner(MonoSound reference) throws IOException {
        this.reference = reference;
        Outline outline = Outline.of(reference);
        this.coarse = new Coarse(outline);
        this.step = outline.step();
    }

    /** Looks for a sound in the reference. */
    public Sighting find(MonoSound sound) throws IOException {
        Outline outline = Outline.of(sound);
        if (outline.isSilent()) {
            return Sighting.nothing(0, 0);
        }
        Sighting found = find(sound, outline, sound.rate());
        if (found.certainty() != Certainty.UNKNOWN || found.height() > SURE_HEIGHT) {
            return found;
        }
        for (int hertz : RATES) {
            double ratio = (double) hertz / sound.rate().hertz();
            if (hertz != sound.rate().hertz() && ratio > 0.45 && ratio < 2.2) {
                Sighting other = find(sound, outline, new SampleRate(hertz));
                if (other.certainty() == Certainty.SURE) {
                    return other;
                }
            }
        }
        return found;
    }

    /** @param rate that the sound is taken to have */
    private Sighting find(MonoSound sound, Outline outline, SampleRate rate) throws IOException {
        double ratio = (double) reference.rate().hertz() / rate.hertz();
        Outline even = outline.stretched(outline.step() * ratio / step);
        Coarse.Peak peak = coarse.find(even);
        if (peak.height() < LIKELY_HEIGHT) {
            return Sighting.nothing(peak.height(), peak.lead());
        }
        ResampleKernel kernel = rate.equals(reference.rate()) ? null : new ResampleKernel(rate, reference.rate());
        long place = Math.round(peak.frame());
        Stretches stretches = new Stretches(reference, sound, outline, kernel, ratio, place, REACH);
        SampleRate told = rate.equals(sound.rate()) ? null : rate;
        return judge(stretches, place, peak, told);
    }

    private Sighting judge(Stretches stretches, long place, Coarse.Peak peak, SampleRate trueRate) throws IOException {
        Stretches.Shift all = stretches.all();
        Drift drift = Drift.of(stretches.each());
        if (drift.isOne()) {
            return new Sighting(
                    place + Math.round(drift.atStart()),
                    Certainty.LIKELY, // what drifts lies nowhere to the sample
                    all.inverted(),
                    0,
                    0,
                    drift.ppm(),
                    trueRate,
                    peak.height(),
                    peak.lead());
        }
        boolean agreed = stretches.count() >= LEAST_STRETCHES;
        for (int part = 0; part < LEAST_STRETCHES && agreed; part++) {
            Stretches.Shift some = stretches.part(part, LEAST_STRETCHES);
            agreed = some.frames() == all.frames() && some.inverted() == all.inverted();
        }
        boolean sure = agreed
                && peak.height() > SURE_HEIGHT
                && peak.lead() > SURE_LEAD
                && all.height() > SURE_HEIGHT
                && all.lead() > SURE_LEAD
                && Math.abs(all.rest()) < SURE_REST
                && stretches.ownLead() > SURE_OWN_LEAD;
        boolean fine = all.height() > LIKELY_HEIGHT;
        boolean likely = peak.lead() > LIKELY_LEAD || fine && peak.lead() > NEXT_TO_NONE && peak.height() > SURE_HEIGHT;
        long frame = place + (fine ? all.frames() : 0);
        Stretches.Share share = stretches.shareAt(frame);
        return new Sighting(
                frame,
                sure ? Certainty.SURE : likely ? Certainty.LIKELY : Certainty.UNKNOWN,
                all.inverted(),
                share.gainDb(),
                share.likeness(),
                0,
                trueRate,
                peak.height(),
                peak.lead());
    }

    /**
     * A clock that ran faster or slower: a line through what single stretches name, by the median of all slopes (Theil, 1950), which
     * a few wrong ones do not move.
     */
    private record Drift(double ppm, double atStart, boolean isOne) {
        private static final int FEWEST = 6;

        static Drift of(List<double[]> each) {
            if (each.size() < FEWEST) {
                return new Drift(0, 0, false);
            }
            List<Double> slopes = new java.util.ArrayList<>();
            for (int i = 0; i < each.size(); i++) {
                for (int k = i + 1; k < each.size(); k++) {
                    slopes.add((each.get(k)[1] - each.get(i)[1]) / (each.get(k)[0] - each.get(i)[0]));
                }
            }
            double slope = median(slopes);
            double start = median(
                    each.stream().map(point -> point[1] - slope * point[0]).toList());
            double off = median(each.stream()
                    .map(point -> Math.abs(point[1] - start - slope * point[0]))
                    .toList());
            double span = each.get(each.size() - 1)[0] - each.get(0)[0];
            double ppm = -slope * 1e6; // who counts faster comes to the same place later
            boolean one = Math.abs(slope) * span > 2
                    && off < 0.5
                    && Math.abs(ppm) > LEAST_DRIFT_PPM
                    && Math.abs(ppm) < MOST_DRIFT_PPM;
            return new Drift(ppm, start, one);
        }

        private static double median(List<Double> values) {
            List<Double> sorted =
                    values.stream().sorted(Comparator.naturalOrder()).toList();
            return sorted.get(sorted.size() / 2);
        }
    }
}
