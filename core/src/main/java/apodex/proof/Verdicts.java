package apodex.proof;

import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.proof.Verdict.Grade;
import apodex.proof.Verdict.Remedy;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Says in words what was read back: compares it with what was planned, and the files with each other. */
final class Verdicts {
    /** A mean further off zero than this is an offset worth a word: -60 dBFS. */
    private static final double OFFSET = 1e-3;
    /** More files than this are told in one line. */
    private static final int MOST_FAULTS = 5;

    private final Plan plan;
    private final List<FileProof> files;
    private final Map<Integer, Culprit> faults;
    private final List<Verdict> said = new ArrayList<>();

    private Verdicts(Plan plan, List<FileProof> files, Map<Integer, Culprit> faults) {
        this.plan = plan;
        this.files = files;
        this.faults = faults;
    }

    /**
     * All there is to say. What is wrong with a file is said once: nothing else is asked of it.
     *
     * @param expected where first sounds belong, by the index of the file; not every file has one
     * @param faults   files that do not hold what was printed, by their index
     * @param altered  paths of others whose checksum is not what it was
     * @param edits    what was cut out of recordings
     */
    static List<Verdict> of(
            Plan plan,
            List<FileProof> files,
            Map<Integer, FirstSound.Expected> expected,
            List<SumProof> sums,
            List<ReceivedProof> received,
            Map<Integer, Culprit> faults,
            List<String> altered,
            List<EditProof> edits) {
        Verdicts verdicts = new Verdicts(plan, files, faults);
        verdicts.faults();
        verdicts.altered(altered);
        verdicts.start();
        verdicts.firstSounds(expected);
        verdicts.length();
        verdicts.format();
        verdicts.edits(edits);
        sums.forEach(verdicts::sum);
        received.forEach(verdicts::received);
        verdicts.notMeant(sums);
        verdicts.levels();
        verdicts.twins();
        return verdicts.said;
    }

    /** Whether more can be asked of a file. */
    private boolean isSound(int index) {
        return files.get(index).isRead() && !faults.containsKey(index);
    }

    private List<FileProof> sound() {
        return IntStream.range(0, files.size())
                .filter(this::isSound)
                .mapToObj(files::get)
                .toList();
    }

    private void faults() {
        if (faults.size() > MOST_FAULTS) {
            List<String> paths = faults.keySet().stream()
                    .map(index -> files.get(index).path())
                    .toList();
            String words = faults.values().stream().map(Culprit::words).limit(3).collect(Collectors.joining(" "));
            said.add(new Verdict(Grade.WRONG, faults.size() + " not as printed", words, paths, Remedy.PRINT_AGAIN));
            return;
        }
        faults.forEach((index, fault) -> {
            FileProof file = files.get(index);
            String detail = file.isRead() ? called(file.path()) + " was altered since it was printed" : file.trouble();
            said.add(new Verdict(
                    Grade.WRONG,
                    fault.words().replaceFirst("\\.$", ""),
                    detail,
                    List.of(file.path()),
                    Remedy.PRINT_AGAIN));
        });
    }

    private void altered(List<String> altered) {
        if (!altered.isEmpty()) {
            said.add(new Verdict(
                    Grade.WRONG,
                    altered.size() + " altered since printing",
                    names(altered) + ": the checksum differs from that of the print",
                    altered,
                    Remedy.PRINT_AGAIN));
        }
    }

    private void edits(List<EditProof> edits) {
        List<EditProof> wrong =
                edits.stream().filter(edit -> edit.trouble() != null).toList();
        if (!wrong.isEmpty()) {
            said.add(new Verdict(
                    Grade.WRONG,
                    wrong.size() == 1 ? "One of the edits is not as recorded" : wrong.size() + " edits not as recorded",
                    names(wrong.stream().map(EditProof::path).toList()) + ": "
                            + wrong.get(0).trouble(),
                    wrong.stream().map(EditProof::path).toList(),
                    Remedy.PRINT_AGAIN));
        } else if (edits.stream().anyMatch(edit -> !edit.against())) {
            said.add(new Verdict(
                    Grade.FACT,
                    "Edits read back",
                    "Their recordings are not here any more to hold them against.",
                    List.of(),
                    Remedy.NONE));
        } else if (!edits.isEmpty()) {
            said.add(Verdict.good(
                    "Edits as recorded",
                    (edits.size() == 1 ? "The file" : "All " + edits.size() + " files")
                            + " cut out of recordings hold them sample for sample"));
        }
    }

    private void start() {
        int read = sound().size();
        if (!plan.format().isStamped() || read == 0) {
            return; // the others have no field for a time stamp
        }
        boolean one = plan.sections().size() == 1;
        List<String> off = off(
                (file, section) -> file.timeReference() == null || file.timeReference() != section.startReference());
        String where = one ? " at time stamp " + plan.startReference() : " at the time stamps of their sections";
        said.add(
                off.isEmpty()
                        ? Verdict.good("All start together", read + " of " + files.size() + where)
                        : new Verdict(
                                Grade.WRONG,
                                off.size() + " with another start",
                                "their time stamp is not "
                                        + (one ? String.valueOf(plan.startReference()) : "that of their section"),
                                off,
                                Remedy.PRINT_AGAIN));
    }

    private void firstSounds(Map<Integer, FirstSound.Expected> expected) {
        List<String> off = new ArrayList<>();
        int exact = 0;
        int others = 0;
        for (Map.Entry<Integer, FirstSound.Expected> each : expected.entrySet()) {
            FileProof file = files.get(each.getKey());
            if (!file.isRead() || file.firstSoundFrame() == null) {
                continue;
            }
            if (!each.getValue().holds(file.firstSoundFrame())) {
                off.add(file.path());
            } else if (each.getValue().isKnown()) {
                exact++;
            } else {
                others++;
            }
        }
        if (!off.isEmpty()) {
            said.add(new Verdict(
                    Grade.WRONG,
                    off.size() + " out of place",
                    names(off) + ": the first sound is not where the session puts it",
                    off,
                    Remedy.PRINT_AGAIN));
        } else if (exact + others > 0) {
            said.add(Verdict.good(
                    "All in place",
                    exact == 0
                            ? "none of " + others + " sounds before the session puts it there"
                            : exact + (exact == 1 ? " begins" : " begin") + " as in the session, to the sample"
                                    + (others > 0 ? "; " + others + " not before" : "")));
        }
    }

    private void length() {
        boolean one = plan.sections().size() == 1;
        List<String> off = off((file, section) -> file.frames() != section.frames());
        String length = one
                ? grouped(plan.frames()) + " samples"
                : plan.sections().stream()
                                .map(section -> section.name() + " " + grouped(section.frames()))
                                .collect(Collectors.joining(", "))
                        + " samples";
        said.add(
                off.isEmpty()
                        ? Verdict.good(one ? "All one length" : "One length in every section", length)
                        : new Verdict(
                                Grade.WRONG,
                                off.size() + " of another length",
                                "not " + length + " long",
                                off,
                                Remedy.PRINT_AGAIN));
    }

    private List<String> off(BiPredicate<FileProof, PlannedSection> is) {
        List<String> off = new ArrayList<>();
        for (int i = 0; i < files.size(); i++) {
            if (isSound(i) && is.test(files.get(i), plan.section(plan.prints().get(i)))) {
                off.add(files.get(i).path());
            }
        }
        return off;
    }

    private void format() {
        List<String> off = new ArrayList<>();
        for (int i = 0; i < files.size(); i++) {
            FileProof file = files.get(i);
            Print print = plan.prints().get(i);
            if (isSound(i)
                    && (file.sample() != plan.depth().sample()
                            || !file.rate().equals(plan.rate())
                            || file.channels() != print.channels())) {
                off.add(file.path());
            }
        }
        long mono = sound().stream().filter(file -> file.channels() == 1).count();
        String wanted = plan.rate().label() + " " + plan.depth().sample().label();
        said.add(
                off.isEmpty()
                        ? Verdict.good("All " + wanted, mono + " mono, " + (sound().size() - mono) + " stereo")
                        : new Verdict(
                                Grade.WRONG,
                                off.size() + " of another format",
                                "not " + wanted + " as planned",
                                off,
                                Remedy.PRINT_AGAIN));
    }

    private void sum(SumProof sum) {
        if (!sum.whyNot().isEmpty() || !sum.culprits().isEmpty()) {
            return; // not meant to add up, or kept from it by a file that was named already
        }
        String where = sum.section().isEmpty() ? "" : sum.section() + ": ";
        if (sum.addsUp()) {
            said.add(Verdict.good(
                    where + "Adds up: " + db(sum.peakDbfs()),
                    files(sum.files().size()) + " against the reference mix" + whereNotCutOff(sum)));
            return;
        }
        said.add(new Verdict(
                Grade.WRONG,
                where + "Does not add up: " + db(sum.peakDbfs()),
                "Every file is as it was printed. The leftover is loudest at " + sum.place() + whereNotCutOff(sum)
                        + ".",
                List.of(),
                Remedy.PRINT_AGAIN));
    }

    private String whereNotCutOff(SumProof sum) {
        boolean cut =
                files.stream().anyMatch(file -> file.overs() > 0 && sum.files().contains(file.path()));
        return cut ? ", where nothing was cut off" : "";
    }

    /** Facts, not faults: said once for all sections of which they hold. */
    private void notMeant(List<SumProof> sums) {
        Map<String, List<String>> sections = new LinkedHashMap<>();
        sums.stream().filter(sum -> !sum.whyNot().isEmpty()).forEach(sum -> sections.computeIfAbsent(
                        sum.whyNot(), why -> new ArrayList<>())
                .add(sum.section()));
        sections.forEach((why, where) -> said.add(new Verdict(
                Grade.FACT,
                "Not meant to add up",
                (where.size() == sums.size() ? "" : String.join(", ", where) + ": ") + why,
                List.of(),
                Remedy.NONE)));
    }

    private void received(ReceivedProof received) {
        boolean isSum = received.against().equals(ReceivedProof.REFERENCE);
        if (isSum && !received.same()) {
            return; // said already
        }
        String where = received.section().isEmpty() ? "" : received.section() + ": ";
        String what = files(received.files().size()) + " laid at unity in the middle, against " + received.against();
        said.add(
                received.same()
                        ? Verdict.good(where + "Received as sent: " + db(received.peakDbfs()), what)
                        : new Verdict(
                                Grade.WRONG,
                                where + "Not as sent: " + db(received.peakDbfs()),
                                what + "; the difference is loudest at " + received.place(),
                                List.of(),
                                Remedy.PLAN));
    }

    private static String files(int count) {
        return count + (count == 1 ? " file" : " files");
    }

    private void levels() {
        addIfAny(FileProof::silent, Grade.FACT, "silent", "not one sample differs from zero", Remedy.NONE);
        addIfAny(FileProof::nearlySilent, Grade.FACT, "nearly silent", "never above −60 dBFS", Remedy.NONE);
        addIfAny(
                file -> file.overs() > 0,
                Grade.WRONG,
                "over full scale",
                "louder than the format holds, cut off there; print 32-bit float instead",
                Remedy.PLAN);
        addIfAny(
                Verdicts::isAboveFullScale,
                Grade.LOOK,
                "above full scale",
                "kept whole, since floats can; turn it down before it goes to integers",
                Remedy.PLAN);
        addIfAny(
                file -> file.fullScaleSamples() > 0 && file.overs() == 0 && !isAboveFullScale(file),
                Grade.LOOK,
                "at full scale",
                "samples at the very top of the scale",
                Remedy.PLAN);
        addIfAny(
                file -> Math.abs(file.offset()) > OFFSET,
                Grade.LOOK,
                "off zero",
                "its mean is not zero; a low cut takes that away",
                Remedy.PLAN);
    }

    /** Only floats can be louder than full scale. */
    private static boolean isAboveFullScale(FileProof file) {
        return file.peakDbfs() != null && file.peakDbfs() > 0;
    }

    private void twins() {
        List<FileProof> twins =
                sound().stream().filter(file -> file.like() != null).toList();
        if (!twins.isEmpty()) {
            FileProof first = twins.get(0);
            String detail = twins.size() == 1
                    ? called(first.path()) + " holds " + called(first.like().file()) + ", "
                            + first.like().words()
                    : twins.stream()
                            .map(file -> called(file.path()) + " as "
                                    + called(file.like().file()) + ", "
                                    + file.like().words())
                            .limit(3)
                            .collect(Collectors.joining("; "));
            said.add(new Verdict(
                    Grade.LOOK,
                    twins.size() + " same as another",
                    detail,
                    twins.stream().map(FileProof::path).toList(),
                    Remedy.PLAN));
        }
    }

    private void addIfAny(Predicate<FileProof> is, Grade grade, String what, String detail, Remedy remedy) {
        List<FileProof> found = sound().stream().filter(is).toList();
        if (!found.isEmpty()) {
            String who = found.size() == 1 ? called(found.get(0).path()) + ": " : "";
            said.add(new Verdict(
                    grade,
                    found.size() + " " + what,
                    who + detail,
                    found.stream().map(FileProof::path).toList(),
                    remedy));
        }
    }

    private String names(List<String> paths) {
        return paths.stream().map(this::called).limit(3).collect(Collectors.joining(", "))
                + (paths.size() > 3 ? " and " + (paths.size() - 3) + " more" : "");
    }

    /** By its name alone where that is enough. */
    private String called(String path) {
        return plan.sections().size() > 1 ? path : last(path);
    }

    private static String last(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /** {@code −138.2 dB}; nothing at all is a word. */
    static String db(Double dbfs) {
        return dbfs == null
                ? "nothing left over"
                : String.format(Locale.ROOT, "%.0f dB", dbfs).replace("-", "−");
    }

    /** Thousands set apart by narrow blanks, as the sheet does. */
    static String grouped(long number) {
        return String.format(Locale.ROOT, "%,d", number).replace(',', '\u202F');
    }
}
