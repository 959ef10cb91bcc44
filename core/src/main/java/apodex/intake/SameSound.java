package apodex.intake;

/**
 * Two files hold one sound.
 *
 * @param file     id of the later one
 * @param of       id of the one it repeats
 * @param gainDb   how much louder it is; 0 when not one sample differs
 * @param inverted whether it is turned over
 */
public record SameSound(String file, String of, double gainDb, boolean inverted) {}
