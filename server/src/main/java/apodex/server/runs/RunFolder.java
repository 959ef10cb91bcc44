package apodex.server.runs;

import apodex.audio.AllCores;
import apodex.audio.WorkFolder;
import apodex.handoff.Printing;
import apodex.parcel.ZipPieces;
import apodex.server.storage.Storage;
import apodex.session.SessionDocument;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * What a run keeps on disk. Everything is made under a hidden name and renamed when whole, so what can be seen is
 * complete, however the server ended.
 */
final class RunFolder {
    private static final String UNFINISHED = ".unfinished-";
    private static final int FORCING = 4;
    static final String FILES = "files/";
    static final String PICTURES = "pictures/";
    static final String RESULT = "result.json";
    private static final String SUMS = "sums";

    private final Path home;
    private final Lasting lasting;

    /** How long what is made in it has to last. */
    private enum Lasting {
        THROUGH_A_POWER_CUT,
        /** The storage sees to the rest; the next attempt begins in a folder of its own. */
        UNTIL_PUBLISHED
    }

    private RunFolder(Path home, Lasting lasting) {
        this.home = home;
        this.lasting = lasting;
    }

    /** One that is there. */
    RunFolder(Path home) {
        this(home, Lasting.THROUGH_A_POWER_CUT);
    }

    /** One that is to be published. */
    static RunFolder making(Storage storage, String name) {
        return new RunFolder(
                storage.making(name), storage.isShared() ? Lasting.UNTIL_PUBLISHED : Lasting.THROUGH_A_POWER_CUT);
    }

    Path files() {
        return home.resolve("files");
    }

    private Path parcels() {
        return home.resolve("parcels");
    }

    /** Remembers what the zips are made of; all of them at once. */
    void keep(List<ZipPieces> zips) throws IOException {
        Path work = begin();
        for (int part = 0; part < zips.size(); part++) {
            Files.writeString(work.resolve(part + ".json"), SessionDocument.write(zips.get(part)));
        }
        replace(work, parcels());
    }

    static String zipPath(int part) {
        return "parcels/" + part + ".json";
    }

    static String picturePath(int file) {
        return PICTURES + file;
    }

    Path picture(int file) {
        return home.resolve(picturePath(file));
    }

    /** Keeps a picture of a file in a hidden folder, until all are there. */
    static void draw(Path pictures, int file, byte[] picture) throws IOException {
        Files.write(pictures.resolve(Integer.toString(file)), picture);
    }

    /** The picture of a file; empty where there is none. */
    Optional<byte[]> drawn(int file) throws IOException {
        return Files.exists(picture(file)) ? Optional.of(Files.readAllBytes(picture(file))) : Optional.empty();
    }

    /** Whether all files are there, of this attempt or of one before. */
    boolean isPrinted() {
        return Files.exists(files());
    }

    /** Remembers what came out, before its files appear. */
    void keep(Printing.Result result) throws IOException {
        Files.writeString(home.resolve(RESULT), SessionDocument.write(result));
    }

    Printing.Result result() throws IOException {
        return SessionDocument.read(Files.readString(home.resolve(RESULT)), Printing.Result.class);
    }

    /** A new hidden folder for one attempt. */
    Path begin() throws IOException {
        Files.createDirectories(home);
        return Files.createDirectory(home.resolve(UNFINISHED + UUID.randomUUID()));
    }

    /** Where a part of a run keeps what its section's files must be together. */
    Path beginSums() throws IOException {
        return Files.createDirectories(home.resolve(SUMS));
    }

    /** Copies that of one section, where there is one, to where a run looks for it. */
    void copySum(int section, Path sums) throws IOException {
        Path sum = home.resolve(SUMS).resolve(section + ".wav");
        if (Files.exists(sum)) {
            Files.copy(sum, sums.resolve(section + ".wav"), StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** Writes everything in {@code made} through to the disk, where it is to last, and lets it appear as {@code name}. */
    void finish(Path made, Path name) throws IOException {
        if (Files.isDirectory(made)) {
            try (Stream<Path> inside = Files.walk(made)) {
                // several at once: a disk orders them better than a loop that waits for each
                AllCores.with(inside.filter(path -> !path.equals(made)).toList(), FORCING, this::force);
            }
        }
        force(made);
        try {
            Files.move(made, name, StandardCopyOption.ATOMIC_MOVE);
        } catch (FileSystemException e) {
            if (!Files.exists(name)) {
                throw e;
            }
            WorkFolder.remove(made); // another attempt was first, with the same bytes
        }
        force(home);
    }

    /** As {@link #finish}, in place of what is there already. */
    void replace(Path made, Path name) throws IOException {
        if (Files.exists(name)) {
            Path old = home.resolve(UNFINISHED + UUID.randomUUID());
            Files.move(name, old, StandardCopyOption.ATOMIC_MOVE);
            finish(made, name);
            WorkFolder.remove(old);
        } else {
            finish(made, name);
        }
    }

    /** Removes what earlier attempts left unfinished. */
    void sweep() throws IOException {
        if (!Files.exists(home)) {
            return;
        }
        try (Stream<Path> inside = Files.list(home)) {
            List<Path> unfinished = inside.filter(
                            path -> path.getFileName().toString().startsWith(UNFINISHED))
                    .toList();
            for (Path path : unfinished) {
                WorkFolder.remove(path);
            }
        }
    }

    void remove() throws IOException {
        WorkFolder.remove(home);
    }

    private Path force(Path path) throws IOException {
        if (lasting == Lasting.UNTIL_PUBLISHED) {
            return path;
        }
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
            channel.force(true);
        }
        return path;
    }
}
