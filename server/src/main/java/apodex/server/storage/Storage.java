package apodex.server.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.slf4j.LoggerFactory;

/**
 * Keeps things that consist of files, each under a name such as {@code runs/...}. A thing is made in a folder of this machine, appears to
 * everybody at once, and does not change from then on.
 */
public interface Storage {
    /**
     * A file of a thing as it lies there now.
     *
     * @param path           in the thing, with slashes
     * @param length         bytes
     * @param modifiedMillis when it was written, by the disk it was made on
     * @param isAsPublished  false when somebody else has been at it since
     */
    record Kept(String path, long length, long modifiedMillis, boolean isAsPublished) {}

    /** The folder of this machine in which a thing is made; not there before somebody makes it. */
    Path making(String name);

    /** The same, made. */
    default Path begin(String name) throws IOException {
        return Files.createDirectories(making(name));
    }

    /** Files of a thing that go there while the rest of it is made; closed, what was not published meanwhile is called off. */
    interface Ahead extends AutoCloseable {
        /** Begins to put there a file, or all of a folder, that lies in {@link #making} and does not change any more. */
        void begin(String path) throws IOException;

        @Override
        void close();
    }

    /** {@link #publish} goes on from there. */
    Ahead ahead(String name) throws IOException;

    /**
     * Lets everybody see what lies in {@link #making}.
     *
     * @throws LostWriting when it took so long that others take it for given up; nobody sees it then
     */
    void publish(String name) throws IOException;

    /** A file, as it is there now; empty when it is gone. */
    Optional<Kept> find(String name, String path) throws IOException;

    /** All files of a folder of a thing; none where there is no such thing. */
    List<Kept> list(String name, String folder) throws IOException;

    /** @throws java.io.FileNotFoundException when there is none */
    InputStream open(String name, String path, long from) throws IOException;

    /** The same, and where {@link #making} still has it, from there. */
    InputStream openWhileHere(String name, String path, long from) throws IOException;

    /** Writes one file anew, in one step; for what can be told again from the others. */
    void replace(String name, String path, byte[] content) throws IOException;

    /** A thing as a folder of this machine, brought there when it has to be; nobody writes there. */
    Path here(String name) throws IOException;

    /** One file of a thing on this machine. @throws java.io.FileNotFoundException when there is none */
    Path here(String name, String path) throws IOException;

    /** Removes what of this thing lies on this machine alone, once it is published. */
    void leave(String name) throws IOException;

    /** The same, for who has nothing to do with it any more: where it does not work, it is swept when the node starts again. */
    default void letGo(String name) {
        try {
            leave(name);
        } catch (IOException e) {
            LoggerFactory.getLogger(Storage.class).warn("{} is still on this machine.", name, e);
        }
    }

    /** Removes a thing, out of sight first. Nothing happens when there is none. */
    void remove(String name) throws IOException;

    /** Whether several nodes have it. */
    boolean isShared();

    /** What to call it, for people; the same for all nodes that share it. */
    String address();
}
