/**
 * The house effects, one file each, and the small interface they share.
 *
 * <p>An {@link apodex.effect.Effect} is a description: settings with unit, range and default, latency, tail, nature.
 * {@link apodex.effect.Effect#make} gives running {@link apodex.effect.Unit}s for one walk. There are three kinds of
 * unit, because the sum of a bus can only be shared out among its members when it is known what a unit does:
 * {@link apodex.effect.LinearUnit}, {@link apodex.effect.GainUnit} and {@link apodex.effect.ShaperUnit}. All are listed
 * in {@link apodex.effect.Effects}.
 *
 * <p>Depends on {@code time} alone.
 */
package apodex.effect;
