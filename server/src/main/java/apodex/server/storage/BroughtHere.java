package apodex.server.storage;

import apodex.audio.AtHand;
import apodex.audio.WorkFolder;
import apodex.server.web.StorageAway;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.BinaryOperator;

/** Things of the store that were brought to this machine, whole or a file of them, up to some size; what is here is whole. */
final class BroughtHere {
    private final S3Objects objects;
    private final BinaryOperator<String> key;
    private final Path local;
    private final AtHand atHand;

    /**
     * @param key       of a file, by the name of its thing and its path
     * @param mostBytes that whole things may take
     */
    BroughtHere(S3Objects objects, BinaryOperator<String> key, Path local, long mostBytes) {
        this.objects = objects;
        this.key = key;
        this.local = local;
        this.atHand = new AtHand(mostBytes);
    }

    Path all(String name, Patience.Work<PublishedFiles> contents) throws IOException {
        Path brought = brought(name);
        atHand.oneAtATime(name, () -> {
            if (Files.exists(brought)) {
                atHand.isUsed(name);
            } else {
                bring(name, Patience.reaching(contents).files(), brought);
                for (String unused : atHand.beyond()) {
                    leave(unused);
                }
            }
        });
        return brought;
    }

    private void bring(String name, List<PublishedFiles.Entry> files, Path brought) throws IOException {
        Path half = local.resolve("brought").resolve(".half-" + UUID.randomUUID());
        Files.createDirectories(half);
        try {
            List<CompletableFuture<?>> onTheWay = new ArrayList<>();
            for (PublishedFiles.Entry entry : files) {
                Path to = half.resolve(entry.path());
                Files.createDirectories(to.getParent());
                onTheWay.add(objects.get(key.apply(name, entry.path()), to));
            }
            for (int i = 0; i < onTheWay.size(); i++) {
                PublishedFiles.Entry entry = files.get(i);
                Path file = half.resolve(entry.path());
                await(onTheWay.get(i), key.apply(name, entry.path()), file);
                Files.setLastModifiedTime(file, FileTime.fromMillis(entry.modifiedMillis()));
            }
            Files.createDirectories(brought.getParent());
            Files.move(half, brought, StandardCopyOption.ATOMIC_MOVE);
            atHand.isHere(
                    name, files.stream().mapToLong(PublishedFiles.Entry::length).sum());
        } finally {
            WorkFolder.remove(half);
        }
    }

    /** What did not get through is tried again while the store is away. */
    private void await(CompletableFuture<?> first, String from, Path to) throws IOException {
        try {
            S3Objects.await(first);
        } catch (StorageAway away) {
            fetch(from, to);
        }
    }

    private void fetch(String from, Path to) throws IOException {
        Patience.reaching(() -> {
            Files.deleteIfExists(to);
            return S3Objects.await(objects.get(from, to));
        });
    }

    Path one(String name, String path) throws IOException {
        Path file = single(name).resolve(path);
        if (!Files.exists(file)) {
            Files.createDirectories(file.getParent());
            Path half = file.resolveSibling(".half-" + UUID.randomUUID());
            fetch(key.apply(name, path), half);
            Files.move(half, file, StandardCopyOption.ATOMIC_MOVE);
        }
        return file;
    }

    void leave(String name) throws IOException {
        atHand.isGone(name);
        WorkFolder.remove(brought(name));
        WorkFolder.remove(single(name));
    }

    private Path brought(String name) {
        return local.resolve("brought").resolve(name);
    }

    private Path single(String name) {
        return local.resolve("single").resolve(name);
    }
}
