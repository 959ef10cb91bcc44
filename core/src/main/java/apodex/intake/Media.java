package apodex.intake;

import apodex.session.Recording;
import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Finds the recordings that lists name: by their name, else by their name without its ending, else by the SHA-256 of their
 * bytes. What is not there gets a place of its own, so that it can be dropped later.
 */
final class Media {
    private static final long LONGEST_SECONDS = 24 * 60 * 60;

    private final Map<String, Recording> byName = new LinkedHashMap<>();
    private final Map<String, List<Came>> byPath = new LinkedHashMap<>();
    private final Map<String, Recording> byStem = new LinkedHashMap<>();
    private final Map<String, Recording> missing = new LinkedHashMap<>();
    private final Set<Recording> used = new LinkedHashSet<>();
    private final List<Recording> made = new ArrayList<>();

    /** A recording, and the folder it lay in; empty for none. */
    record Came(String folder, Recording recording) {}

    /** Recordings that lay in no folder. */
    Media(List<Recording> recordings) {
        this(recordings.stream(), recording -> new Came("", recording));
    }

    /** Recordings as they came, so that of two with one name the one is found whose folder a list names. */
    static Media ofSounds(List<Sorted.Sound> sounds) {
        return new Media(sounds.stream(), sound -> new Came(sound.file().folder(), sound.recording()));
    }

    /** Others that lists may name too, as what a session holds that they are added to; what came is found before them. */
    Media and(List<Recording> more) {
        more.forEach(recording -> know(new Came("", recording)));
        return this;
    }

    /** The recordings of an intake. */
    static Media of(Intake intake) {
        return new Media(intake.sounds().stream(), file -> new Came(file.folder(), file.recording()));
    }

    private <T> Media(Stream<T> came, Function<T, Came> as) {
        came.map(as).forEach(this::know);
    }

    private void know(Came came) {
        Recording recording = came.recording();
        byPath.computeIfAbsent(key(recording.fileName()), name -> new ArrayList<>())
                .add(came);
        byName.putIfAbsent(key(recording.fileName()), recording);
        byStem.putIfAbsent(key(Drop.stem(recording.fileName())), recording);
        byName.putIfAbsent(recording.sha256(), recording);
    }

    /** The recording of that name; one that stands in for it when it is not there. */
    Recording find(String file, long atLeastFrames, SampleRate rate) {
        Optional<Recording> found = known(file);
        found.ifPresent(used::add);
        return found.orElseGet(() -> {
            Recording before = missing.get(key(file));
            long frames = Math.min(
                    LONGEST_SECONDS * rate.hertz(), Math.max(atLeastFrames, before == null ? 1 : before.frames()));
            Recording standIn = Recording.standIn(key(file), file, rate, frames);
            missing.put(key(file), standIn);
            return standIn;
        });
    }

    Optional<Recording> known(String file) {
        List<Came> called = byPath.getOrDefault(key(file), List.of());
        if (called.size() > 1) {
            return Optional.of(inItsFolder(called, file));
        }
        Recording found = byName.get(key(file));
        found = found == null ? byStem.get(key(file)) : found;
        return Optional.ofNullable(found == null ? byStem.get(key(Drop.stem(file))) : found);
    }

    /** Of several with one name, the one whose folders are most like the path, counted from the file; the first of equals. */
    private static Recording inItsFolder(List<Came> called, String file) {
        String[] path = file.replace('\\', '/').toLowerCase(Locale.ROOT).split("/");
        Came best = called.get(0);
        int most = -1;
        for (Came came : called) {
            String[] folders = came.folder().toLowerCase(Locale.ROOT).split("/");
            int alike = 0;
            while (alike < folders.length
                    && alike < path.length - 1
                    && folders[folders.length - 1 - alike].equals(path[path.length - 2 - alike])) {
                alike++;
            }
            if (alike > most) {
                most = alike;
                best = came;
            }
        }
        return best.recording();
    }

    /** All that came. */
    List<Recording> recordings() {
        return byPath.values().stream()
                .flatMap(List::stream)
                .map(Came::recording)
                .toList();
    }

    void use(Recording recording) {
        used.add(recording);
    }

    boolean isUsed(Recording recording) {
        return used.contains(recording);
    }

    /** A recording that was made of others that came. */
    void make(Recording recording) {
        made.add(recording);
    }

    List<Recording> made() {
        return made;
    }

    /** What was named and is not there, as long as anybody needs it. */
    List<Recording> missing() {
        return new ArrayList<>(missing.values());
    }

    private static String key(String name) {
        String path = name.replace('\\', '/');
        return path.substring(path.lastIndexOf('/') + 1).strip().toLowerCase(Locale.ROOT);
    }
}
