package apodex.proof;

import apodex.audio.PcmReader;
import apodex.audio.ResampleKernel;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Channels;
import apodex.signal.Exactness;
import apodex.signal.Recordings;
import apodex.signal.Station;
import apodex.signal.UnreadableRecording;
import apodex.time.SampleRate;
import java.io.IOException;
import java.util.Optional;

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
        boolean plain = isPlain(print, row);
        long begin = plain ? firstSample((AudioRow) row, start, print.sides()) : earliest(row);
        if (begin == Long.MAX_VALUE || begin < start) {
            return Optional.empty();
        }
        long frame = section.passage().leadInFrames() + begin - start;
        if (before > 0) {
            double ratio = (double) plan.rate().hertz() / session.rate().hertz();
            return Optional.of(Expected.notBefore(Math.max(0, Math.round(frame * ratio) - before)));
        }
        return Optional.of(plain ? new Expected(frame, frame) : Expected.notBefore(frame));
    }

    /** Whether samples come out as they are, so that the first that is not zero can be told: what is faded, turned or dithered is not. */
    private boolean isPlain(Print print, Row row) {
        return print.station() == Station.RAW
                && row instanceof AudioRow audio
                && print.trimDb() == 0
                && print.sides() != Channels.MONO_SUM
                && plan.rate().equals(session.rate())
                && Exactness.isExact(session, audio, plan.depth().sample());
    }

    private long firstSample(AudioRow row, long start, Channels sides) throws IOException {
        long found = Long.MAX_VALUE;
        for (Clip clip : row.clips()) {
            long from = Math.max(clip.position(), start);
            long to = Math.min(found, clip.range().end());
            if (from < to) {
                found = Math.min(found, firstSample(clip, from, to, sides));
            }
        }
        return found;
    }

    private long firstSample(Clip clip, long from, long to, Channels sides) throws IOException {
        double[][] block = new double[clip.channels()][BLOCK_FRAMES];
        try (PcmReader in = recordings.open(clip.recording())) {
            for (long first = from; first < to; first += BLOCK_FRAMES) {
                int count = (int) Math.min(BLOCK_FRAMES, to - first);
                in.read(clip.offset() + first - clip.position(), count, clip.firstChannel(), block, 0);
                for (int i = 0; i < count; i++) {
                    for (int channel = 0; channel < sides.count(); channel++) {
                        if (block[Math.min(sides.side(channel), block.length - 1)][i] != 0) {
                            return first + i;
                        }
                    }
                }
            }
        } catch (IOException e) {
            throw new UnreadableRecording(session, clip.recording(), e);
        }
        return Long.MAX_VALUE;
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
