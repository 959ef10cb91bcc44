package apodex.intake;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.stream.Stream;

/**
 * A row as a list from elsewhere lays it out, before its media are found.
 *
 * @param takes the first is heard
 */
record LaidRow(String name, List<LaidTake> takes) {
    record LaidTake(String name, List<LaidClip> clips) {}

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
     * @param muted    it is there, but not heard
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
            boolean muted,
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
            this(file, position, offset, length, null, gainDb, fadeIn, fadeOut, false, "");
        }

        boolean countsBars() {
            return Stream.of(position, offset, length, end, fadeIn, fadeOut)
                    .anyMatch(time -> time != null && time.unit() == WrittenTime.WrittenIn.BARS);
        }
    }
}
