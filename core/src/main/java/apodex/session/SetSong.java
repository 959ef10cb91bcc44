package apodex.session;

import apodex.time.TempoMap;
import jakarta.annotation.Nullable;

/**
 * Gives all song facts at once.
 *
 * @param tempo quarter notes a minute; null when unknown
 * @param meter as written, {@code 3/4}; blank or null when unknown
 * @param key   as written, {@code G major}; blank or null when unknown
 */
public record SetSong(String title, String artist, @Nullable Double tempo, @Nullable String meter, @Nullable String key)
        implements SessionEdit {

    @Override
    public Session change(Session session) {
        String checkedTitle = NameRule.check("title", title);
        String checkedArtist = isBlank(artist) ? "" : NameRule.check("artist", artist);
        if (tempo != null && !(tempo >= TempoMap.SLOWEST && tempo <= TempoMap.FASTEST)) {
            throw new EditRefused("tempo", "A tempo must be from 10 to 999 beats a minute, not " + tempo + ".");
        }
        return session.withSong(new Song(
                checkedTitle,
                checkedArtist,
                tempo,
                isBlank(meter) ? null : parse("meter", meter, apodex.time.Meter::parse),
                isBlank(key) ? null : parse("key", key, Key::parse),
                session.song().tempoChanges(),
                session.song().meterChanges()));
    }

    /** No rule is about it. */
    @Override
    public Session applyTo(Session session) {
        return change(session);
    }

    @Override
    public String describe(Session before) {
        return "Change song facts";
    }

    private static boolean isBlank(String text) {
        return text == null || text.isBlank();
    }

    private static <T> T parse(String field, String written, java.util.function.Function<String, T> parser) {
        try {
            return parser.apply(written);
        } catch (IllegalArgumentException e) {
            throw new EditRefused(field, e.getMessage());
        }
    }
}
