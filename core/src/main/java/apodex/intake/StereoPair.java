package apodex.intake;

import apodex.audio.Dither;
import apodex.audio.PcmEncoder;
import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.WavWriter;
import apodex.session.AddRow;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.RemoveRow;
import apodex.session.Row;
import apodex.session.RowIds;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.Together;
import apodex.session.UseRecordings;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** Makes one stereo recording of two mono ones, and one row of the two that used them. */
public final class StereoPair {
    private static final int BLOCK_FRAMES = 16_384;

    private StereoPair() {}

    /** Whether a row is one mono clip. */
    static boolean isHalf(AudioRow row) {
        return row.takes().size() == 1
                && row.clips().size() == 1
                && row.clips().get(0).channels() == 1;
    }

    /** Whether two halves lie at the same place and are recorded alike. */
    static boolean fit(Session session, AudioRow left, AudioRow right) {
        Clip a = left.clips().get(0);
        Clip b = right.clips().get(0);
        Recording one = session.recording(a.recording());
        Recording other = session.recording(b.recording());
        return a.position() == b.position()
                && a.offset() == b.offset()
                && a.frames() == b.frames()
                && a.gainDb() == b.gainDb()
                && alike(one, other);
    }

    /** Whether two recordings can be the sides of one: of one rate, format and length. */
    static boolean alike(Recording one, Recording other) {
        return one.rate().equals(other.rate()) && one.sample() == other.sample() && one.frames() == other.frames();
    }

    /**
     * The edit that makes one row of two.
     *
     * @param work a folder for the file on its way
     * @throws IllegalArgumentException with a sentence when they do not fit
     */
    public static SessionEdit join(Session session, String leftId, String rightId, RecordingStore store, Path work)
            throws IOException {
        AudioRow left = half(session, leftId);
        AudioRow right = half(session, rightId);
        if (!fit(session, left, right)) {
            throw new IllegalArgumentException("“" + left.name() + "” and “" + right.name()
                    + "” do not start together, are not equally long, or were recorded differently.");
        }
        Clip clip = left.clips().get(0);
        Recording one = session.recording(clip.recording());
        String name = stem(left.name());
        Recording other = session.recording(right.clips().get(0).recording());
        Recording kept = recording(
                store, one, clip.firstChannel(), other, right.clips().get(0).firstChannel(), name, work);
        Clip both = new Clip(
                kept.sha256(),
                0,
                2,
                clip.position(),
                clip.offset(),
                clip.frames(),
                clip.gainDb(),
                clip.fadeIn(),
                clip.fadeOut(),
                clip.inserts(),
                clip.muted(),
                clip.inverted());
        AudioRow row = new AudioRow(
                RowIds.fresh(),
                name,
                List.of(both),
                left.strip().withFader(left.strip().faderDb(), 0));
        return new Together(
                "Join “" + left.name() + "” and “" + right.name() + "”",
                List.of(
                        new UseRecordings(List.of(kept)),
                        new AddRow(row.withAbout(left.about()), left.id()),
                        new RemoveRow(left.id()),
                        new RemoveRow(right.id())));
    }

    /**
     * One stereo recording of two channels of mono ones that are equally long and recorded alike.
     *
     * @param left null for silence on that side, as {@code right} may be
     * @param name of it
     * @param work a folder for the file on its way
     */
    static Recording recording(
            RecordingStore store,
            @Nullable Recording left,
            int leftChannel,
            @Nullable Recording right,
            int rightChannel,
            String name,
            Path work)
            throws IOException {
        Path file = work.resolve("pair.wav");
        interleave(store, left, right, rightChannel, leftChannel, file);
        Recording made = store.bring(file, name + ".wav");
        Recording given = left == null ? right : left;
        return new Recording(
                made.sha256(),
                made.fileName(),
                given.rate(),
                2,
                made.sample(),
                made.frames(),
                given.timeReference(),
                given.originated(),
                name);
    }

    private static AudioRow half(Session session, String id) {
        Row row = SessionEdit.row(session, id);
        if (row instanceof AudioRow audio && isHalf(audio)) {
            return audio;
        }
        throw new IllegalArgumentException("“" + row.name() + "” is not one mono clip.");
    }

    private static String stem(String name) {
        String stem = name.replaceFirst("(?i)[\\s._-]*(?:[\\s._-](?:l|left|lft)|\\((?:l|left)\\)|\\.l)$", "")
                .strip();
        return stem.isEmpty() ? name : stem;
    }

    /** Sample for sample, in the format of both. */
    private static void interleave(
            RecordingStore store,
            @Nullable Recording left,
            @Nullable Recording right,
            int rightChannel,
            int leftChannel,
            Path file)
            throws IOException {
        Recording given = left == null ? right : left;
        SampleFormat format = given.sample() == SampleFormat.UINT8
                ? SampleFormat.INT16
                : given.sample() == SampleFormat.FLOAT64 ? SampleFormat.FLOAT32 : given.sample();
        double[][] block = new double[2][BLOCK_FRAMES];
        double[][] one = new double[][] {block[0]};
        double[][] other = new double[][] {block[1]};
        PcmEncoder encoder = new PcmEncoder(format, 2, 0);
        byte[] bytes = new byte[BLOCK_FRAMES * encoder.frameBytes()];
        try (PcmReader a = left == null ? null : store.open(left.sha256());
                PcmReader b = right == null ? null : store.open(right.sha256());
                WavWriter out = new WavWriter(file, given.rate(), 2, format, given.frames(), null)) {
            for (long first = 0; first < given.frames(); first += BLOCK_FRAMES) {
                int frames = (int) Math.min(BLOCK_FRAMES, given.frames() - first);
                if (a != null) {
                    a.read(first, frames, leftChannel, one, 0);
                }
                if (b != null) {
                    b.read(first, frames, rightChannel, other, 0);
                }
                encoder.encode(block, 0, frames, first, Dither.NONE, bytes);
                out.write(bytes, frames * encoder.frameBytes());
            }
        }
    }
}
