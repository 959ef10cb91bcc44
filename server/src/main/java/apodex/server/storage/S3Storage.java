package apodex.server.storage;

import apodex.audio.WorkFolder;
import apodex.server.web.StorageAway;
import apodex.session.SessionDocument;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/**
 * A store that speaks S3. A thing is a prefix, its files are objects under it, and a list of them is the last that is written: without it
 * nothing is there.
 */
final class S3Storage implements Storage, AutoCloseable {
    private static final String LIST = ".list";
    private static final int LISTS_KEPT = 500;

    private final S3Objects objects;
    private final String prefix;
    private final String address;
    private final Path local;
    private final Writing writing;
    private final BroughtHere brought;
    /** By what they are of. */
    private final Map<String, Sending> sending = new ConcurrentHashMap<>();

    /** A thing never changes. */
    private final Cache<String, PublishedFiles> known =
            Caffeine.newBuilder().maximumSize(LISTS_KEPT).build();

    /**
     * @param prefix of all keys: empty, or ends in a slash
     * @param local  where things are made and brought to on this machine
     * @param mostBrought bytes of things that were brought
     */
    S3Storage(S3Objects objects, String prefix, String address, Path local, long mostBrought, Writing writing) {
        this.brought = new BroughtHere(objects, this::key, local, mostBrought);
        this.objects = objects;
        this.prefix = prefix;
        this.address = address;
        this.local = local;
        this.writing = writing;
    }

    @Override
    public Path making(String name) {
        return local.resolve("making").resolve(name);
    }

    @Override
    public Ahead ahead(String name) throws IOException {
        Patience.step(() -> writing.begin(name));
        Sending some = new Sending(file -> put(name, file));
        sending.put(name, some);
        return new Ahead() {
            @Override
            public void begin(String path) throws IOException {
                some.begin(files(making(name).resolve(path)));
            }

            @Override
            public void close() {
                if (sending.remove(name, some)) {
                    some.callOff();
                }
            }
        };
    }

    private static List<Path> files(Path folder) throws IOException {
        try (Stream<Path> inside = Files.walk(folder)) {
            return inside.filter(Files::isRegularFile).sorted().toList();
        }
    }

    private CompletableFuture<S3Objects.Found> put(String name, Path file) throws IOException {
        Patience.step(() -> writing.goOn(name));
        return objects.put(key(name, relative(making(name), file)), file);
    }

    @Override
    public void publish(String name) throws IOException {
        Path home = making(name);
        List<Path> files = files(home);
        Patience.step(() -> writing.begin(name));
        Sending some = sending.remove(name);
        Map<Path, CompletableFuture<S3Objects.Found>> before = some == null ? Map.of() : some.end();
        List<CompletableFuture<S3Objects.Found>> onTheWay = new ArrayList<>();
        try {
            List<PublishedFiles.Entry> entries = new ArrayList<>();
            for (Path file : files) {
                onTheWay.add(before.containsKey(file) ? before.get(file) : put(name, file));
            }
            for (int i = 0; i < files.size(); i++) {
                Path file = files.get(i);
                String path = relative(home, file);
                S3Objects.Found put = arrived(onTheWay.get(i), key(name, path), file);
                entries.add(new PublishedFiles.Entry(
                        path, put.length(), Files.getLastModifiedTime(file).toMillis(), put.tag()));
            }
            PublishedFiles contents = new PublishedFiles(List.copyOf(entries));
            byte[] list = SessionDocument.write(contents).getBytes(StandardCharsets.UTF_8);
            Patience.reaching(() -> {
                writing.goOn(name);
                return objects.put(key(name, LIST), list);
            });
            known.put(name, contents);
        } catch (IOException | RuntimeException e) {
            Sending.await(before.values());
            giveUp(name, onTheWay, e);
            throw e;
        }
    }

    /** What did not get through is tried again while the store is away. */
    private S3Objects.Found arrived(CompletableFuture<S3Objects.Found> first, String key, Path file)
            throws IOException {
        try {
            return S3Objects.await(first);
        } catch (StorageAway away) {
            return Patience.reaching(() -> S3Objects.await(objects.put(key, file)));
        }
    }

    private void giveUp(String name, List<? extends CompletableFuture<?>> onTheWay, Exception why) {
        Sending.await(onTheWay); // what arrives later would stay
        try {
            objects.removeAll(key(name, ""));
            writing.forget(name);
        } catch (IOException | RuntimeException e) {
            writing.letGo(name); // swept later
            why.addSuppressed(e);
        }
    }

    private String key(String name, String path) {
        return prefix + name + "/" + path;
    }

    private static String relative(Path home, Path file) {
        return home.relativize(file).toString();
    }

    private PublishedFiles contents(String name) throws IOException {
        PublishedFiles there = known.getIfPresent(name);
        if (there == null) {
            there = SessionDocument.read(
                    new String(objects.bytes(key(name, LIST)), StandardCharsets.UTF_8), PublishedFiles.class);
            known.put(name, there);
        }
        return there;
    }

    @Override
    public Optional<Kept> find(String name, String path) throws IOException {
        Optional<S3Objects.Found> found = objects.find(key(name, path));
        return found.isEmpty() ? Optional.empty() : kept(name, path, found.get());
    }

    private Optional<Kept> kept(String name, String path, S3Objects.Found found) throws IOException {
        try {
            return Optional.ofNullable(contents(name).byPath().get(path)).map(entry -> entry.asFound(found));
        } catch (FileNotFoundException e) {
            return Optional.empty(); // removed at this moment
        }
    }

    @Override
    public List<Kept> list(String name, String folder) throws IOException {
        Map<String, PublishedFiles.Entry> entries;
        try {
            entries = contents(name).byPath();
        } catch (FileNotFoundException e) {
            return List.of();
        }
        int head = key(name, "").length();
        List<Kept> all = new ArrayList<>();
        for (S3Objects.Found found : objects.list(key(name, folder.isEmpty() ? "" : folder + "/"))) {
            PublishedFiles.Entry entry = entries.get(found.key().substring(head));
            if (entry != null) {
                all.add(entry.asFound(found));
            }
        }
        return all;
    }

    @Override
    public InputStream open(String name, String path, long from) throws IOException {
        return objects.open(key(name, path), from);
    }

    @Override
    public InputStream openWhileHere(String name, String path, long from) throws IOException {
        try {
            return FolderStorage.open(making(name).resolve(path), from);
        } catch (FileNotFoundException e) { // also when it was given up this moment
            return open(name, path, from);
        }
    }

    @Override
    public void replace(String name, String path, byte[] content) throws IOException {
        Patience.reaching(() -> objects.put(key(name, path), content));
    }

    @Override
    public Path here(String name) throws IOException {
        return brought.all(name, () -> contents(name));
    }

    @Override
    public Path here(String name, String path) throws IOException {
        return brought.one(name, path);
    }

    @Override
    public void leave(String name) throws IOException {
        WorkFolder.remove(making(name));
        brought.leave(name);
    }

    @Override
    public void remove(String name) throws IOException {
        objects.remove(key(name, LIST));
        known.invalidate(name);
        objects.removeAll(key(name, ""));
        leave(name);
    }

    @Override
    public void close() {
        objects.close();
    }

    @Override
    public boolean isShared() {
        return true;
    }

    @Override
    public String address() {
        return address;
    }
}
