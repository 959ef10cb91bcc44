package apodex.server.runs;

import apodex.proof.FileProof;
import apodex.server.storage.Storage;
import apodex.server.web.Refused;
import apodex.server.web.StorageAway;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Lets only files out of the house that are what was proved: nobody is given half a file, or one that was altered since. */
final class HandedOut {
    private final Lying lying;
    private final Map<String, FileProof> proved;
    private final Map<String, String> printed;

    /** How a file lies there now; empty when it is gone. */
    interface Lying {
        Optional<Storage.Kept> find(String path) throws IOException;
    }

    /**
     * @param printed what was printed, with the checksums of then
     */
    HandedOut(Lying lying, List<FileProof> proved, List<RunMapper.StoredFile> printed) {
        this.lying = lying;
        this.proved = proved.stream().collect(Collectors.toMap(FileProof::path, Function.identity()));
        this.printed =
                printed.stream().collect(Collectors.toMap(RunMapper.StoredFile::path, RunMapper.StoredFile::sha256));
    }

    /**
     * Looks at a file before any of it goes out.
     *
     * @param length bytes it was to have
     * @throws Refused (404, 409) with its name when it is gone or not what it was
     */
    Storage.Kept check(String path, long length) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        FileProof proof = proved.get(path);
        try {
            Storage.Kept file =
                    lying.find(path).orElseThrow(() -> Refused.notFound("“" + name + "” is not on the disk any more."));
            if (file.length() != length || !file.isAsPublished() || proof != null && isAltered(proof)) {
                throw Refused.conflict("“" + name + "” was altered since it was printed. Print again.");
            }
            boolean touched =
                    proof != null && proof.modifiedMillis() != null && file.modifiedMillis() != proof.modifiedMillis();
            if (touched) { // perhaps by no more than a copy to another disk: reading tells
                throw Refused.conflict(
                        "“" + name + "” was written to since it was read back. Read the files again, then fetch them.");
            }
            return file;
        } catch (StorageAway e) {
            throw Refused.away(e.getMessage());
        } catch (IOException e) {
            throw Refused.conflict("“" + name + "” cannot be read.");
        }
    }

    private boolean isAltered(FileProof proof) {
        String before = printed.get(proof.path());
        return !proof.isRead() || before != null && !before.equals(proof.sha256());
    }
}
