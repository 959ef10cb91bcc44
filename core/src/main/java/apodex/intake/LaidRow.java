package apodex.intake;

import jakarta.annotation.Nullable;
import java.util.List;

/**
 * A row as a list from elsewhere lays it out, before its media are found.
 *
 * @param takes the first is heard
 */
record LaidRow(String name, List<LaidTake> takes) {
    record LaidTake(String name, List<LaidClip> clips) {}

    /**
     * A clip.
     *
     * @param file     what its recording is called; may have folders in front
     * @param position where it starts
     * @param offset   where in the recording it starts; null: at its start
     * @param length   null: to the recording's end
     * @param fadeIn   null for none
     * @param fadeOut  null for none
     */
    record LaidClip(
            String file,
            WrittenTime position,
            @Nullable WrittenTime offset,
            @Nullable WrittenTime length,
            double gainDb,
            @Nullable WrittenTime fadeIn,
            @Nullable WrittenTime fadeOut) {}
}
