package apodex.session;

import java.util.List;

/**
 * A track with clips on it.
 *
 * @param clips in any order; where they overlap they add
 */
public record AudioRow(String id, String name, List<Clip> clips) implements Row {
    public AudioRow {
        clips = List.copyOf(clips);
    }

    @Override
    public AudioRow withName(String newName) {
        return new AudioRow(id, newName, clips);
    }

    /** The frame after the last sound; 0 for an empty row. */
    public long endFrame() {
        return clips.stream().mapToLong(clip -> clip.range().end()).max().orElse(0);
    }
}
