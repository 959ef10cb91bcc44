/**
 * Reading printed files back from the disk and saying in words what was found.
 *
 * <p>{@code ReadBack} reads all files once, in step: checksums of each, and what they make together.
 * {@link apodex.proof.FileReader} measures the few for which nothing that was measured while printing holds;
 * {@link apodex.proof.Proof} compares what was found with the plan. {@code FileFaults} finds files that do not hold what was printed and {@code Comparison}
 * what became of them; {@code SumSet} says from the shares alone whether files are meant to add up, {@code SumCheck}
 * whether they do. Depends on {@code handoff}, {@code measure} and {@code audio}.
 */
package apodex.proof;
