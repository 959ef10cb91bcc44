package apodex.proof;

import apodex.audio.PcmReader;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Recordings;
import apodex.signal.Station;
import apodex.signal.UnreadableRecording;
import java.io.IOException;
import java.util.Optional;

/** Where the session puts the first sound of a file: to the frame where samples are only placed, else not before which frame. */
final class FirstSound {
    private static final int BLOCK_FRAMES = 8_192;
    /** A resampler's filter lets a sound begin a little before it does. */
    private static final long FOREIGN_RATE_FRAMES = 256;

    private final Session session;
    private final Plan plan;
    private final Recordings recordings;

    /** @param session as the handoff sees it */
    FirstSound(Session session, Plan plan, Recordings recordings) {
        this.session = session;
        this.plan = plan;
        this.recordings = recordings;
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
        boolean foreign = !plan.rate().equals(session.rate());
        boolean plain = print.station() == Station.RAW
                && row instanceof AudioRow audio
                && !foreign
                && audio.clips().stream().allMatch(this::isPlain);
        Begin begin = plain ? firstSample((AudioRow) row, start) : new Begin(earliest(row), 0);
        if (begin.frame() == Long.MAX_VALUE || begin.frame() < start) {
            return Optional.empty();
        }
        long frame = section.passage().leadInFrames() + begin.frame() - start;
        if (foreign) {
            return Optional.of(Expected.notBefore(Math.max(
                    0,
                    Math.round((double) frame
                                    * plan.rate().hertz()
                                    / session.rate().hertz())
                            - FOREIGN_RATE_FRAMES)));
        }
        return Optional.of(plain ? new Expected(frame, frame + begin.fade()) : Expected.notBefore(frame));
    }

    /** A first sample that is not zero, and how long the fade is that it may be lost in. */
    private record Begin(long frame, long fade) {}

    /** Whether a clip's samples come out as they are, so that the first that is not zero can be told. */
    private boolean isPlain(Clip clip) {
        Recording recording = session.recording(clip.recording());
        return clip.gainDb() >= 0
                && recording.rate().equals(session.rate())
                && plan.depth().sample().holdsExactly(recording.sample());
    }

    private Begin firstSample(AudioRow row, long start) throws IOException {
        Begin found = new Begin(Long.MAX_VALUE, 0);
        for (Clip clip : row.clips()) {
            long from = Math.max(clip.position(), start);
            if (from < found.frame() && from < clip.range().end()) {
                long first = firstSample(
                        clip, from, Math.min(found.frame(), clip.range().end()));
                found = first < found.frame()
                        ? new Begin(
                                first,
                                Math.max(0, clip.position() + clip.fadeIn().frames() - first))
                        : found;
            }
        }
        return found;
    }

    private long firstSample(Clip clip, long from, long to) throws IOException {
        double[][] block = new double[clip.channels()][BLOCK_FRAMES];
        try (PcmReader in = recordings.open(clip.recording())) {
            for (long first = from; first < to; first += BLOCK_FRAMES) {
                int count = (int) Math.min(BLOCK_FRAMES, to - first);
                in.read(clip.offset() + first - clip.position(), count, clip.firstChannel(), block, 0);
                for (int i = 0; i < count; i++) {
                    for (double[] channel : block) {
                        if (channel[i] != 0) {
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
