package apodex.proof;

import apodex.audio.Digests;
import apodex.audio.FlacFile;
import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import apodex.handoff.Printing;
import apodex.measure.Decibels;
import apodex.measure.Loudness;
import apodex.measure.TruePeak;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;

/** Reads one printed file from front to back, once. */
public final class FileReader {
    /** Points of the picture drawn of every file. */
    public static final int PICTURE_POINTS = 1_200;
    private static final int BLOCK_FRAMES = 16_384;

    private final Path file;
    private final SoundInfo packed;
    private final Path sound;
    private final SoundInfo info;
    private final MessageDigest whole = Digests.sha256();
    private final MessageDigest content = Digests.sha256();
    private final FilePicture picture;
    private double peak;
    private long firstSound = -1;
    private long fullScale;
    private final Loudness loudness;
    private final TruePeak truePeak;

    /** @param sound the file itself, or what it was unpacked to */
    private FileReader(Path file, SoundInfo packed, Path sound, Measure measure) throws IOException {
        this.file = file;
        this.packed = packed;
        this.sound = sound;
        this.info = SoundFile.examine(sound);
        this.picture = new FilePicture(info.frames(), PICTURE_POINTS);
        boolean loud = measure == Measure.LOUDNESS_TOO;
        this.loudness = loud ? new Loudness(info.rate(), info.channels()) : null;
        this.truePeak = loud ? new TruePeak(info.rate(), info.channels()) : null;
    }

    /** What is measured of a file. */
    public enum Measure { SAMPLES, LOUDNESS_TOO }

    /** What was found, and how the file looks. */
    public record Result(FileProof proof, FilePicture picture) {}

    /**
     * Reads {@code file}. FLAC is unpacked beside it for as long as it takes.
     *
     * @param folder its folder in the parcel
     * @param made   what printing knows of it and no reading back can tell
     */
    public static Result read(Path file, String folder, Printing.Made made, Measure measure) throws IOException {
        SoundInfo packed = SoundFile.examine(file);
        if (packed.layout() != null) {
            return new FileReader(file, packed, file, measure).result(folder, made);
        }
        Path unpacked = Files.createTempDirectory("apodex-proof-").resolve("sound.wav");
        try {
            FlacFile.decode(file, unpacked);
            return new FileReader(file, packed, unpacked, measure).result(folder, made);
        } finally {
            Files.deleteIfExists(unpacked);
            Files.deleteIfExists(unpacked.getParent());
        }
    }

    private Result result(String folder, Printing.Made made) throws IOException {
        readAll();
        return new Result(proof(folder, made), picture);
    }

    private void readAll() throws IOException {
        long dataEnd = info.layout().offset() + info.frames() * info.layout().frameBytes();
        try (InputStream in = Files.newInputStream(sound); PcmReader pcm = new PcmReader(sound, info)) {
            whole.update(in.readNBytes(Math.toIntExact(info.layout().offset())));
            double[][] block = new double[info.channels()][BLOCK_FRAMES];
            for (long first = 0; first < info.frames(); first += BLOCK_FRAMES) {
                int frames = (int) Math.min(BLOCK_FRAMES, info.frames() - first);
                byte[] raw = pcm.readBytes(first, frames);
                whole.update(raw, 0, frames * info.layout().frameBytes());
                content.update(raw, 0, frames * info.layout().frameBytes());
                pcm.read(first, frames, 0, block, 0);
                measure(block, first, frames);
            }
            in.skipNBytes(dataEnd - info.layout().offset());
            whole.update(in.readAllBytes());
        }
    }

    private void measure(double[][] block, long first, int frames) {
        double fullScaleUp = fullScaleUp(info.sample());
        for (double[] channel : block) {
            for (int i = 0; i < frames; i++) {
                double sample = channel[i];
                peak = Math.max(peak, Math.abs(sample));
                if (sample >= fullScaleUp || sample <= -1.0) {
                    fullScale++;
                }
            }
        }
        if (firstSound < 0 && peak > 0) {
            firstSound = first + firstNonZero(block, frames);
        }
        picture.add(block, first, frames);
        if (loudness != null) {
            loudness.add(block, frames);
            truePeak.add(block, frames);
        }
    }

    private static int firstNonZero(double[][] block, int frames) {
        for (int i = 0; i < frames; i++) {
            for (double[] channel : block) {
                if (channel[i] != 0) {
                    return i;
                }
            }
        }
        return 0;
    }

    /** The highest value an integer format holds lies one step below 1. */
    private static double fullScaleUp(SampleFormat sample) {
        return sample.isFloat() ? 1.0 : 1.0 - Math.scalb(1.0, 1 - sample.bits());
    }

    private FileProof proof(String folder, Printing.Made made) throws IOException {
        boolean silent = peak == 0;
        double peakDbfs = Decibels.ofAmplitude(peak);
        String hash = sound.equals(file) ? HexFormat.of().formatHex(whole.digest()) : Digests.sha256(file);
        return new FileProof(file.getFileName().toString(), folder, packed.container(), info.rate(), info.sample(),
                info.channels(), info.frames(), info.broadcast() == null ? null : info.broadcast().timeReference(),
                silent ? null : firstSound, silent ? null : peakDbfs, lufs(),
                truePeak == null || silent ? null : truePeak.dbtp(), silent,
                !silent && peakDbfs < Decibels.NEARLY_SILENT_DBFS, fullScale, made.overs(), Files.size(file),
                hash, HexFormat.of().formatHex(content.digest()), made.takenOver(), null);
    }

    private Double lufs() {
        return loudness == null || loudness.integratedLufs().isEmpty() ? null : loudness.integratedLufs().getAsDouble();
    }
}
