package apodex.server.runs;

import apodex.handoff.Printing;
import apodex.parcel.ZipPieces;
import apodex.server.storage.Storage;
import apodex.session.SessionDocument;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;

/**
 * A run's files as they lie in the storage, for who hands them out. How they are made says {@link RunFolder}.
 *
 * @param name of the run in the storage
 */
record StoredRun(Storage storage, String name) {
    Optional<Storage.Kept> file(String path) throws IOException {
        return storage.find(name, RunFolder.FILES + path);
    }

    List<Storage.Kept> files() throws IOException {
        return storage.list(name, RunFolder.FILES.replace("/", ""));
    }

    ZipPieces.Source source() {
        return (path, at) -> storage.open(name, RunFolder.FILES + path, at);
    }

    /** The same; what was made on this machine and still is on it is read there. */
    ZipPieces.Source sourceWhileHere() {
        return (path, at) -> storage.openWhileHere(name, RunFolder.FILES + path, at);
    }

    byte[] picture(int file) throws IOException {
        return read(RunFolder.picturePath(file));
    }

    /** What a zip is made of. */
    ZipPieces zip(int part) throws IOException {
        return SessionDocument.read(text(RunFolder.zipPath(part)), ZipPieces.class);
    }

    Printing.Result result() throws IOException {
        return SessionDocument.read(text(RunFolder.RESULT), Printing.Result.class);
    }

    /** A zip that was written down, as runs of before did; theirs lie beside what zips are made of, or beside the files. */
    Optional<Storage.Kept> writtenZip(String zip) throws IOException {
        if (storage.isShared()) {
            return Optional.empty(); // younger than those
        }
        Optional<Storage.Kept> beside = storage.find(name, "parcels/" + zip);
        return beside.isPresent() ? beside : storage.find(name, "parcel.zip");
    }

    private byte[] read(String path) throws IOException {
        try (InputStream in = storage.open(name, path, 0)) {
            return in.readAllBytes();
        }
    }

    private String text(String path) throws IOException {
        return new String(read(path), StandardCharsets.UTF_8);
    }
}
