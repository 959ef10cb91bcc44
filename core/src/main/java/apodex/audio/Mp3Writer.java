package apodex.audio;

import de.sciss.jump3r.lowlevel.LameEncoder;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import javax.sound.sampled.AudioFormat;

/** Makes an MP3 to listen to from a sound file. Encoding puts some hundredths of a second around it; its first frame says how much. */
public final class Mp3Writer {
    private static final int KILOBITS = 256;
    private static final int READ_FRAMES = 8_192;

    private Mp3Writer() {}

    /** @param mp3 must not exist */
    public static void encode(Path sound, Path mp3, SoundLabel label) throws IOException {
        SoundInfo info = SoundFile.examine(sound);
        int mode = info.channels() == 1 ? LameEncoder.CHANNEL_MODE_MONO : LameEncoder.CHANNEL_MODE_JOINT_STEREO;
        AudioFormat format = new AudioFormat(info.rate().hertz(), 16, info.channels(), true, false);
        LameEncoder encoder = new LameEncoder(format, KILOBITS, mode, LameEncoder.QUALITY_MIDDLE, false);
        long start;
        try (PcmReader in = new PcmReader(sound, info);
                OutputStream out =
                        Files.newOutputStream(mp3, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            byte[] tags = Id3Writer.of(label);
            out.write(tags);
            start = tags.length;
            PcmEncoder pcm = new PcmEncoder(SampleFormat.INT16, info.channels(), 0);
            double[][] block = new double[info.channels()][READ_FRAMES];
            byte[] bytes = new byte[READ_FRAMES * pcm.frameBytes()];
            byte[] encoded = new byte[Math.max(encoder.getMP3BufferSize(), bytes.length + 7_200)];
            int most = encoder.getPCMBufferSize() / pcm.frameBytes() * pcm.frameBytes();
            for (long first = 0; first < info.frames(); first += READ_FRAMES) {
                int count = (int) Math.min(READ_FRAMES, info.frames() - first);
                in.read(first, count, 0, block, 0);
                pcm.encode(block, 0, count, first, Dither.TRIANGULAR, bytes);
                int length = count * pcm.frameBytes();
                for (int at = 0; at < length; at += most) {
                    out.write(encoded, 0, encoder.encodeBuffer(bytes, at, Math.min(most, length - at), encoded));
                }
            }
            out.write(encoded, 0, encoder.encodeFinish(encoded));
        } finally {
            encoder.close();
        }
        Mp3InfoTag.fillIn(mp3, start, info.frames(), info.rate());
    }
}
