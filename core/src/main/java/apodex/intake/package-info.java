/**
 * Bringing recordings in: unpacking what was dropped, keeping each file once, and laying a session out from them.
 *
 * <p>{@link apodex.intake.Drop} takes files and zips, {@link apodex.intake.RecordingStore} keeps them,
 * {@link apodex.intake.SessionFromDrop} makes the session. A file that cannot be used is named with the reason and
 * stops none of the others. May depend on everything else in core.
 */
package apodex.intake;
