package apodex.parcel;

import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.session.Session;
import apodex.signal.MeasuredRecordings;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** A parcel, printed, packed and unpacked again, as somebody has it who received it. @param root folder it lies in */
public record Unpacked(Plan plan, Proof proof, Path root) {
    private static final int THREADS = 2;

    public static Unpacked of(Session session, Handoff handoff, MeasuredRecordings recordings, Path folder)
            throws IOException {
        Plan plan = Planner.plan(session, handoff, recordings);
        Path printed = Files.createTempDirectory(folder, "printed");
        Printing.Result result =
                Printing.print(session, handoff, plan, printed, recordings, THREADS, WalkObserver.NONE);
        Proof proof =
                Proving.prove(session, handoff, result, printed, recordings, THREADS, Map.of(), Proving.Told.NOTHING);
        Path root = Files.createTempDirectory(folder, "received");
        for (ZipPieces zip : new Parcel(session, handoff, result.plan(), proof, "{}").zips(printed)) {
            try (InputStream in = zip.open(printed);
                    ZipInputStream unzip = new ZipInputStream(in)) {
                for (ZipEntry entry = unzip.getNextEntry(); entry != null; entry = unzip.getNextEntry()) {
                    Path file = root.resolve(entry.getName());
                    Files.createDirectories(file.getParent());
                    Files.copy(unzip, file, StandardCopyOption.REPLACE_EXISTING);
                }
            }
        }
        return new Unpacked(result.plan(), proof, root);
    }
}
