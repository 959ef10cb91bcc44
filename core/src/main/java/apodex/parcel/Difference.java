package apodex.parcel;

import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.proof.EditProof;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What somebody who has an earlier parcel has to do to have this one. Files are the same when they hold the same, whatever they say of
 * themselves.
 *
 * @param since    version of the earlier parcel
 * @param replaced paths of new files, each with the earlier file it stands in the place of
 * @param added    paths of files that nothing stood for
 * @param gone     paths of earlier files that nothing stands for any more
 * @param same     how many files are as they were
 * @param heard    paths of mixes to listen to that are as they were
 */
public record Difference(
        String since,
        Map<String, String> replaced,
        List<String> added,
        List<String> gone,
        int same,
        List<String> heard) {
    static final String PAGE = "What changed.html";

    public Difference {
        replaced = new LinkedHashMap<>(replaced);
        added = List.copyOf(added);
        gone = List.copyOf(gone);
        heard = List.copyOf(heard);
    }

    /** By what was read back of both. */
    public static Difference between(String since, Plan planBefore, Proof before, Plan plan, Proof now) {
        Map<String, FileProof> earlier = new LinkedHashMap<>();
        before.files().stream().filter(FileProof::isRead).forEach(file -> earlier.put(file.path(), file));
        Map<String, String> replaced = new LinkedHashMap<>();
        List<String> added = new ArrayList<>();
        Set<String> left = new LinkedHashSet<>(earlier.keySet());
        int same = 0;
        List<Integer> unmatched = new ArrayList<>();
        for (int i = 0; i < plan.prints().size(); i++) {
            String path = now.files().get(i).path();
            FileProof there = earlier.get(path);
            if (there == null) {
                unmatched.add(i);
                continue;
            }
            left.remove(path);
            if (holdsTheSame(there, now.files().get(i))) {
                same++;
            } else {
                replaced.put(path, path);
            }
        }
        for (int i : unmatched) {
            Print print = plan.prints().get(i);
            String stood = left.stream()
                    .filter(path -> planBefore.prints().stream()
                            .anyMatch(other -> other.path().equals(path) && isOfTheSame(other, print)))
                    .findFirst()
                    .orElse(null);
            if (stood == null) {
                added.add(print.path());
            } else {
                left.remove(stood);
                replaced.put(print.path(), stood);
            }
        }
        Map<String, String> edits = new LinkedHashMap<>();
        before.edits().forEach(edit -> edits.put(edit.path(), edit.sha256()));
        for (EditProof edit : now.edits()) {
            String there = edits.remove(edit.path());
            if (edit.sha256().equals(there)) {
                same++;
            } else if (there != null) {
                replaced.put(edit.path(), edit.path());
            } else {
                added.add(edit.path());
            }
        }
        left.addAll(edits.keySet());
        boolean sameMix = plan.prints().stream()
                .filter(Print::isReference)
                .noneMatch(print -> replaced.containsKey(print.path()) || added.contains(print.path()));
        List<String> heard = plan.listening().stream()
                .filter(path -> sameMix && planBefore.listening().contains(path))
                .toList();
        return new Difference(since, replaced, added, List.copyOf(left), same, heard);
    }

    private static boolean holdsTheSame(FileProof before, FileProof now) {
        return before.content().equals(now.content())
                && before.frames() == now.frames()
                && before.sample() == now.sample()
                && before.rate().equals(now.rate())
                && before.channels() == now.channels();
    }

    private static boolean isOfTheSame(Print one, Print other) {
        return one.source().equals(other.source())
                && one.station() == other.station()
                && one.sides() == other.sides()
                && one.section() == other.section();
    }

    /** Whether a smaller parcel would be of use: something changed, and not everything. */
    public boolean isWorthIt() {
        return same > 0 && !(replaced.isEmpty() && added.isEmpty() && gone.isEmpty());
    }

    /** Whether a file comes with it. */
    boolean holds(String path) {
        return replaced.containsKey(path) || added.contains(path);
    }

    /** What to do, for people. */
    Sheet page(String song) {
        List<Sheet.Block> blocks = new ArrayList<>();
        blocks.add(new Sheet.Paragraph("This holds only what changed since " + since + ". " + same
                + (same == 1 ? " file is as it was and is" : " files are as they were and are")
                + " not in here. What you did in your session stays: all files begin where they did."));
        List<List<String>> lines = new ArrayList<>();
        replaced.forEach((path, before) -> lines.add(
                List.of(path, path.equals(before) ? "in the place of the one you have" : "in the place of " + before)));
        added.forEach(path -> lines.add(List.of(path, "new: on a track of its own")));
        gone.forEach(path -> lines.add(List.of(path, "delete it: there is none any more")));
        blocks.add(new Sheet.Table(List.of("File", "What to do"), List.of(false, false), lines));
        return new Sheet(song, "What changed", blocks);
    }
}
