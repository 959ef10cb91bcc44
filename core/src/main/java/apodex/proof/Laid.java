package apodex.proof;

import apodex.audio.PcmReader;
import apodex.measure.Decibels;
import apodex.signal.Placed;
import java.io.IOException;
import java.nio.file.Path;

/** A file as it lies in the sum: on both sides or one, with its trim taken back. */
final class Laid implements AutoCloseable {
    private final PrintedSound sound;
    private final PcmReader reader;
    private final int channels;
    private final double left;
    private final double right;
    private final double top;
    private final double[][] block;

    Laid(Path file, Placed placed, double trimDb, int blockFrames) throws IOException {
        this.sound = PrintedSound.open(file);
        this.reader = sound.reader();
        this.channels = Math.min(2, sound.info().channels());
        double gain = Decibels.toFactor(-trimDb);
        this.left = placed == Placed.RIGHT ? 0 : gain;
        this.right = placed == Placed.LEFT ? 0 : gain;
        this.top = FileReader.fullScaleUp(sound.info().sample());
        this.block = new double[channels][blockFrames];
    }

    long frames() {
        return sound.info().frames();
    }

    /**
     * Reads the next stretch into two sides; after the file's end there is silence.
     *
     * @param cut set where a sample stands at the end of an integer format's scale: there it may have been cut off
     */
    void read(long first, int count, double[][] into, boolean[] cut) throws IOException {
        int there = (int) Math.max(0, Math.min(count, frames() - first));
        if (there > 0) {
            reader.read(first, there, 0, block, 0);
        }
        double[] l = block[0];
        double[] r = block[channels - 1];
        for (int i = 0; i < there; i++) {
            into[0][i] = l[i] * left;
            into[1][i] = r[i] * right;
            if (Math.max(l[i], r[i]) >= top || Math.min(l[i], r[i]) <= -1) {
                cut[i] = !sound.info().sample().isFloat();
            }
        }
        for (int i = there; i < count; i++) {
            into[0][i] = 0;
            into[1][i] = 0;
        }
    }

    @Override
    public void close() throws IOException {
        reader.close();
        sound.close();
    }
}
