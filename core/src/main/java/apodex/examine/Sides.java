package apodex.examine;

import apodex.measure.StereoImage;
import java.util.Optional;

/** Two sides that are one, or one that is dead. */
final class Sides {
    private Sides() {}

    static Optional<Oddity> of(StereoImage.Kind kind, int channels) {
        if (channels != 2) {
            return Optional.empty();
        }
        return switch (kind) {
            case SAME_ON_BOTH_SIDES ->
                Optional.of(new Oddity(
                        Oddity.Kind.SAME_ON_BOTH_SIDES, "Both sides are the same: it is mono in a stereo file.", 0));
            case LEFT_ONLY ->
                Optional.of(new Oddity(Oddity.Kind.DEAD_SIDE, "The right side is dead; all of it is on the left.", 0));
            case RIGHT_ONLY ->
                Optional.of(new Oddity(Oddity.Kind.DEAD_SIDE, "The left side is dead; all of it is on the right.", 0));
            default -> Optional.empty();
        };
    }
}
