package apodex.session;

import java.util.List;

/**
 * One content of an audio row.
 *
 * @param id    stays the same for the take's whole life
 * @param clips in any order; where they overlap they add
 */
public record Take(String id, String name, List<Clip> clips) {
    public Take {
        clips = List.copyOf(clips);
    }
}
