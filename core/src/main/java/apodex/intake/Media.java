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

/**
 * Finds the recordings that lists name: by their name, else by their name without its ending, else by the SHA-256 of their
 * bytes. What is not there gets a place of its own, so that it can be dropped later.
 */
final class Media {
    private static final long LONGEST_SECONDS = 24 * 60 * 60;

    private final Map<String, Recording> byName = new LinkedHashMap<>();
    private final Map<String, Recording> byStem = new LinkedHashMap<>();
    private final Map<String, Recording> missing = new LinkedHashMap<>();
    private final Set<Recording> used = new LinkedHashSet<>();
    private final List<Recording> made = new ArrayList<>();

    Media(List<Recording> recordings) {
        recordings.forEach(recording -> {
            byName.putIfAbsent(key(recording.fileName()), recording);
            byStem.putIfAbsent(key(Drop.stem(recording.fileName())), recording);
            byName.putIfAbsent(recording.sha256(), recording);
        });
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
        Recording found = byName.get(key(file));
        found = found == null ? byStem.get(key(file)) : found;
        return Optional.ofNullable(found == null ? byStem.get(key(Drop.stem(file))) : found);
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
