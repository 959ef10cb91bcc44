/**
 * Reading printed files back from the disk and saying in words what was found.
 *
 * <p>{@link apodex.proof.FileReader} knows nothing of how a file was written; {@link apodex.proof.Proof} compares
 * what it found with the plan. Depends on {@code handoff}, {@code measure} and {@code audio}.
 */
package apodex.proof;
