package apodex.audio;

import java.io.IOException;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What of things that lie elsewhere is on this disk: no more than a number of bytes, those that were used last. Which files a thing has is
 * its owner's affair. What is open while it goes can be read to its end, on disks that let go of a file's name first.
 */
public final class AtHand {
    private final long mostBytes;
    private final Map<String, Held> held = new HashMap<>();
    private final Map<String, Object> turns = new ConcurrentHashMap<>();
    private long uses;

    private record Held(long bytes, long lastUse) {}

    /** Does what it takes to have a thing here. */
    public interface Fetch {
        void fetch() throws IOException;
    }

    /** @param mostBytes that all of them may take */
    public AtHand(long mostBytes) {
        this.mostBytes = mostBytes;
    }

    /** One at a time for each thing: who comes second finds it here. */
    public void oneAtATime(String name, Fetch fetch) throws IOException {
        synchronized (turns.computeIfAbsent(name, key -> new Object())) {
            fetch.fetch();
        }
    }

    /** A thing is here now. */
    public synchronized void isHere(String name, long bytes) {
        held.put(name, new Held(bytes, ++uses));
    }

    /** Nothing happens when it is not here. */
    public synchronized void isUsed(String name) {
        held.computeIfPresent(name, (key, known) -> new Held(known.bytes(), ++uses));
    }

    /** A thing is not here any more. */
    public synchronized void isGone(String name) {
        held.remove(name);
    }

    /** Those that have to go, the longest unused first; never the one that was used last. */
    public synchronized List<String> beyond() {
        long over = held.values().stream().mapToLong(Held::bytes).sum() - mostBytes;
        List<String> oldest = held.entrySet().stream()
                .sorted(Comparator.comparingLong(each -> each.getValue().lastUse()))
                .map(Map.Entry::getKey)
                .toList();
        int going = 0;
        while (over > 0 && going < oldest.size() - 1) {
            over -= held.get(oldest.get(going++)).bytes();
        }
        return oldest.subList(0, going);
    }
}
