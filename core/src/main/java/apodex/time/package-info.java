/**
 * Musical and sample time: rates, half-open frame ranges, meters and the tempo map.
 *
 * <p>Inside Apodex time is always a count of frames ({@code long}); seconds and bars exist only together with a
 * rate or a tempo map. Depends on nothing. Start reading at {@link apodex.time.TempoMap}.
 */
package apodex.time;
