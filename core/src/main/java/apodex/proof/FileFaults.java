package apodex.proof;

import apodex.audio.WorkFolder;
import apodex.handoff.Plan;
import apodex.handoff.Printing;
import apodex.handoff.Reprint;
import apodex.proof.Culprit.Kind;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/**
 * Files that no longer hold what was printed, told by their digests, each with what has become of it. To say that, those files alone are
 * printed once more, to be held against.
 */
final class FileFaults {
    private final Plan plan;
    private final List<Printing.Made> made;
    private final Path files;
    private final List<ReadFile> read;
    private final Reprint reprint;
    private final WalkObserver observer;

    private FileFaults(
            Plan plan,
            List<Printing.Made> made,
            Path files,
            List<ReadFile> read,
            Reprint reprint,
            WalkObserver observer) {
        this.plan = plan;
        this.made = made;
        this.files = files;
        this.read = read;
        this.reprint = reprint;
        this.observer = observer;
    }

    /** By the place of the file in the plan. */
    static Map<Integer, Culprit> find(
            Plan plan,
            List<Printing.Made> made,
            Path files,
            List<ReadFile> read,
            Reprint reprint,
            BooleanSupplier cancelled)
            throws IOException {
        return new FileFaults(plan, made, files, read, reprint, WalkObserver.cancelledBy(cancelled)).find();
    }

    private Map<Integer, Culprit> find() throws IOException {
        Map<Integer, Culprit> faults = new LinkedHashMap<>();
        List<Integer> altered = new ArrayList<>();
        for (int i = 0; i < read.size(); i++) {
            String digest = made.get(i).digest();
            if (!read.get(i).proof().isRead()) {
                boolean there = Files.exists(files.resolve(path(i)));
                faults.put(i, Culprit.of(there ? Kind.UNREADABLE : Kind.MISSING, path(i), name(i), 0));
            } else if (digest != null && !digest.equals(read.get(i).digest())) {
                altered.add(i);
            }
        }
        withAnothersSound(altered, faults);
        altered.removeAll(faults.keySet());
        if (!altered.isEmpty()) {
            compare(altered, faults);
        }
        return faults;
    }

    private String path(int index) {
        return plan.prints().get(index).path();
    }

    private String name(int index) {
        return plan.prints().get(index).file();
    }

    private void withAnothersSound(List<Integer> altered, Map<Integer, Culprit> faults) {
        Map<String, List<Integer>> printed = new HashMap<>();
        for (int i = 0; i < made.size(); i++) {
            if (made.get(i).digest() != null) {
                printed.computeIfAbsent(made.get(i).digest(), digest -> new ArrayList<>())
                        .add(i);
            }
        }
        for (int index : altered) {
            List<Integer> owners = printed.getOrDefault(read.get(index).digest(), List.of());
            if (owners.isEmpty() || read.get(index).proof().silent()) {
                continue;
            }
            String mine = made.get(index).digest();
            Optional<Integer> exchanged = owners.stream()
                    .filter(owner -> read.get(owner).digest().equals(mine))
                    .findFirst();
            int other = exchanged.orElse(owners.get(0));
            Kind kind = exchanged.isPresent() ? Kind.SWAPPED : Kind.ANOTHER;
            faults.put(index, new Culprit(kind, List.of(path(index), path(other)), name(index), 0, null));
        }
    }

    private void compare(List<Integer> altered, Map<Integer, Culprit> faults) throws IOException {
        Path work = Files.createTempDirectory("apodex-compared-");
        try {
            reprint.print(altered.stream().map(plan.prints()::get).toList(), work, observer);
            for (int index : altered) {
                faults.put(index, compare(index, work.resolve(path(index))));
            }
        } catch (IOException | IllegalArgumentException e) {
            // without its recordings nothing can be printed again; that the file was altered is certain all the same
            altered.forEach(index -> faults.putIfAbsent(index, Culprit.of(Kind.ALTERED, path(index), name(index), 0)));
        } finally {
            WorkFolder.remove(work);
        }
    }

    private Culprit compare(int index, Path expected) throws IOException {
        long frames = plan.section(plan.prints().get(index)).frames();
        try (Comparison comparison = new Comparison(path(index), files.resolve(path(index)), expected, frames)) {
            return comparison.verdict();
        }
    }
}
