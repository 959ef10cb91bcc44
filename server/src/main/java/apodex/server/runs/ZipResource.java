package apodex.server.runs;

import apodex.parcel.ZipPieces;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import org.springframework.core.io.AbstractResource;

/** A zip as something to download: read from the printed files each time it is asked for. */
final class ZipResource extends AbstractResource {
    private final ZipPieces zip;
    private final Path files;

    ZipResource(ZipPieces zip, Path files) {
        this.zip = zip;
        this.files = files;
    }

    @Override
    public String getDescription() {
        return zip.name() + " of " + files; // resources of one description are the same
    }

    @Override
    public boolean exists() {
        return true;
    }

    @Override
    public long contentLength() {
        return zip.length();
    }

    @Override
    public InputStream getInputStream() throws IOException {
        return zip.open(files);
    }
}
