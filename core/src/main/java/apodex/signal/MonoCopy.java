package apodex.signal;

import apodex.audio.PcmReader;
import apodex.audio.SoundFile;
import apodex.audio.SoundWriter;
import apodex.measure.SoundMeasures;
import apodex.measure.SoundMeter;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;

/** Replaces a stereo file whose sides are alike by one of them, sample for sample. */
final class MonoCopy {
    private static final int BLOCK_FRAMES = 16_384;

    private MonoCopy() {}

    /** @return what is there now */
    static Printed replace(Tap tap, long frames, long quietAt, long overs, Measuring measuring) throws IOException {
        Path stereo = tap.file().resolveSibling(tap.file().getFileName() + ".stereo");
        Files.move(tap.file(), stereo);
        Tap mono = new Tap(
                tap.row(),
                tap.station(),
                Channels.MONO_FROM_LEFT,
                tap.depth(),
                tap.rate(),
                tap.kind(),
                tap.trimDb(),
                tap.file(),
                tap.label() == null ? null : tap.label().mono(),
                tap.ditherSeed());
        try (PcmReader in = new PcmReader(stereo, SoundFile.examine(stereo));
                SoundWriter out = TapFile.open(mono, frames)) {
            SoundMeter meter = new SoundMeter(tap.rate(), out.layout());
            if (measuring == Measuring.ALL) {
                out.listen(meter, frames);
            }
            int size = tap.depth().bytes();
            boolean bigEndian = tap.kind().order() == ByteOrder.BIG_ENDIAN;
            byte[] taken = new byte[BLOCK_FRAMES * size];
            for (long first = 0; first < frames; first += BLOCK_FRAMES) {
                int count = (int) Math.min(BLOCK_FRAMES, frames - first);
                byte[] both = in.readBytes(first, count);
                for (int i = 0; i < count; i++) {
                    for (int b = 0; b < size; b++) {
                        taken[i * size + (bigEndian ? size - 1 - b : b)] = both[2 * i * size + b];
                    }
                }
                out.write(taken, count * size);
            }
            out.finish(frames);
            SoundMeasures measures = measuring == Measuring.ALL ? meter.measures() : null;
            return new Printed(1, frames, quietAt, overs, Placed.MIDDLE, out.digest(), measures);
        } finally {
            Files.deleteIfExists(stereo);
        }
    }
}
