package apodex.server.runs;

import apodex.proof.FileProof;
import apodex.server.web.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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

    /**
     * Looks at a file before any of it goes out.
     *
     * @param length bytes it was to have
     * @throws Refused (404, 409) with its name when it is gone or not what it was
     */
    void check(String path, long length) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        Path file = folder.resolve(path);
        FileProof proof = proved.get(path);
        try {
            if (!Files.exists(file)) {
                throw Refused.notFound("“" + name + "” is not on the disk any more.");
            }
            if (Files.size(file) != length || proof != null && isAltered(proof)) {
                throw Refused.conflict("“" + name + "” was altered since it was printed. Print again.");
            }
            boolean touched = proof != null
                    && proof.modifiedMillis() != null
                    && Files.getLastModifiedTime(file).toMillis() != proof.modifiedMillis();
            if (touched) { // perhaps by no more than a copy to another disk: reading tells
                throw Refused.conflict(
                        "“" + name + "” was written to since it was read back. Read the files again, then fetch them.");
            }
        } catch (IOException e) {
            throw Refused.conflict("“" + name + "” cannot be read.");
        }
    }

    private boolean isAltered(FileProof proof) {
        String before = printed.get(proof.path());
        return !proof.isRead() || before != null && !before.equals(proof.sha256());
    }
}
