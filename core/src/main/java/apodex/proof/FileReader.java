package apodex.proof;

import apodex.audio.SoundInfo;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Decibels;
import apodex.measure.ProgrammeLoudness;
import apodex.measure.SoundMeasures;
import apodex.measure.SoundMeter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Reads one file from front to back and measures it, where nothing that was measured while printing holds for it. */
public final class FileReader {
    private static final int BLOCK_FRAMES = 8_192;

    private FileReader() {}

    /**
     * Reads a file.
     *
     * @param folder its folder in the parcel
     * @param made   what printing knows of it and no reading back can tell
     */
    public static ReadFile read(Path file, String folder, Printing.Made made) throws IOException {
        try (Reading reading = new Reading(file)) {
            byte[] raw = new byte[BLOCK_FRAMES * reading.layout().frameBytes()];
            SoundMeter meter = new SoundMeter(reading.info().rate(), reading.layout());
            for (int count = reading.read(raw, BLOCK_FRAMES); count > 0; count = reading.read(raw, BLOCK_FRAMES)) {
                meter.frames(raw, count);
            }
            reading.finish(raw);
            Path name = file.getFileName();
            return found(name.toString(), folder, reading.info(), reading.checksums(), meter.measures(), made);
        }
    }

    /** What is known of a file that was read. */
    static ReadFile found(
            String name,
            String folder,
            SoundInfo info,
            Reading.Checksums checksums,
            SoundMeasures measures,
            Printing.Made made) {
        Double peak = measures.peakDbfs();
        ProgrammeLoudness loudness = measures.loudness();
        FileProof proof = new FileProof(
                name,
                folder,
                info.container(),
                info.rate(),
                info.sample(),
                info.channels(),
                info.frames(),
                info.broadcast() == null ? null : info.broadcast().timeReference(),
                measures.firstSoundFrame(),
                peak,
                loudness == null ? null : loudness.integratedLufs(),
                measures.truePeakDbtp(),
                measures.offset(),
                measures.isSilent(),
                peak != null && peak < Decibels.NEARLY_SILENT_DBFS,
                measures.fullScaleSamples(),
                made.overs(),
                checksums.bytes(),
                checksums.sha256(),
                checksums.crc32(),
                checksums.modifiedMillis(),
                checksums.digest(),
                made.placed(),
                made.takenOver(),
                null,
                null);
        return new ReadFile(proof, measures, checksums.digest());
    }

    /** One that is missing or broken. */
    static ReadFile unread(Path files, Plan plan, Print print, Exception trouble) {
        String why = Files.exists(files.resolve(print.path()))
                ? "It cannot be read. " + trouble.getMessage()
                : "It is not on the disk.";
        FileProof proof = FileProof.unread(
                print.file(), print.folder(), plan.rate(), plan.depth().sample(), print.channels(), why);
        return new ReadFile(proof, SoundMeasures.NONE, "");
    }
}
