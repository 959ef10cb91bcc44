/**
 * Makes the demo song "Low Tide Waltz" by the Salt Harbour Players from code: the same samples on every machine, so
 * only arithmetic that Java defines exactly (tables come from {@code StrictMath}).
 *
 * <p>{@link apodex.demo.Score} is what is played, the players turn notes into sound, {@link apodex.demo.TrackList}
 * says which player is on which track and where its clips lie, {@link apodex.demo.LowTideWaltz} puts the session
 * together. Depends on core.
 */
package apodex.demo;
