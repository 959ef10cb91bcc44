package apodex.session;

/**
 * A point of a lane of moves. Between two points the value goes in a straight line; before the first and after the last
 * it stays.
 *
 * @param frame frame of the session
 * @param value dB for a fader, position from -100 (left) to 100 (right) for a pan
 */
public record Move(long frame, double value) {}
