/**
 * Bringing sessions in: unpacking what was dropped, telling what each file is, keeping each recording once, laying a
 * session out or adding to one.
 *
 * <p>{@link apodex.intake.Drop} takes files and zips, {@code Sorted} tells them apart, {@link apodex.intake.RecordingStore}
 * keeps recordings, {@link apodex.intake.SessionFromDrop} makes a session and {@link apodex.intake.AddToSession} adds to one.
 * {@code OtioReader} and {@code ClipList} read what other programs lay out, {@link apodex.intake.SessionFile} is how a
 * session moves house. A file that cannot be used is named with the reason and stops none of the others. May depend on
 * everything else in core.
 */
package apodex.intake;
