package apodex.handoff;

import apodex.audio.Dither;
import apodex.audio.FileKind;
import apodex.audio.PcmEncoder;
import apodex.audio.SampleFormat;
import apodex.audio.SoundLabel;
import apodex.audio.SoundWriter;
import apodex.measure.SoundMeter;
import apodex.session.Session;
import apodex.signal.Passage;
import apodex.signal.Placed;
import apodex.signal.Printed;
import apodex.time.Meter;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A file with the beat of the tempo map: a short wooden knock on every beat of the meter, higher on the first of a bar. It
 * begins exactly where every other file of its section does.
 */
final class ClickTrack {
    private static final double ACCENT_HERTZ = 1_760;
    private static final double BEAT_HERTZ = 1_175;
    private static final double SECONDS = 0.06;
    /** Time in which a knock falls to 1/e. */
    private static final double DECAY_SECONDS = 0.009;
    /** -6 dBFS on the first beat, -10 on the others. */
    private static final double ACCENT_LEVEL = 0.501;

    private static final double BEAT_LEVEL = 0.316;
    private static final int BLOCK_FRAMES = 16_384;

    /** Where a knock begins, in frames of the file. */
    record Knock(long frame, boolean accent) {}

    private final Session session;
    private final SampleRate rate;

    ClickTrack(Session session, SampleRate rate) {
        this.session = session;
        this.rate = rate;
    }

    /**
     * Where knocks are.
     *
     * @param count knocks in the lead-in
     * @param beat  knocks in the range itself
     * @param end   length of the file, in frames of the file
     */
    List<Knock> knocks(Passage passage, boolean count, boolean beat, long end) {
        TempoMap map = session.song().timeline();
        double hertz = rate.hertz();
        long first = passage.range().start();
        double start = session.rate().seconds(first);
        double leadIn = session.rate().seconds(passage.leadInFrames());
        double quarterAtStart = Math.max(0, map.quarterOf(first, session.rate()));
        int barAtStart = map.barAt(quarterAtStart);
        List<Knock> knocks = new ArrayList<>();
        if (count && passage.leadInFrames() > 0) {
            Meter meter = map.meterOf(barAtStart);
            double beatSeconds = 4.0 / meter.unit() * 60 / map.tempoAt(quarterAtStart);
            long beats = Math.round(leadIn / beatSeconds);
            for (long i = 0; i < beats; i++) {
                knocks.add(new Knock(Math.round((leadIn - (beats - i) * beatSeconds) * hertz), i % meter.beats() == 0));
            }
        }
        long last = passage.range().end();
        for (int bar = barAtStart; beat && map.frameOfBar(bar, session.rate()) < last; bar++) {
            Meter meter = map.meterOf(bar);
            for (int i = 0; i < meter.beats(); i++) {
                double quarter = map.quarterOfBar(bar) + i * 4.0 / meter.unit();
                long inSession = map.frameOf(quarter, session.rate());
                long frame = Math.max(0, Math.round((leadIn + map.secondsAt(quarter) - start) * hertz));
                if (inSession >= first && inSession < last && frame < end) {
                    knocks.add(new Knock(frame, i == 0));
                }
            }
        }
        return knocks;
    }

    /**
     * Writes the file.
     *
     * @param frames its length
     * @return one channel; nothing of it is ever over full scale
     */
    Printed write(
            List<Knock> knocks,
            long frames,
            SampleFormat depth,
            FileKind kind,
            Path file,
            @Nullable SoundLabel label,
            long ditherSeed)
            throws IOException {
        double[][] sounds = {knock(ACCENT_HERTZ, ACCENT_LEVEL), knock(BEAT_HERTZ, BEAT_LEVEL)};
        PcmEncoder encoder = new PcmEncoder(depth, 1, ditherSeed);
        Dither dither = Dither.policy(false, depth);
        byte[] bytes = new byte[BLOCK_FRAMES * encoder.frameBytes()];
        double[][] block = new double[1][BLOCK_FRAMES];
        try (SoundWriter out = kind.open(file, rate, 1, depth, frames, label)) {
            SoundMeter meter = new SoundMeter(rate, out.layout());
            out.listen(meter, frames);
            for (long first = 0; first < frames; first += BLOCK_FRAMES) {
                int length = (int) Math.min(BLOCK_FRAMES, frames - first);
                Arrays.fill(block[0], 0);
                boolean sounding = false;
                for (Knock knock : knocks) {
                    double[] sound = sounds[knock.accent() ? 0 : 1];
                    int from = (int) Math.max(0, first - knock.frame());
                    int to = (int) Math.min(sound.length, first + length - knock.frame());
                    for (int i = from; i < to; i++) {
                        block[0][(int) (knock.frame() + i - first)] += sound[i];
                        sounding = true;
                    }
                }
                encoder.encode(block, 0, length, first, sounding ? dither : Dither.NONE, bytes);
                out.write(bytes, length * encoder.frameBytes());
            }
            out.finish(frames);
            return new Printed(1, frames, 0, encoder.overs(), Placed.MIDDLE, out.digest(), meter.measures());
        }
    }

    /** A sine and the second partial of a free bar, dying away; begins at zero, so that it needs no fade. */
    private double[] knock(double hertz, double level) {
        double[] sound = new double[(int) Math.round(SECONDS * rate.hertz())];
        for (int i = 0; i < sound.length; i++) {
            double t = (double) i / rate.hertz();
            double shape = Math.exp(-t / DECAY_SECONDS) * (1 - (double) i / sound.length);
            sound[i] = level
                    * shape
                    * (0.8 * Math.sin(2 * Math.PI * hertz * t) + 0.2 * Math.sin(2 * Math.PI * hertz * 2.76 * t));
        }
        return sound;
    }
}
