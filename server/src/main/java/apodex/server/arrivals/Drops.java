package apodex.server.arrivals;

import apodex.audio.WorkFolder;
import apodex.intake.Drop;
import apodex.intake.DropProgress;
import apodex.server.DataFolder;
import apodex.server.access.Access;
import apodex.server.accounts.Who;
import apodex.server.space.Space;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;

/** What came at once, however it came, for something to be made of it. */
@Component
public class Drops {
    private final DataFolder dataFolder;
    private final ArrivedFiles arrived;
    private final Who who;
    private final Access access;
    private final Space space;
    private final Map<String, DropProgress> watched = new ConcurrentHashMap<>();

    Drops(DataFolder dataFolder, ArrivedFiles arrived, Who who, Access access, Space space) {
        this.space = space;
        this.who = who;
        this.access = access;
        this.dataFolder = dataFolder;
        this.arrived = arrived;
    }

    /** What is made of a drop. */
    @FunctionalInterface
    public interface Making<T> {
        T of(Drop drop) throws IOException;
    }

    /** Makes something of files that came as one upload. */
    public <T> T of(List<MultipartFile> files, Making<T> making) throws IOException {
        long bytes = files.stream().mapToLong(MultipartFile::getSize).sum();
        space.wrongFor(who.ownerId(), bytes).ifPresent(words -> {
            throw Refused.noRoom(words);
        });
        Path work = dataFolder.newWorkFolder();
        try {
            Drop drop = new Drop(work);
            drop.mayUse(access.recordings());
            for (MultipartFile file : files) {
                Path content = Files.createTempFile(work, "arrived-", "");
                file.transferTo(content.toFile()); // a File is moved there, a Path copied
                drop.add(file.getOriginalFilename(), content);
            }
            return making.of(drop);
        } finally {
            WorkFolder.remove(work);
        }
    }

    /**
     * Makes something of files that arrived piece by piece. Where that fails they are kept, for another try.
     *
     * @param watch a name under which progress can be asked for
     */
    public <T> T ofArrived(@Nullable List<String> uploads, @Nullable String watch, Making<T> making)
            throws IOException {
        if (uploads == null || uploads.isEmpty()) {
            throw Refused.unusable("There was no file in what came.");
        }
        String owner = who.ownerId();
        String name = owner + " " + (watch == null ? "" : watch);
        DropProgress progress = new DropProgress();
        watched.put(name, progress);
        Path work = dataFolder.newWorkFolder();
        try {
            Drop drop = new Drop(work, progress);
            drop.mayUse(access.recordings());
            for (String id : uploads) {
                ArrivedFiles.Arrived file = arrived.handOut(id, owner, work);
                drop.add(file.lay(), file.name(), file.content());
            }
            T made = making.of(drop);
            uploads.forEach(id -> arrived.forget(id, owner));
            return made;
        } finally {
            watched.remove(name, progress);
            WorkFolder.remove(work);
        }
    }

    Optional<DropProgress> watched(String watch) {
        return Optional.ofNullable(watched.get(who.ownerId() + " " + watch));
    }
}
