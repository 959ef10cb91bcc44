package apodex.proof;

import apodex.audio.Digests;
import apodex.audio.PcmReader;
import apodex.audio.SampleDigest;
import apodex.audio.SampleFormat;
import apodex.audio.SoundInfo;
import apodex.handoff.Plan;
import apodex.handoff.Print;
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

/** Reads one printed file from front to back, once, and measures everything on the way. */
public final class FileReader {
    /** Points of the picture drawn of every file. */
    public static final int PICTURE_POINTS = 1_200;

    private static final int BLOCK_FRAMES = 16_384;

    private final Path file;
    private final PrintedSound sound;
    private final SoundInfo info;
    private final MessageDigest whole = Digests.sha256();
    private final MessageDigest content = Digests.sha256();
    private final SampleDigest digest = new SampleDigest();
    private final FilePicture picture;
    private final Fingerprint fingerprint;
    private final Loudness loudness;
    private final TruePeak truePeak;
    private final double[] sums;
    private double peak;
    private long firstSound = -1;
    private long fullScale;

    private FileReader(Path file, PrintedSound sound) {
        this.file = file;
        this.sound = sound;
        this.info = sound.info();
        this.picture = new FilePicture(info.frames(), PICTURE_POINTS);
        this.fingerprint = new Fingerprint(info.frames(), info.channels());
        this.loudness = new Loudness(info.rate(), info.channels());
        this.truePeak = new TruePeak(info.rate(), info.channels());
        this.sums = new double[info.channels()];
    }

    /**
     * What was found, how the file looks, and what tells it apart.
     *
     * @param digest {@link SampleDigest} of the samples on the disk; empty when they could not be read
     */
    public record Result(FileProof proof, FilePicture picture, Fingerprint fingerprint, String digest) {}

    /**
     * Reads a file. FLAC is unpacked for as long as it takes.
     *
     * @param folder its folder in the parcel
     * @param made   what printing knows of it and no reading back can tell
     */
    public static Result read(Path file, String folder, Printing.Made made) throws IOException {
        try (PrintedSound sound = PrintedSound.open(file)) {
            FileReader reader = new FileReader(file, sound);
            reader.readAll();
            return new Result(reader.proof(folder, made), reader.picture, reader.fingerprint, reader.digest.value());
        }
    }

    /** Reads a print of a plan; one that is missing or broken comes out as such, with the reason. */
    public static Result read(Path files, Plan plan, Print print, Printing.Made made) {
        try {
            return read(files.resolve(print.path()), print.folder(), made);
        } catch (IOException | RuntimeException e) {
            String why = Files.exists(files.resolve(print.path()))
                    ? "It cannot be read. " + e.getMessage()
                    : "It is not on the disk.";
            FileProof proof = FileProof.unread(
                    print.file(), print.folder(), plan.rate(), plan.depth().sample(), print.channels(), why);
            return new Result(proof, new FilePicture(1, 1), new Fingerprint(1, 0), "");
        }
    }

    private void readAll() throws IOException {
        long dataEnd = info.layout().offset() + info.frames() * info.layout().frameBytes();
        try (InputStream in = Files.newInputStream(sound.file());
                PcmReader pcm = sound.reader()) {
            whole.update(in.readNBytes(Math.toIntExact(info.layout().offset())));
            double[][] block = new double[info.channels()][BLOCK_FRAMES];
            for (long first = 0; first < info.frames(); first += BLOCK_FRAMES) {
                int frames = (int) Math.min(BLOCK_FRAMES, info.frames() - first);
                byte[] raw = pcm.readBytes(first, frames);
                whole.update(raw, 0, frames * info.layout().frameBytes());
                digest.update(raw, 0, frames * info.layout().frameBytes());
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
        for (int c = 0; c < block.length; c++) {
            double sum = 0;
            for (int i = 0; i < frames; i++) {
                double sample = block[c][i];
                sum += sample;
                peak = Math.max(peak, Math.abs(sample));
                if (sample >= fullScaleUp || sample <= -1.0) {
                    fullScale++;
                }
            }
            sums[c] += sum;
        }
        if (firstSound < 0 && peak > 0) {
            firstSound = first + firstNonZero(block, frames);
        }
        picture.add(block, first, frames);
        fingerprint.add(block, first, frames);
        loudness.add(block, frames);
        truePeak.add(block, frames);
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
    static double fullScaleUp(SampleFormat sample) {
        return sample.isFloat() ? 1.0 : 1.0 - Math.scalb(1.0, 1 - sample.bits());
    }

    private FileProof proof(String folder, Printing.Made made) throws IOException {
        boolean silent = peak == 0;
        double peakDbfs = Decibels.ofAmplitude(peak);
        String hash = sound.isUnpacked() ? Digests.sha256(file) : HexFormat.of().formatHex(whole.digest());
        return new FileProof(
                file.getFileName().toString(),
                folder,
                sound.packed().container(),
                info.rate(),
                info.sample(),
                info.channels(),
                info.frames(),
                info.broadcast() == null ? null : info.broadcast().timeReference(),
                silent ? null : firstSound,
                silent ? null : peakDbfs,
                loudness.integratedLufs().isEmpty()
                        ? null
                        : loudness.integratedLufs().getAsDouble(),
                silent ? null : truePeak.dbtp(),
                offset(),
                silent,
                !silent && peakDbfs < Decibels.NEARLY_SILENT_DBFS,
                fullScale,
                made.overs(),
                Files.size(file),
                hash,
                HexFormat.of().formatHex(content.digest()),
                made.placed(),
                made.takenOver(),
                null,
                null);
    }

    private double offset() {
        double most = 0;
        for (double sum : sums) {
            double mean = info.frames() == 0 ? 0 : sum / info.frames();
            most = Math.abs(mean) > Math.abs(most) ? mean : most;
        }
        return most;
    }
}
