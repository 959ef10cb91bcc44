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
 * @param said     of an effect that Apodex does not have: how it was set, as somebody wrote it down; else empty
 */
public record Insert(
        String effect, Map<String, Double> settings, @Nullable String key, boolean kept, boolean on, String said) {
    /** Characters. */
    public static final int LONGEST_SAID = 2_000;

    public Insert {
        said = said == null ? "" : said.strip(); // documents from before it could be said do not
        settings = settings == null ? Map.of() : Map.copyOf(settings);
    }

    /** One of the house. */
    public Insert(String effect, Map<String, Double> settings, @Nullable String key, boolean kept, boolean on) {
        this(effect, settings, key, kept, on, "");
    }

    /** One that is on, has no key and belongs to the mix. */
    public static Insert of(String effect, Map<String, Double> settings) {
        return new Insert(effect, settings, null, false, true);
    }

    /** The same insert, marked as part of the sound. */
    public Insert keep() {
        return new Insert(effect, settings, key, true, on, said);
    }

    /** The same insert, listening to another row. */
    public Insert keyedBy(String row) {
        return new Insert(effect, settings, row, kept, on, said);
    }
}
