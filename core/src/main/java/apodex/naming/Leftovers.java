package apodex.naming;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

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
            "raw",
            "bip",
            "rndr",
            "render",
            "frz",
            "freeze",
            "frozen",
            "dup",
            "duplicate");
    private static final Pattern ONE = Pattern.compile(
            "(?:take|tk|final|ver|version|v|pre|mic|ch|rev|copy|edit)\\d+|pre[A-Z]|\\d+bpm|\\d+bit"
                    + "|\\d+(?:\\.\\d)?k(?:hz)?(?:\\d{2}b(?:it)?)?|\\(\\d+\\)|\\d{6}|\\d{8}",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern PRE_LETTER = Pattern.compile("pre[A-Z]");
    /** {@code Am}, {@code F#m}, {@code Bbmaj}: a key, as it is written in capitals; a single letter is none. */
    private static final Pattern KEY = Pattern.compile("[A-G](?:#|b|♯|♭)?(?:m|min|maj|minor|major)");
    /** Letters with digits after them: gear, unless the letters are a word of music: {@code Vn2}. */
    private static final Pattern CODE = Pattern.compile("(\\p{L}{1,3})(?:\\d{2,4}\\p{L}?|\\d\\p{L})");
    /** Two or three capitals in a name that is not all capitals: who plays. */
    private static final Pattern INITIALS = Pattern.compile("\\p{Lu}{2,3}|\\(\\p{Lu}{2,3}\\)");

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
                || COUNTED.matcher(word).matches()
                        && NUMBER.matcher(next).matches()
                        && !(word.equalsIgnoreCase("in") && PADDED.matcher(next).matches())) {
            return 2;
        }
        if (PADDED.matcher(word).matches() && at > 0) {
            return PADDED.matcher(next).matches() ? 2 : 1;
        }
        if (NUMBER.matcher(word).matches() && next.equalsIgnoreCase("bpm")) {
            return 2;
        }
        if (at > 0 && (KEY.matcher(word).matches() || isCode(word) || areInitials(words, at) || isTime(words, at))) {
            return 1;
        }
        boolean one = ONE.matcher(word).matches()
                && !(word.length() == 4
                        && word.toLowerCase(Locale.ROOT).startsWith("pre")
                        && !PRE_LETTER.matcher(word).matches()
                        && !Character.isDigit(word.charAt(3)));
        return one
                        || WORDS.contains(
                                word.replaceAll("^[^\\p{L}]+|[^\\p{L}]+$", "").toLowerCase(Locale.ROOT))
                ? 1
                : 0;
    }

    private static boolean isCode(String word) {
        Matcher matcher = CODE.matcher(word);
        return matcher.matches() && !Abbreviations.isKnown(matcher.group(1));
    }

    private static boolean areInitials(List<NameWords.Word> words, int at) {
        String word = words.get(at).text();
        return INITIALS.matcher(word).matches()
                && !Abbreviations.isKnown(word)
                && !NameCleaner.INITIALS.contains(word.toLowerCase(Locale.ROOT))
                && !word.matches("[IVX]+")
                && words.get(0).text().chars().anyMatch(Character::isLowerCase);
    }

    /** Four digits after a date. */
    private static boolean isTime(List<NameWords.Word> words, int at) {
        return words.get(at).text().matches("\\d{4}")
                && words.get(at - 1).text().matches("\\d{6}|\\d{8}");
    }

    /** A date as people write it into names, with its parts apart. */
    private static final Pattern DATE = Pattern.compile(
            "(?<!\\d)(?:\\d{4}[-._]\\d{1,2}[-._]\\d{1,2}|\\d{1,2}[-._]\\d{1,2}[-._](?:\\d{4}|\\d{2}))(?!\\d)");

    /** What is written with the marks that separate words: depth and rate, a version, a rate. */
    private static final Pattern PARTED = Pattern.compile(
            "(?<![\\p{L}\\d])(?:(?:16|24|32)[-/](?:44|48|88|96|176|192)(?:[.,]\\d)?|(?:44[.,]1|88[.,]2)(?:k(?:hz)?)?"
                    + "|v\\d+(?:\\.\\d+)+)(?![\\p{L}\\d])",
            Pattern.CASE_INSENSITIVE);

    /** Where a date or something else with marks in it stands in {@code name}. */
    static Optional<Matcher> parted(String name) {
        return Stream.of(DATE, PARTED)
                .map(pattern -> pattern.matcher(name))
                .filter(Matcher::find)
                .findFirst();
    }
}
