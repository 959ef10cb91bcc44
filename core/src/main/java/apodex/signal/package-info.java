/**
 * The signal path and the walk that prints: one pass over the song in blocks of frames, every file of the plan
 * written on the way.
 *
 * <p>{@link apodex.signal.Tap} says what to take where; {@link apodex.signal.Walk} does it. Inside, {@code Graph} makes the
 * nodes that the taps need, each once; {@code Lines} joins nodes that follow each other into tasks; {@code Crew} does the
 * tasks block after block on a fixed number of threads. Sums are taken in the order of the rows and units are settled on a
 * grid of the stream's own time, so bytes depend neither on the number of threads nor on the block size. In place, shares of
 * a bus follow what its {@code ControlNode}s did to the sum. {@link apodex.signal.Ways} tells every way into the mix as a number.
 *
 * <p>Depends on {@code session}, {@code effect}, {@code instrument}, {@code audio}, {@code measure} and {@code time}.
 */
package apodex.signal;
