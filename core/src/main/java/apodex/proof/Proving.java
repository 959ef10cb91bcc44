package apodex.proof;

import apodex.audio.AllCores;
import apodex.audio.WorkFolder;
import apodex.handoff.AsPlanned;
import apodex.handoff.Handoff;
import apodex.handoff.Outgoing;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.handoff.Reprint;
import apodex.handoff.Settings;
import apodex.session.Session;
import apodex.signal.PlainSum;
import apodex.signal.Recordings;
import apodex.signal.UnreadableRecording;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** Reads a run's files back from the disk, measures them, adds them up, and loads them as whoever receives them would. */
public final class Proving {
    private final Session session;
    private final Settings settings;
    private final Printing.Result printed;
    private final Path files;
    private final Recordings recordings;
    private final int threads;
    private final Told told;

    private Proving(
            Session session,
            Settings settings,
            Printing.Result printed,
            Path files,
            Recordings recordings,
            int threads,
            Told told) {
        this.session = session;
        this.settings = settings;
        this.printed = printed;
        this.files = files;
        this.recordings = recordings;
        this.threads = threads;
        this.told = told;
    }

    /** Told on the way. */
    public interface Told {
        /** Nobody wants to know. */
        Told NOTHING = new Told() {};

        /** So much was read, from 0 to 1. */
        default void read(double share) {}

        /** How a file looks. @param index its place in the plan @param picture {@link apodex.measure.SoundMeasures#picture} */
        default void drawn(int index, byte[] picture) throws IOException {}

        /** Asked now and then; true ends it. */
        default boolean isCancelled() {
            return false;
        }
    }

    /**
     * Proves.
     *
     * @param session as it is
     * @param before  hashes of the files when they were printed, by path; empty when this is the first reading
     */
    public static Proof prove(
            Session session,
            Handoff handoff,
            Printing.Result printed,
            Path files,
            Recordings recordings,
            int threads,
            Map<String, String> before,
            Told told)
            throws IOException {
        return prove(session, handoff, printed, files, recordings, threads, before, null, told);
    }

    /** The same, with what {@link #plainSums} had printing write; null for nothing. */
    public static Proof prove(
            Session session,
            Handoff handoff,
            Printing.Result printed,
            Path files,
            Recordings recordings,
            int threads,
            Map<String, String> before,
            @Nullable Path sums,
            Told told)
            throws IOException {
        return new Proving(AsPlanned.of(session, handoff), handoff.settled(), printed, files, recordings, threads, told)
                .prove(before, sums);
    }

    /**
     * What a fresh session of a plan's files must sound like, for printing to write along, where no reference mix says so.
     *
     * @param folder where it goes; in no parcel
     * @return by section
     */
    public static Map<Integer, PlainSum> plainSums(Session session, Handoff handoff, Plan plan, Path folder) {
        Session planned = AsPlanned.of(session, handoff);
        Outgoing outgoing = Outgoing.of(planned, plan);
        Map<Integer, PlainSum> sums = new HashMap<>();
        for (int section = 0; section < plan.sections().size(); section++) {
            ReceivedCheck raw = new ReceivedCheck(planned, plan, section);
            if (!SumSet.of(outgoing, plan, section).whyNot().isEmpty()
                    && !raw.prints().isEmpty()) {
                sums.put(section, raw.whatMustBe(folder.resolve(section + ".wav")));
            }
        }
        return sums;
    }

    private Proof prove(Map<String, String> before, @Nullable Path sums) throws IOException {
        Plan plan = printed.plan();
        Outgoing outgoing = Outgoing.of(session, plan);
        List<SumSet> sets = new ArrayList<>();
        List<ReceivedCheck> raw = new ArrayList<>();
        for (int section = 0; section < plan.sections().size(); section++) {
            sets.add(SumSet.of(outgoing, plan, section));
            raw.add(new ReceivedCheck(session, plan, section));
        }
        Path work = Files.createTempDirectory("apodex-received-");
        try {
            List<ReadBack.Together> together = together(sets, raw, work, sums);
            ReadBack.Result result = ReadBack.of(plan, printed.prints(), files, together, threads, told);
            for (int i = 0; i < result.files().size(); i++) {
                told.drawn(i, result.files().get(i).measures().picture());
            }
            return proof(result, sets, raw, together, before);
        } finally {
            WorkFolder.remove(work);
        }
    }

    private List<ReadBack.Together> together(List<SumSet> sets, List<ReceivedCheck> raw, Path work, @Nullable Path sums)
            throws IOException {
        List<ReadBack.Together> together = new ArrayList<>();
        for (int section = 0; section < sets.size(); section++) {
            SumSet set = sets.get(section);
            List<Print> rawOnes = raw.get(section).prints();
            if (set.whyNot().isEmpty()) {
                together.add(
                        new ReadBack.Together(set.prints(), set.reference(), null, SumSet.isMono(set.reference())));
            } else if (rawOnes.isEmpty()) {
                together.add(ReadBack.Together.NOTHING);
            } else {
                String name = section + ".wav";
                Path written = sums == null ? null : sums.resolve(name);
                together.add(
                        written != null && Files.exists(written)
                                ? new ReadBack.Together(rawOnes, List.of(), written, false)
                                : against(raw.get(section), work.resolve(name)));
            }
        }
        return together;
    }

    /** Whoever reads a run again may not have its recordings any more: then nobody knows what its files must be together. */
    private ReadBack.Together against(ReceivedCheck raw, Path must) throws IOException {
        try {
            raw.write(raw.whatMustBe(must), recordings, threads, told::isCancelled);
            return new ReadBack.Together(raw.prints(), List.of(), must, false);
        } catch (UnreadableRecording gone) {
            return ReadBack.Together.NOTHING;
        }
    }

    private Proof proof(
            ReadBack.Result result,
            List<SumSet> sets,
            List<ReceivedCheck> raw,
            List<ReadBack.Together> together,
            Map<String, String> before)
            throws IOException {
        Plan plan = printed.plan();
        List<FileProof> proofs = Twins.marked(plan, files, result.files());
        Reprint reprint = new Reprint(session, settings, plan, recordings, threads);
        Map<Integer, Culprit> faults =
                FileFaults.find(plan, printed.prints(), files, result.files(), reprint, told::isCancelled);
        List<SumProof> sums = new ArrayList<>();
        List<ReceivedProof> received = new ArrayList<>();
        for (int i = 0; i < sets.size(); i++) {
            PlannedSection section = plan.sections().get(i);
            SumSet set = sets.get(i);
            ReadBack.Made made = result.sums().get(i);
            ReceivedProof proof = null;
            if (set.whyNot().isEmpty()) {
                SumCheck.Result sum = new SumCheck(session, plan, section, set).of(made, faults);
                sums.add(sum.sum());
                proof = sum.received();
            } else {
                sums.add(SumProof.notMeant(section.name(), set.whyNot(), set.missing()));
                proof = together.get(i).prints().isEmpty() ? null : raw.get(i).of(made, proofs, faults);
            }
            if (proof != null) {
                received.add(proof);
            }
        }
        List<EditProof> edits = EditCheck.of(plan, files, recordings, threads, told::isCancelled);
        List<Verdict> verdicts = Verdicts.of(
                plan, proofs, expected(faults), sums, received, faults, altered(proofs, faults, before), edits);
        return new Proof(proofs, verdicts, sums, received, List.copyOf(faults.values()), edits);
    }

    private static List<String> altered(
            List<FileProof> proofs, Map<Integer, Culprit> faults, Map<String, String> before) {
        List<String> altered = new ArrayList<>();
        for (int i = 0; i < proofs.size(); i++) {
            FileProof file = proofs.get(i);
            String hash = before.get(file.path());
            if (file.isRead() && hash != null && !hash.equals(file.sha256()) && !faults.containsKey(i)) {
                altered.add(file.path());
            }
        }
        return altered;
    }

    private Map<Integer, FirstSound.Expected> expected(Map<Integer, Culprit> faults) throws IOException {
        Plan plan = printed.plan();
        FirstSound first = new FirstSound(session, plan, recordings);
        List<Integer> sound = IntStream.range(0, plan.prints().size())
                .filter(i -> !faults.containsKey(i))
                .boxed()
                .toList();
        List<Optional<FirstSound.Expected>> found = AllCores.with(
                sound, threads, index -> expected(first, plan.prints().get(index)));
        Map<Integer, FirstSound.Expected> expected = new LinkedHashMap<>();
        for (int i = 0; i < found.size(); i++) {
            int index = sound.get(i);
            found.get(i).ifPresent(each -> expected.put(index, each));
        }
        return expected;
    }

    /** Whoever reads a run again may not have its recordings any more: then nothing is known of where its sounds begin. */
    private static Optional<FirstSound.Expected> expected(FirstSound first, Print print) throws IOException {
        try {
            return first.of(print);
        } catch (UnreadableRecording gone) {
            return Optional.empty();
        }
    }
}
