/**
 * Measuring sound: levels in decibels, overview pyramids for drawing, and how far two sides are apart.
 *
 * <p>Depends on {@code audio} and {@code time}. {@link apodex.measure.OverviewScan} reads a recording once on
 * import; {@link apodex.measure.Overview} answers from what it left. {@link apodex.measure.SoundMeter} measures a file while
 * it is written.
 */
package apodex.measure;
