package apodex.proof;

import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.proof.Verdict.Grade;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * What all printed files say together.
 *
 * @param files    one by one, in the plan's order
 * @param verdicts in words
 */
public record Proof(List<FileProof> files, List<Verdict> verdicts) {
    public Proof {
        files = List.copyOf(files);
        verdicts = List.copyOf(verdicts);
    }

    /** Compares what was read with what was planned, and the files with each other. */
    public static Proof of(Plan plan, List<FileProof> read) {
        List<FileProof> files = withTwins(read);
        List<Verdict> verdicts = new ArrayList<>();
        if (plan.format() == Handoff.Format.WAV) { // the others have no field for a time stamp
            verdicts.add(start(plan, files));
        }
        verdicts.add(length(plan, files));
        verdicts.add(format(plan, files));
        addIfAny(verdicts, files, FileProof::silent, Grade.LOOK, "silent", "not one sample differs from zero");
        addIfAny(verdicts, files, FileProof::nearlySilent, Grade.LOOK, "nearly silent", "never above −60 dBFS");
        addIfAny(verdicts, files, file -> file.overs() > 0, Grade.WRONG, "over full scale",
                "louder than the format holds, cut off there; print 32-bit float instead");
        addIfAny(verdicts, files, Proof::isAboveFullScale, Grade.LOOK, "above full scale",
                "kept whole, since floats can; turn it down before it goes to integers");
        addIfAny(verdicts, files,
                file -> file.fullScaleSamples() > 0 && file.overs() == 0 && !isAboveFullScale(file), Grade.LOOK,
                "at full scale", "samples at the very top of the scale");
        addIfAny(verdicts, files, file -> file.sameAs() != null, Grade.LOOK, "same as another",
                "every sample equal to an earlier file's");
        return new Proof(files, verdicts);
    }

    /** Only floats can be louder than full scale. */
    private static boolean isAboveFullScale(FileProof file) {
        return file.peakDbfs() != null && file.peakDbfs() > 0;
    }

    private static List<FileProof> withTwins(List<FileProof> files) {
        Map<String, String> firstWith = new HashMap<>();
        return files.stream().map(file -> {
            if (file.silent()) {
                return file; // that all silent files are alike says nothing
            }
            String key = file.channels() + file.contentSha256();
            String earlier = firstWith.putIfAbsent(key, file.name());
            return earlier == null ? file : file.sameAs(earlier);
        }).toList();
    }

    private static Verdict start(Plan plan, List<FileProof> files) {
        List<String> off = off(plan, files, (file, section) -> file.timeReference() == null
                || file.timeReference() != section.startReference());
        boolean one = plan.sections().size() == 1;
        return off.isEmpty()
                ? new Verdict(Grade.GOOD, "All start together", files.size() + " of " + files.size()
                        + (one ? " at time stamp " + plan.startReference() : " at the time stamps of their sections"), off)
                : new Verdict(Grade.WRONG, off.size() + " with another start", "their time stamp is not "
                        + (one ? String.valueOf(plan.startReference()) : "that of their section"), off);
    }

    private static Verdict length(Plan plan, List<FileProof> files) {
        List<String> off = off(plan, files, (file, section) -> file.frames() != section.frames());
        boolean one = plan.sections().size() == 1;
        String length = one ? grouped(plan.frames()) + " samples" : plan.sections().stream()
                .map(section -> section.name() + " " + grouped(section.frames())).collect(Collectors.joining(", ")) + " samples";
        return off.isEmpty()
                ? new Verdict(Grade.GOOD, one ? "All one length" : "One length in every section", length, off)
                : new Verdict(Grade.WRONG, off.size() + " of another length", "not " + length + " long", off);
    }

    private static List<String> off(Plan plan, List<FileProof> files, BiPredicate<FileProof, PlannedSection> is) {
        List<String> off = new ArrayList<>();
        for (int i = 0; i < files.size(); i++) {
            if (is.test(files.get(i), plan.section(plan.prints().get(i)))) {
                off.add(files.get(i).name());
            }
        }
        return off;
    }

    private static Verdict format(Plan plan, List<FileProof> files) {
        List<String> off = new ArrayList<>();
        for (int i = 0; i < files.size(); i++) {
            FileProof file = files.get(i);
            Print print = plan.prints().get(i);
            if (file.sample() != plan.depth().sample() || !file.rate().equals(plan.rate())
                    || file.channels() != print.channels()) {
                off.add(file.name());
            }
        }
        long mono = files.stream().filter(file -> file.channels() == 1).count();
        String wanted = plan.rate().label() + " " + plan.depth().sample().label();
        return off.isEmpty()
                ? new Verdict(Grade.GOOD, "All " + wanted, mono + " mono, " + (files.size() - mono) + " stereo", off)
                : new Verdict(Grade.WRONG, off.size() + " of another format", "not " + wanted + " as planned", off);
    }

    private static void addIfAny(List<Verdict> verdicts, List<FileProof> files, Predicate<FileProof> is, Grade grade,
            String what, String detail) {
        List<String> found = named(files, is);
        if (!found.isEmpty()) {
            String who = found.size() == 1 ? found.get(0) + ": " : "";
            verdicts.add(new Verdict(grade, found.size() + " " + what, who + detail, found));
        }
    }

    private static List<String> named(List<FileProof> files, Predicate<FileProof> is) {
        return files.stream().filter(is).map(FileProof::name).toList();
    }

    /** Thousands set apart by narrow blanks, as the sheet does. */
    static String grouped(long number) {
        return String.format(Locale.ROOT, "%,d", number).replace(',', '\u202F');
    }
}
