/**
 * Where one sound lies in another: a dry track in a full mix, a twin beside its twin.
 *
 * <p>{@link apodex.align.Aligner} holds a reference and is asked about one {@link apodex.align.MonoSound} after another. First
 * an {@link apodex.align.Outline} of each, at a low rate, is correlated over every shift with whitened spectra (generalised
 * cross-correlation after Knapp and Carter, 1976); then the loudest stretches are held against each other sample by sample. What
 * was found says how sure it is: a place is only called sure when independent stretches name the same frame. May depend on
 * {@code audio} and {@code time}.
 */
package apodex.align;
