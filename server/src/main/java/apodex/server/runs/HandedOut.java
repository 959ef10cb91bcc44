package apodex.server.runs;

import apodex.proof.FileProof;
import apodex.server.web.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Lets only files out of the house that are what was proved: nobody is given half a file, or one that was altered since. */
final class HandedOut {
    private final Path folder;
    private final Map<String, FileProof> proved;
    private final Map<String, String> printed;

    /**
     * @param folder  of the printed files
     * @param printed what was printed, with the checksums of then
     */
    HandedOut(Path folder, List<FileProof> proved, List<RunMapper.StoredFile> printed) {
        this.folder = folder;
        this.proved = proved.stream().collect(Collectors.toMap(FileProof::path, Function.identity()));
        this.printed =
                printed.stream().collect(Collectors.toMap(RunMapper.StoredFile::path, RunMapper.StoredFile::sha256));
    }

    /** @throws Refused (404, 409) with the name of the first file that is gone or altered */
    void check(Collection<String> paths) {
        for (String path : paths) {
            check(path);
        }
    }

    private void check(String path) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        Path file = folder.resolve(path);
        if (!Files.exists(file)) {
            throw Refused.notFound("“" + name + "” is not on the disk any more.");
        }
        FileProof proof = proved.get(path);
        if (proof != null && (isAltered(proof) || isTouched(file, proof))) {
            throw Refused.conflict(
                    "“" + name + "” was altered since it was printed. Read the files again, or print again.");
        }
    }

    private boolean isAltered(FileProof proof) {
        String before = printed.get(proof.path());
        return !proof.isRead() || before != null && !before.equals(proof.sha256());
    }

    private static boolean isTouched(Path file, FileProof proof) {
        try {
            return Files.size(file) != proof.bytes()
                    || proof.modifiedMillis() != null
                            && Files.getLastModifiedTime(file).toMillis() != proof.modifiedMillis();
        } catch (IOException e) {
            return true;
        }
    }
}
