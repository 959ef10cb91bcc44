package apodex.parcel;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;

/**
 * A zip that is not written down: bytes of its own between files that lie on the disk anyway. Whoever reads it reads those.
 *
 * @param name   file name
 * @param pieces in their order
 */
public record ZipPieces(String name, List<Piece> pieces) {
    public ZipPieces {
        pieces = List.copyOf(pieces);
    }

    /**
     * A stretch of the zip.
     *
     * @param bytes  what it is; empty for a file
     * @param path   the file it is, in the folder of the printed files; empty for bytes
     * @param length in bytes
     */
    public record Piece(byte[] bytes, String path, long length) {
        static Piece of(byte[] bytes) {
            return new Piece(bytes, "", bytes.length);
        }

        static Piece of(String path, long length) {
            return new Piece(new byte[0], path, length);
        }
    }

    /** Bytes of the whole zip. */
    public long length() {
        return pieces.stream().mapToLong(Piece::length).sum();
    }

    /** Those of its pieces that are files. */
    public List<Piece> files() {
        return pieces.stream().filter(piece -> !piece.path().isEmpty()).toList();
    }

    /** Where the printed files are read from. */
    @FunctionalInterface
    public interface Source {
        /** A file's bytes from {@code at} on. */
        InputStream open(String path, long at) throws IOException;

        /** Files of a folder on the disk. */
        static Source of(Path folder) {
            return (path, at) -> Channels.newInputStream(FileChannel.open(folder.resolve(path), StandardOpenOption.READ)
                    .position(at));
        }
    }

    /** The zip's bytes. Skipping costs nothing, so that a download can go on anywhere. */
    public InputStream open(Source files) {
        return new ZipPiecesStream(pieces, files);
    }

    /** @param files folder of the printed files */
    public InputStream open(Path files) {
        return open(Source.of(files));
    }
}
