package apodex.proof;

import apodex.handoff.Plan;
import java.util.List;

/**
 * What all printed files say together.
 *
 * @param files    one by one, in the plan's order
 * @param verdicts in words
 * @param sums     by section: whether the files add up to the reference mix
 * @param received by section: what the files make in a fresh session
 * @param faults   files that do not hold what was printed
 * @param edits    what was cut out of recordings, in the plan's order
 */
public record Proof(
        List<FileProof> files,
        List<Verdict> verdicts,
        List<SumProof> sums,
        List<ReceivedProof> received,
        List<Culprit> faults,
        List<EditProof> edits) {
    public Proof {
        files = List.copyOf(files);
        verdicts = List.copyOf(verdicts);
        sums = sums == null ? List.of() : List.copyOf(sums); // proofs of before sums were made have none
        faults = faults == null ? List.of() : List.copyOf(faults);
        edits = edits == null ? List.of() : List.copyOf(edits);
        received = received == null ? List.of() : List.copyOf(received);
    }

    /**
     * One that could not be made: of no file anything is known.
     *
     * @param why a sentence for people
     */
    public static Proof notMade(Plan plan, String why) {
        List<FileProof> files = plan.prints().stream()
                .map(print -> FileProof.unread(
                        print.file(), print.folder(), plan.rate(), plan.depth().sample(), print.channels(), why))
                .toList();
        Verdict verdict = new Verdict(
                Verdict.Grade.WRONG,
                "Not read back",
                why + " Whether the files are what was printed is not known; read them again.",
                List.of(),
                Verdict.Remedy.NONE);
        return new Proof(files, List.of(verdict), List.of(), List.of(), List.of(), List.of());
    }
}
