package apodex.server.runs;

import apodex.parcel.ZipPieces;
import apodex.server.storage.Storage;
import java.io.InputStream;
import java.util.List;
import org.springframework.core.io.AbstractResource;

/** A zip, or a file, as something to download: read from where the files lie each time it is asked for, from any byte on. */
final class StoredResource extends AbstractResource {
    private final ZipPieces pieces;
    private final ZipPieces.Source source;

    StoredResource(ZipPieces zip, ZipPieces.Source source) {
        this.pieces = zip;
        this.source = source;
    }

    /** One file alone. */
    static StoredResource of(Storage.Kept file, String path, ZipPieces.Source source) {
        return new StoredResource(
                new ZipPieces(path, List.of(new ZipPieces.Piece(new byte[0], path, file.length()))), source);
    }

    @Override
    public String getDescription() {
        return pieces.name() + " of " + source; // resources of one description are the same
    }

    @Override
    public boolean exists() {
        return true;
    }

    @Override
    public long contentLength() {
        return pieces.length();
    }

    @Override
    public InputStream getInputStream() {
        return pieces.open(source);
    }
}
