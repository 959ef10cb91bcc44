package apodex.proof;

import apodex.audio.Dither;
import apodex.audio.PcmReader;
import apodex.audio.ResampleKernel;
import apodex.audio.SampleFormat;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.measure.Decibels;
import apodex.session.Clip;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Channels;
import apodex.signal.ClipGain;
import apodex.signal.Exactness;
import apodex.signal.Recordings;
import apodex.signal.UnreadableRecording;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Where the session puts the first sound of a file: to the frame where samples are only placed, else not before which frame. */
final class FirstSound {
    private static final int BLOCK_FRAMES = 8_192;
    private final Session session;
    private final Plan plan;
    private final Recordings recordings;
    /** Frames by which a resampler's filter lets a sound begin before it does; 0 where none is. */
    private final long before;

    /** @param session as the handoff sees it */
    FirstSound(Session session, Plan plan, Recordings recordings) {
        this.session = session;
        this.plan = plan;
        this.recordings = recordings;
        this.before = plan.rate().equals(session.rate()) ? 0 : before(session.rate(), plan.rate());
    }

    private static long before(SampleRate in, SampleRate out) {
        return (long) Math.ceil((double) new ResampleKernel(in, out).half() * out.hertz() / in.hertz()) + 1;
    }

    /**
     * What is expected of a file.
     *
     * @param frame  of the file, before which there is no sound
     * @param latest frame at which it has begun: the same where samples are only placed, later by a fade, and far off where only
     *               the earliest frame is known
     */
    record Expected(long frame, long latest) {
        static Expected notBefore(long frame) {
            return new Expected(frame, Long.MAX_VALUE);
        }

        boolean isKnown() {
            return latest < Long.MAX_VALUE;
        }

        boolean holds(long first) {
            return first >= frame && first <= latest;
        }
    }

    /** Empty when the session does not say, as for a sound that is under way when the range begins. */
    Optional<Expected> of(Print print) throws IOException {
        PlannedSection section = plan.section(print);
        Row row = session.row(print.source()).orElse(null);
        if (row == null) {
            return Optional.empty();
        }
        long start = section.passage().range().start();
        Begin begin = isPlain(print, row)
                ? begin(row.placedAt(print.station()).orElseThrow(), start, print)
                : new Begin(earliest(row), Long.MAX_VALUE);
        if (begin.earliest() == Long.MAX_VALUE || begin.earliest() < start) {
            return Optional.empty();
        }
        long shift = section.passage().leadInFrames() - start;
        long frame = begin.earliest() + shift;
        if (before > 0) {
            double ratio = (double) plan.rate().hertz() / session.rate().hertz();
            return Optional.of(Expected.notBefore(Math.max(0, Math.round(frame * ratio) - before)));
        }
        return Optional.of(
                begin.latest() == Long.MAX_VALUE
                        ? Expected.notBefore(frame)
                        : new Expected(frame, begin.latest() + shift));
    }

    /**
     * Frames of the session.
     *
     * @param earliest the first sample that is not zero
     * @param latest   the first that the files' format cannot round to zero, whatever gain and fade; the same where nothing is changed
     */
    private record Begin(long earliest, long latest) {}

    /** Whether samples are placed, with gain and fades at the most: what is resampled, laid over another or dithered cannot be told. */
    private boolean isPlain(Print print, Row row) {
        List<Clip> clips = row.placedAt(print.station()).orElse(null);
        if (clips == null || print.sides() == Channels.MONO_SUM || !plan.rate().equals(session.rate())) {
            return false;
        }
        SampleFormat sample = plan.depth().sample();
        boolean exact = print.trimDb() == 0 && Exactness.isExact(session, clips, sample);
        return exact
                || Dither.policy(false, sample) == Dither.NONE
                        && isApart(clips)
                        && clips.stream().allMatch(clip -> session.recording(clip.recording())
                                .rate()
                                .equals(session.rate()));
    }

    private static boolean isApart(List<Clip> clips) {
        List<FrameRange> ranges = clips.stream()
                .map(Clip::range)
                .sorted(Comparator.comparingLong(FrameRange::start))
                .toList();
        return IntStream.range(1, ranges.size())
                .noneMatch(i -> ranges.get(i - 1).overlaps(ranges.get(i)));
    }

    private Begin begin(List<Clip> placed, long start, Print print) throws IOException {
        Begin begin = new Begin(Long.MAX_VALUE, Long.MAX_VALUE);
        List<Clip> clips =
                placed.stream().sorted(Comparator.comparingLong(Clip::position)).toList();
        for (Clip clip : clips) {
            long from = Math.max(clip.position(), start);
            if (from < clip.range().end() && begin.latest() == Long.MAX_VALUE) {
                Begin here = begin(clip, from, clip.range().end(), print);
                begin = new Begin(Math.min(begin.earliest(), here.earliest()), here.latest());
            }
        }
        return begin;
    }

    private Begin begin(Clip clip, long from, long to, Print print) throws IOException {
        SampleFormat sample = plan.depth().sample();
        double step = sample.isFloat() ? Float.MIN_NORMAL : Math.scalb(1.0, 1 - sample.bits());
        double gain = Decibels.toFactor(clip.gainDb() + print.trimDb());
        Channels sides = print.sides();
        double[][] block = new double[clip.channels()][BLOCK_FRAMES];
        long earliest = Long.MAX_VALUE;
        try (PcmReader in = recordings.open(clip.recording())) {
            for (long first = from; first < to; first += BLOCK_FRAMES) {
                int count = (int) Math.min(BLOCK_FRAMES, to - first);
                long inClip = first - clip.position();
                in.read(clip.offset() + inClip, count, clip.firstChannel(), block, 0);
                for (int i = 0; i < count && earliest == Long.MAX_VALUE; i++) {
                    earliest = loudest(block, sides, i) > 0 ? first + i : earliest;
                }
                ClipGain.apply(clip, gain, inClip, count, block);
                for (int i = 0; i < count; i++) {
                    if (loudest(block, sides, i) >= step) {
                        return new Begin(earliest, first + i);
                    }
                }
            }
        } catch (IOException e) {
            throw new UnreadableRecording(session, clip.recording(), e);
        }
        return new Begin(earliest, Long.MAX_VALUE);
    }

    private static double loudest(double[][] block, Channels sides, int frame) {
        double loudest = 0;
        for (int channel = 0; channel < sides.count(); channel++) {
            loudest = Math.max(loudest, Math.abs(block[Math.min(sides.side(channel), block.length - 1)][frame]));
        }
        return loudest;
    }

    /** The first clip or note of everything that reaches a row. */
    private long earliest(Row row) {
        long first = own(row);
        for (Row other : session.rows()) {
            if (Routing.downstream(session, other, Routing.Through.OUTPUTS_AND_SENDS)
                    .contains(row)) {
                first = Math.min(first, own(other));
            }
        }
        return first;
    }

    private long own(Row row) {
        return session.firstFrame(row).orElse(Long.MAX_VALUE);
    }
}
