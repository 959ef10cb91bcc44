package apodex.parcel;

import apodex.parcel.ZipPieces.Piece;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;

/** Reads a zip's pieces one after the other. */
final class ZipPiecesStream extends InputStream {
    private final List<Piece> pieces;
    private final ZipPieces.Source files;
    private int piece;
    private long inPiece;
    private InputStream open;

    ZipPiecesStream(List<Piece> pieces, ZipPieces.Source files) {
        this.pieces = pieces;
        this.files = files;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
        if (length == 0) {
            return 0;
        }
        while (piece < pieces.size() && inPiece == here().length()) {
            next();
        }
        if (piece == pieces.size()) {
            return -1;
        }
        int most = (int) Math.min(length, here().length() - inPiece);
        int read = here().path().isEmpty() ? ofBytes(into, from, most) : ofFile(into, from, most);
        inPiece += read;
        return read;
    }

    private Piece here() {
        return pieces.get(piece);
    }

    private int ofBytes(byte[] into, int from, int length) {
        System.arraycopy(here().bytes(), (int) inPiece, into, from, length);
        return length;
    }

    private int ofFile(byte[] into, int from, int length) throws IOException {
        if (open == null) {
            open = files.open(here().path(), inPiece);
        }
        int read = open.read(into, from, length);
        if (read < 0) { // nobody may take half a file for a whole one
            throw new EOFException("“" + here().path() + "” was cut short while it was handed out.");
        }
        return read;
    }

    private void next() throws IOException {
        piece++;
        inPiece = 0;
        leave();
    }

    private void leave() throws IOException {
        if (open != null) {
            open.close();
            open = null;
        }
    }

    @Override
    public long skip(long count) throws IOException {
        long skipped = 0;
        while (skipped < count && piece < pieces.size()) {
            long most = Math.min(count - skipped, here().length() - inPiece);
            inPiece += most;
            skipped += most;
            if (inPiece == here().length()) {
                next();
            } else {
                leave(); // opened anew where it goes on
            }
        }
        return skipped;
    }

    @Override
    public void close() throws IOException {
        leave();
    }
}
