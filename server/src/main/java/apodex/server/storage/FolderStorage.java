package apodex.server.storage;

import apodex.audio.WorkFolder;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * A folder that one process has to itself. Things are made where they will lie; who makes them lets their files appear when they are
 * whole.
 */
final class FolderStorage implements Storage {
    private final Path root;
    private final Path removed;

    /** @param removed where things lie for the moment in which they are removed; swept at the start */
    FolderStorage(Path root, Path removed) {
        this.root = root;
        this.removed = removed;
    }

    @Override
    public Path making(String name) {
        return root.resolve(name);
    }

    @Override
    public Ahead ahead(String name) {
        return new Ahead() {
            @Override
            public void begin(String path) {
                // it lies there
            }

            @Override
            public void close() {
                // nothing is on its way
            }
        };
    }

    @Override
    public void publish(String name) {
        // it lies there
    }

    @Override
    public Optional<Kept> find(String name, String path) throws IOException {
        Path file = root.resolve(name).resolve(path);
        return Files.exists(file) ? Optional.of(kept(path, file)) : Optional.empty();
    }

    private static Kept kept(String path, Path file) throws IOException {
        return new Kept(path, Files.size(file), Files.getLastModifiedTime(file).toMillis(), true);
    }

    @Override
    public List<Kept> list(String name, String folder) throws IOException {
        Path home = root.resolve(name);
        List<Kept> all = new ArrayList<>();
        if (Files.isDirectory(home.resolve(folder))) {
            try (Stream<Path> inside = Files.walk(home.resolve(folder))) {
                for (Path file : inside.filter(Files::isRegularFile).toList()) {
                    all.add(kept(home.relativize(file).toString(), file));
                }
            }
        }
        return all;
    }

    @Override
    public InputStream open(String name, String path, long from) throws IOException {
        return open(root.resolve(name).resolve(path), from);
    }

    /** @throws FileNotFoundException when there is none */
    static InputStream open(Path file, long from) throws IOException {
        try {
            return Channels.newInputStream(
                    FileChannel.open(file, StandardOpenOption.READ).position(from));
        } catch (NoSuchFileException e) {
            throw new FileNotFoundException(file.getFileName().toString());
        }
    }

    @Override
    public InputStream openWhileHere(String name, String path, long from) throws IOException {
        return open(name, path, from); // it stays
    }

    @Override
    public void replace(String name, String path, byte[] content) throws IOException {
        Path file = root.resolve(name).resolve(path);
        Files.createDirectories(file.getParent());
        Path half = file.resolveSibling("." + UUID.randomUUID());
        Files.write(half, content);
        Files.move(half, file, StandardCopyOption.ATOMIC_MOVE);
    }

    @Override
    public Path here(String name) {
        return root.resolve(name);
    }

    @Override
    public Path here(String name, String path) throws IOException {
        Path file = root.resolve(name).resolve(path);
        if (!Files.exists(file)) {
            throw new FileNotFoundException(path);
        }
        return file;
    }

    @Override
    public void leave(String name) {
        // this machine's is everybody's
    }

    @Override
    public void remove(String name) throws IOException {
        if (Files.exists(root.resolve(name))) {
            Path gone =
                    Files.createDirectories(removed).resolve(UUID.randomUUID().toString());
            Files.move(root.resolve(name), gone, StandardCopyOption.ATOMIC_MOVE);
            WorkFolder.remove(gone);
        }
    }

    @Override
    public boolean isShared() {
        return false;
    }

    @Override
    public String address() {
        return root.toString();
    }
}
