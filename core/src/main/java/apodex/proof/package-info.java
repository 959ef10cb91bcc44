/**
 * Reading printed files back from the disk and saying in words what was found.
 *
 * <p>{@link apodex.proof.FileReader} knows nothing of how a file was written; {@link apodex.proof.Proof} compares
 * what it found with the plan. {@code FileFaults} finds files that do not hold what was printed and {@code Comparison}
 * what became of them; {@code SumSet} says from the shares alone whether files are meant to add up, {@code SumCheck}
 * whether they do. Depends on {@code handoff}, {@code measure} and {@code audio}.
 */
package apodex.proof;
