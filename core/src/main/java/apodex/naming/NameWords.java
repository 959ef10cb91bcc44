package apodex.naming;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A name taken apart: blanks, underscores, hyphens and dots separate words. */
final class NameWords {
    private static final Pattern WORD = Pattern.compile("[^\\s_.\\-]+");
    /** {@code KickIn}, {@code BassDI}, {@code gtr2}; not {@code McCready}. */
    private static final Pattern SEAM =
            Pattern.compile("(?<=\\p{Ll})(?=\\p{Lu}\\p{Ll}|\\p{Lu}{2}$)|(?<=\\p{L})(?=\\d)");

    private NameWords() {}

    /**
     * A word as written.
     *
     * @param start where it starts in the name
     * @param end   where it ends
     */
    record Word(String text, int start, int end) {}

    static List<Word> of(String name) {
        List<Word> words = new ArrayList<>();
        Matcher matcher = WORD.matcher(name);
        while (matcher.find()) {
            words.add(new Word(matcher.group(), matcher.start(), matcher.end()));
        }
        return words;
    }

    /** The words that are written together in one: {@code KickIn} gives Kick and In. */
    static List<String> apart(String word) {
        return word.startsWith("Mc") || word.startsWith("Mac") ? List.of(word) : List.of(SEAM.split(word));
    }
}
