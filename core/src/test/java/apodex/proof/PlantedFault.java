package apodex.proof;

import apodex.audio.Dither;
import apodex.audio.FileKind;
import apodex.audio.FlacFile;
import apodex.audio.PcmEncoder;
import apodex.audio.PcmLayout;
import apodex.audio.PcmReader;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import apodex.audio.SoundLabel;
import apodex.proof.Culprit.Kind;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Set;
import java.util.SplittableRandom;

/** Something that goes wrong with a file after it was printed. */
enum PlantedFault {
    REMOVED,
    EMPTY,
    CUT_SHORT,
    DOUBLED,
    LEVEL,
    TURNED,
    SHIFTED,
    ONE_BIT,
    NOISE,
    ONE_SIDE,
    EXCHANGED_SIDES;

    private static final Set<Kind> ANY = Set.of(Kind.values());

    /**
     * What was done.
     *
     * @param kinds  what it may be called
     * @param amount its figure, where there is one to tell; NaN otherwise
     */
    record Planted(Set<Kind> kinds, double amount) {}

    /** Does it to a file. Null when this file would be the same after it. */
    Planted plant(Path file, SplittableRandom random) throws IOException {
        return switch (this) {
            case REMOVED -> {
                Files.delete(file);
                yield new Planted(Set.of(Kind.MISSING), Double.NaN);
            }
            case EMPTY -> {
                Files.write(file, new byte[0]);
                yield new Planted(Set.of(Kind.UNREADABLE), Double.NaN);
            }
            case CUT_SHORT -> cutShort(file, random);
            default -> inSamples(file, random);
        };
    }

    private static Planted cutShort(Path file, SplittableRandom random) throws IOException {
        byte[] all = Files.readAllBytes(file);
        SoundInfo info = SoundFile.examine(file);
        long least = info.layout() == null ? all.length / 2 : info.layout().offset() + 1;
        if (info.frames() < 2) {
            return null;
        }
        int length = (int) random.nextLong(
                least, all.length - (info.layout() == null ? 1 : info.layout().frameBytes() + 1));
        Files.write(file, Arrays.copyOf(all, length));
        return new Planted(Set.of(Kind.SHORT, Kind.UNREADABLE), Double.NaN);
    }

    private Planted inSamples(Path file, SplittableRandom random) throws IOException {
        boolean flac = SoundFile.examine(file).layout() == null;
        Path wav = flac ? file.resolveSibling("unpacked.wav") : file;
        if (flac) {
            FlacFile.decode(file, wav);
        }
        SoundInfo info = SoundFile.examine(wav);
        double[][] samples = new double[info.channels()][(int) info.frames()];
        try (PcmReader in = new PcmReader(wav, info)) {
            in.read(0, samples[0].length, 0, samples, 0);
        }
        byte[] before = Files.readAllBytes(wav);
        Planted planted = change(samples, info, random);
        byte[] after = planted == null ? before : encoded(before, samples, info, random);
        boolean same = Arrays.equals(before, after);
        if (!same) {
            Files.write(wav, after);
        }
        if (flac) {
            if (!same) {
                Files.delete(file);
                FileKind.FLAC.pack(wav, file, SoundLabel.of(null));
            }
            Files.delete(wav);
        }
        return same ? null : planted;
    }

    private Planted change(double[][] samples, SoundInfo info, SplittableRandom random) {
        int frames = samples[0].length;
        double peak = Arrays.stream(samples)
                .flatMapToDouble(Arrays::stream)
                .map(Math::abs)
                .max()
                .orElse(0);
        boolean fine = peak * Math.scalb(1.0, Math.min(24, info.sample().bits()) - 1) > 300;
        if (this == ONE_BIT) {
            return frames == 0 ? null : new Planted(ANY, Double.NaN);
        }
        if (this == NOISE) {
            for (double[] channel : samples) {
                for (int i = 0; i < frames; i++) {
                    channel[i] += 3.2e-5 * 2 * (random.nextDouble() - 0.5);
                }
            }
            return new Planted(fine ? Set.of(Kind.NOISE) : ANY, Double.NaN);
        }
        if (peak == 0) {
            return null;
        }
        switch (this) {
            case DOUBLED -> {
                scale(samples, 2);
                return new Planted(fine && peak < 0.49 ? Set.of(Kind.TWICE) : ANY, Double.NaN);
            }
            case LEVEL -> {
                double db = (random.nextBoolean() ? 1 : -1) * (0.3 + 5 * random.nextDouble());
                scale(samples, Math.pow(10, db / 20));
                return fine && peak < 0.5 ? new Planted(Set.of(Kind.LEVEL), db) : new Planted(ANY, Double.NaN);
            }
            case TURNED -> {
                scale(samples, -1);
                return new Planted(fine && peak < 1 ? Set.of(Kind.TURNED) : ANY, Double.NaN);
            }
            case SHIFTED -> {
                return shift(samples, info, random);
            }
            case ONE_SIDE -> {
                if (samples.length < 2 || isSilent(samples[0]) || isSilent(samples[1])) {
                    return null;
                }
                Arrays.fill(samples[random.nextInt(2)], 0);
                return new Planted(Set.of(Kind.ONE_SIDE), Double.NaN);
            }
            case EXCHANGED_SIDES -> {
                if (samples.length < 2) {
                    return null;
                }
                double[] left = samples[0];
                samples[0] = samples[1];
                samples[1] = left;
                return new Planted(ANY, Double.NaN);
            }
            default -> throw new IllegalStateException(name());
        }
    }

    private static Planted shift(double[][] samples, SoundInfo info, SplittableRandom random) {
        int frames = samples[0].length;
        int most = Math.min(Math.min(40_000, info.rate().hertz()), frames - 1);
        if (most < 1) {
            return null;
        }
        int shift = (random.nextBoolean() ? 1 : -1)
                * (random.nextBoolean() ? 1 + random.nextInt(Math.min(20, most)) : 1 + random.nextInt(most));
        double energy = 0;
        double kept = 0;
        for (double[] channel : samples) {
            for (double sample : channel) {
                energy += sample * sample;
            }
            if (shift > 0) {
                System.arraycopy(channel, 0, channel, shift, frames - shift);
                Arrays.fill(channel, 0, shift, 0);
            } else {
                System.arraycopy(channel, -shift, channel, 0, frames + shift);
                Arrays.fill(channel, frames + shift, frames, 0);
            }
            for (double sample : channel) {
                kept += sample * sample;
            }
        }
        return kept > energy / 20 ? new Planted(Set.of(Kind.SHIFTED), shift) : new Planted(ANY, Double.NaN);
    }

    private static boolean isSilent(double[] channel) {
        return Arrays.stream(channel).allMatch(sample -> sample == 0);
    }

    private static void scale(double[][] samples, double factor) {
        for (double[] channel : samples) {
            for (int i = 0; i < channel.length; i++) {
                channel[i] *= factor;
            }
        }
    }

    private byte[] encoded(byte[] before, double[][] samples, SoundInfo info, SplittableRandom random) {
        byte[] after = before.clone();
        PcmLayout layout = info.layout();
        int offset = (int) layout.offset();
        int frames = samples[0].length;
        if (this == ONE_BIT) {
            int at = offset + random.nextInt(frames * layout.frameBytes());
            after[at] ^= (byte) (1 << random.nextInt(8));
            return after;
        }
        byte[] data = new byte[frames * layout.frameBytes()];
        new PcmEncoder(layout.sample(), samples.length, 0).encode(samples, 0, frames, 0, Dither.NONE, data);
        int size = layout.frameBytes() / samples.length;
        for (int i = 0; i < data.length; i++) {
            int inFile = layout.order() == ByteOrder.LITTLE_ENDIAN ? i : i / size * size + size - 1 - i % size;
            after[offset + inFile] = data[i];
        }
        return after;
    }
}
