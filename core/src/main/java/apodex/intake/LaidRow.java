package apodex.intake;

import apodex.session.Fade;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * A row as a list from elsewhere lays it out, before its media are found.
 *
 * @param takes the first is heard
 */
record LaidRow(String name, List<LaidTake> takes) {
    record LaidTake(String name, List<LaidClip> clips) {}

    /** With more clips: of a take that it has, or of one more. */
    LaidRow with(LaidTake more) {
        List<LaidTake> all = new ArrayList<>();
        boolean isKnown = false;
        for (LaidTake take : takes) {
            boolean same = take.name().equals(more.name());
            isKnown |= same;
            all.add(
                    same
                            ? new LaidTake(
                                    take.name(),
                                    Stream.concat(take.clips().stream(), more.clips().stream())
                                            .toList())
                            : take);
        }
        if (!isKnown) {
            all.add(more);
        }
        return new LaidRow(name, List.copyOf(all));
    }

    boolean countsBars() {
        return takes.stream().flatMap(take -> take.clips().stream()).anyMatch(LaidClip::countsBars);
    }

    /**
     * A clip.
     *
     * @param file     what its recording is called; may have folders in front
     * @param position where it starts
     * @param offset   where in the recording it starts; null: at its start
     * @param length   null: to {@code end}
     * @param end      where it ends; null: with its recording
     * @param fadeIn   null for none
     * @param fadeOut  null for none
     * @param curveIn  how the fade in goes
     * @param curveOut how the fade out goes
     * @param muted    it is there, but not heard
     * @param inverted its polarity is reversed
     * @param note     for people; may be empty
     */
    record LaidClip(
            String file,
            WrittenTime position,
            @Nullable WrittenTime offset,
            @Nullable WrittenTime length,
            @Nullable WrittenTime end,
            double gainDb,
            @Nullable WrittenTime fadeIn,
            @Nullable WrittenTime fadeOut,
            Fade.Curve curveIn,
            Fade.Curve curveOut,
            boolean muted,
            boolean inverted,
            String note) {
        /** One that is heard, without a note. */
        LaidClip(
                String file,
                WrittenTime position,
                @Nullable WrittenTime offset,
                @Nullable WrittenTime length,
                double gainDb,
                @Nullable WrittenTime fadeIn,
                @Nullable WrittenTime fadeOut) {
            this(
                    file,
                    position,
                    offset,
                    length,
                    null,
                    gainDb,
                    fadeIn,
                    fadeOut,
                    Fade.Curve.STRAIGHT,
                    Fade.Curve.STRAIGHT,
                    false,
                    false,
                    "");
        }

        boolean countsBars() {
            return Stream.of(position, offset, length, end, fadeIn, fadeOut)
                    .anyMatch(time -> time != null && time.unit() == WrittenTime.WrittenIn.BARS);
        }
    }
}
