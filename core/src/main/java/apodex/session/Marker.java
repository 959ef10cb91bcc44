package apodex.session;

/**
 * A named place in the song.
 *
 * @param frame frame of the session
 */
public record Marker(long frame, String name) {}
