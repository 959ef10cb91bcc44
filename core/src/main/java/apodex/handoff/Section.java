package apodex.handoff;

import jakarta.annotation.Nullable;

/**
 * A stretch of the song that gets files of its own.
 *
 * @param name    names its folder; empty when it is the only one
 * @param stretch what is in it; null for the whole session
 */
public record Section(String name, @Nullable Stretch stretch) {
    public Section {
        name = name == null ? "" : name.strip();
    }
}
