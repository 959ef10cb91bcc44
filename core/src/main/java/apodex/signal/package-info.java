/**
 * The signal path and the walk that prints: one pass over the song in blocks of frames, every file of the plan
 * written on the way.
 *
 * <p>{@link apodex.signal.Tap} says what to take where; {@link apodex.signal.Walk} does it. Rows are rendered side
 * by side on a fixed crew of threads; sums are taken in the order of the rows, so bytes depend neither on the number
 * of threads nor on the block size. Depends on {@code session}, {@code audio}, {@code measure} and {@code time}.
 */
package apodex.signal;
