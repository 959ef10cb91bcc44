package apodex.handoff;

import apodex.signal.Station;
import jakarta.annotation.Nullable;
import java.util.List;

/**
 * One session prepared for one receiver.
 *
 * @param name   who or what it is for
 * @param depth  sample format of the files; null for the recordings' own
 * @param chosen what to print; null for Raw of every row that has sound, and the reference mix
 */
public record Handoff(String name, @Nullable Depth depth, @Nullable List<Choice> chosen) {
    public Handoff {
        chosen = chosen == null ? null : List.copyOf(chosen);
    }

    /** A row at a station. */
    public record Choice(String row, Station station) {
        public Choice {
            if (row == null || station == null) {
                throw new IllegalArgumentException("A choice names a row and a station.");
            }
        }
    }

    public static Handoff named(String name) {
        return new Handoff(name, null, null);
    }
}
