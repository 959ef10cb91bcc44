package apodex.naming;

import apodex.session.Role;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;

/** What a row seems to be in the music, told from the words of its name. */
public final class RoleGuess {
    private static final Map<Role, Pattern> WORDS = new TreeMap<>(Map.ofEntries(
            Map.entry(Role.CLICK, words("click|metronome")),
            Map.entry(Role.ROOM_TONE, words("room ?tone")),
            Map.entry(Role.GUIDE, words("guide|scratch|talkback|count ?in")),
            Map.entry(
                    Role.DRUMS,
                    words(
                            "kick|snares?|toms?|drums?|cymbals?|hats?|overheads?|percussion|shaker|ride|crash|claps?|congas?|bongos?")),
            Map.entry(Role.BASS, words("bass")),
            Map.entry(Role.GUITARS, words("guitars?|banjo|mandolin|ukulele|steel")),
            Map.entry(Role.KEYS, words("piano|organ|keys|synth|accordion|harpsichord|celesta|harmonium|pad|bell")),
            Map.entry(Role.STRINGS, words("violins?|violas?|cello|strings|harp|dulcimer|quartet")),
            Map.entry(
                    Role.WINDS,
                    words(
                            "trumpets?|trombones?|tuba|horns?|flutes?|clarinets?|oboe|bassoon|sax|recorder|brass|whistle")),
            Map.entry(Role.VOICES, words("voices?|vocals?|choir|soprano|alto|tenor|baritone|singer|harmony")),
            Map.entry(Role.EFFECTS, words("reverb|delay|effects|ambience|atmosphere|waves|echo|hall"))));

    private RoleGuess() {}

    private static Pattern words(String alternatives) {
        return Pattern.compile("\\b(?:" + alternatives + ")\\b", Pattern.CASE_INSENSITIVE);
    }

    /** Empty when the name says nothing, or could be several. {@code Baritone Guitar} is a guitar: the last word counts most. */
    public static Optional<Role> of(String name) {
        String cleaned = NameCleaner.clean(name, Role.OTHER).name();
        Role found = null;
        int at = -1;
        for (Map.Entry<Role, Pattern> each : WORDS.entrySet()) {
            var matcher = each.getValue().matcher(cleaned);
            while (matcher.find()) {
                if (each.getKey().isForPlayers() || each.getKey() == Role.ROOM_TONE) {
                    return Optional.of(each.getKey());
                }
                if (matcher.start() > at) {
                    at = matcher.start();
                    found = each.getKey();
                }
            }
        }
        return Optional.ofNullable(found);
    }
}
