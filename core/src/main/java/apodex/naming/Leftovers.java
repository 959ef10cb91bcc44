package apodex.naming;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Words of a name that are about the recording and not the sound: gear, dates, takes, versions, formats. */
final class Leftovers {
    private static final Set<String> WORDS = Set.of(
            "copy",
            "final",
            "comp",
            "edit",
            "edited",
            "tuned",
            "bounce",
            "bounced",
            "merged",
            "consolidated",
            "export",
            "print",
            "printed",
            "keep",
            "new",
            "old",
            "fix",
            "fixed",
            "clips",
            "clipped",
            "mono",
            "stereo",
            "ribbon",
            "condenser",
            "cond",
            "dynamic",
            "dyn",
            "tube",
            "valve",
            "lav",
            "shotgun",
            "boundary",
            "omni",
            "cardioid",
            "preamp",
            "dup",
            "duplicate");
    private static final Pattern ONE = Pattern.compile(
            "(?:take|tk|final|ver|version|v|pre|mic|ch|rev|copy|edit)\\d+|pre[A-Z]|\\d+bpm|\\d+bit|\\d+(?:\\.\\d)?k(?:hz)?"
                    + "|\\(\\d+\\)|\\d{6}|\\d{8}",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern PRE_LETTER = Pattern.compile("pre[A-Z]");
    private static final Pattern COUNTED = Pattern.compile(
            "take|tk|comp|mic|pre|ch|channel|in|input|line|ver|version|copy|edit", Pattern.CASE_INSENSITIVE);
    private static final Set<String> PAIRS = Set.of("matched pair", "spaced pair", "field edit");
    private static final Pattern NUMBER = Pattern.compile("\\d{1,4}");
    private static final Pattern PADDED = Pattern.compile("0\\d{1,3}");

    private Leftovers() {}

    /** How many of the words from {@code at} on are one leftover; 0 when the word belongs to the name. */
    static int count(List<NameWords.Word> words, int at) {
        String word = words.get(at).text();
        String next = at + 1 < words.size() ? words.get(at + 1).text() : "";
        if (PAIRS.contains((word + " " + next).toLowerCase(Locale.ROOT))
                || COUNTED.matcher(word).matches() && NUMBER.matcher(next).matches()) {
            return 2;
        }
        if (PADDED.matcher(word).matches() && at > 0) {
            return PADDED.matcher(next).matches() ? 2 : 1;
        }
        boolean one = ONE.matcher(word).matches()
                && !(word.length() == 4
                        && word.toLowerCase(Locale.ROOT).startsWith("pre")
                        && !PRE_LETTER.matcher(word).matches()
                        && !Character.isDigit(word.charAt(3)));
        return one || WORDS.contains(word.replaceAll("[^\\p{L}]+$", "").toLowerCase(Locale.ROOT)) ? 1 : 0;
    }

    /** A date as people write it into names, with its parts apart. */
    private static final Pattern DATE = Pattern.compile(
            "(?<!\\d)(?:\\d{4}[-._]\\d{1,2}[-._]\\d{1,2}|\\d{1,2}[-._]\\d{1,2}[-._](?:\\d{4}|\\d{2}))(?!\\d)");

    /** Where a date stands in {@code name}. */
    static Optional<Matcher> date(String name) {
        Matcher matcher = DATE.matcher(name);
        return matcher.find() ? Optional.of(matcher) : Optional.empty();
    }
}
