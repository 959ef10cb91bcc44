package apodex.signal;

import java.io.IOException;

/** Writes the next frames of one file. Called with ascending blocks, by one thread at a time. */
interface RowTap extends AutoCloseable {
    void write(long first, int frames) throws IOException;

    @Override
    void close() throws IOException;
}
