/**
 * The house instruments: notes in, sound out, the same every time.
 *
 * <p>An {@link apodex.instrument.Instrument} says what it is, what parts it has and how long it rings; its
 * {@link apodex.instrument.Voice}s play single notes of one part, stretch by stretch. All are listed in
 * {@link apodex.instrument.Instruments}. Noise comes from a seed made of the note, never from a clock.
 *
 * <p>Depends on {@code time} alone.
 */
package apodex.instrument;
