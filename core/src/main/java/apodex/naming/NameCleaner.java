package apodex.naming;

import apodex.naming.NameWords.Word;
import apodex.session.Role;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Proposes what a row could be called so that a stranger understands it: short forms written out, gear, dates, takes and
 * leftovers moved to the note, one spelling and case, sides kept as L and R.
 */
public final class NameCleaner {
    private static final Pattern ENDING =
            Pattern.compile("\\.(?:wav|wave|aif|aiff|aifc|flac|mp3|mid)$", Pattern.CASE_INSENSITIVE);
    /** A number in front that another program counted rows with: {@code 07 - Snare}, not {@code 12 string}. */
    private static final Pattern LEADING_NUMBER = Pattern.compile(
            "^\\s*\\d{1,3}(?:\\s*[_.]+|\\s+-+)\\s*(?=\\D)|^\\s*0\\d{1,2}[\\s-]+(?=\\D)"
                    + "|^\\s*\\d{2}[\\s-]+(?=\\p{L})(?!str)",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern LEFT = Pattern.compile("l|left|lft", Pattern.CASE_INSENSITIVE);
    private static final Pattern RIGHT = Pattern.compile("r|right|rgt|rt", Pattern.CASE_INSENSITIVE);
    private static final Pattern NUMBER = Pattern.compile("\\d+");
    static final Set<String> INITIALS = Set.of("di", "ms", "xy", "eq", "midi", "tv");

    private final Role role;
    private final List<String> out = new ArrayList<>();
    private final List<String> moved = new ArrayList<>();

    private NameCleaner(Role role) {
        this.role = role;
    }

    /**
     * A cleaned name.
     *
     * @param name what is proposed; the name itself when nothing better is known
     * @param note what it lost, as it was written, separated by commas; may be empty
     */
    public record Cleaned(String name, String note) {}

    /** Cleans {@code name} of a row of that role. A name that says nothing comes back as it is. */
    public static Cleaned clean(String name, Role role) {
        if (VagueName.isVague(name)) {
            return new Cleaned(name, "");
        }
        NameCleaner cleaner = new NameCleaner(role);
        cleaner.take(ENDING.matcher(name).replaceFirst(""));
        String cleaned = String.join(" ", cleaner.out);
        return cleaned.isEmpty() ? new Cleaned(name, "") : new Cleaned(cleaned, String.join(", ", cleaner.moved));
    }

    private void take(String name) {
        String rest = name;
        for (Optional<Matcher> parted = Leftovers.parted(rest); parted.isPresent(); parted = Leftovers.parted(rest)) {
            moved.add(parted.get().group());
            rest = rest.substring(0, parted.get().start())
                    + rest.substring(parted.get().end());
        }
        rest = LEADING_NUMBER.matcher(rest).replaceFirst("");
        List<Word> words = NameWords.of(rest);
        for (int i = 0; i < words.size(); ) {
            int leftover = Leftovers.count(words, i);
            if (leftover > 0) {
                moved.add(rest.substring(
                        words.get(i).start(), words.get(i + leftover - 1).end()));
                i += leftover;
            } else {
                i += keep(words, i);
            }
        }
    }

    /** Takes one word or two over into the name and says how many. */
    private int keep(List<Word> words, int at) {
        String word = words.get(at).text();
        if (at + 1 < words.size()) {
            String after = at + 2 < words.size() ? words.get(at + 2).text() : "";
            Optional<String> both =
                    Abbreviations.expand(word + " " + words.get(at + 1).text(), role, before(after));
            if (both.isPresent()) {
                add(both.get());
                return 2;
            }
        }
        String after = at + 1 < words.size() ? words.get(at + 1).text() : "";
        List<String> parts = NameWords.apart(word);
        Optional<String> whole = parts.size() == 1
                ? Optional.empty()
                : Abbreviations.expand(word, role, before(after))
                        .or(() -> Abbreviations.expand(String.join(" ", parts), role, before(after)));
        if (whole.isPresent()) {
            add(whole.get());
            return 1;
        }
        for (int i = 0; i < parts.size(); i++) {
            add(reading(parts.get(i), i + 1 < parts.size() ? parts.get(i + 1) : after));
        }
        return 1;
    }

    private String reading(String part, String next) {
        if (next.equalsIgnoreCase("hand")) {
            return cased(part);
        }
        if (!out.isEmpty() && LEFT.matcher(part).matches()) {
            return "L";
        }
        boolean right = RIGHT.matcher(part).matches() && !(role == Role.DRUMS && part.equalsIgnoreCase("rt"));
        if (!out.isEmpty() && right) {
            return "R";
        }
        return Abbreviations.expand(part, role, before(next)).orElseGet(() -> cased(part));
    }

    private static Abbreviations.Before before(String next) {
        return NUMBER.matcher(next).matches()
                ? Abbreviations.Before.NUMBER
                : LEFT.matcher(next).matches() || RIGHT.matcher(next).matches()
                        ? Abbreviations.Before.SIDE
                        : Abbreviations.Before.ANYTHING;
    }

    private static String cased(String part) {
        String lower = part.toLowerCase(Locale.ROOT);
        if (INITIALS.contains(lower)) {
            return part.toUpperCase(Locale.ROOT);
        }
        boolean mixed = !part.equals(lower) && !part.equals(part.toUpperCase(Locale.ROOT));
        if (mixed && Character.isUpperCase(part.codePointAt(0))) {
            return part;
        }
        int first = 0;
        while (first < lower.length() && !Character.isLetterOrDigit(lower.charAt(first))) {
            first++;
        }
        return first == lower.length()
                ? part
                : lower.substring(0, first)
                        + lower.substring(first, first + 1).toUpperCase(Locale.ROOT)
                        + lower.substring(first + 1);
    }

    /** A word twice in a row is a slip. */
    private void add(String words) {
        if (out.isEmpty() || !out.get(out.size() - 1).equalsIgnoreCase(words)) {
            out.add(words);
        }
    }
}
