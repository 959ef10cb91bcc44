package apodex.session;

import jakarta.annotation.Nullable;
import java.util.Map;

/**
 * An effect in a chain.
 *
 * @param effect   name of the effect; may be one that Apodex does not have, which is then skipped in sound
 * @param settings what was set; the standard holds for the rest
 * @param key      the row it listens to in place of its own input; null for its own
 * @param kept     part of the sound, and so of Shaped
 * @param on       false while switched off
 */
public record Insert(String effect, Map<String, Double> settings, @Nullable String key, boolean kept, boolean on) {
    public Insert {
        settings = settings == null ? Map.of() : Map.copyOf(settings);
    }

    /** One that is on, has no key and belongs to the mix. */
    public static Insert of(String effect, Map<String, Double> settings) {
        return new Insert(effect, settings, null, false, true);
    }

    /** The same insert, marked as part of the sound. */
    public Insert keep() {
        return new Insert(effect, settings, key, true, on);
    }

    /** The same insert, listening to another row. */
    public Insert keyedBy(String row) {
        return new Insert(effect, settings, row, kept, on);
    }
}
