package apodex.session;

import java.text.Normalizer;

/**
 * What a name of a row, a song or a dropped file can be. Names travel to other people's machines as file names, so
 * characters that mislead (direction marks), get lost (emoji) or mean something to a file system (slashes) are
 * refused with a sentence at the door instead of being changed behind the user's back.
 */
public final class NameRule {
    public static final int LONGEST = 120;
    private static final int SHOWN = 40;

    private NameRule() {}

    /**
     * The name without outer blanks, in composed Unicode form.
     *
     * @param field what is being named, for the refusal
     * @throws EditRefused when it cannot be a name
     */
    public static String check(String field, String name) {
        if (name == null || name.isBlank()) {
            throw new EditRefused(field, "A name cannot be empty.");
        }
        String composed = Normalizer.normalize(name.strip(), Normalizer.Form.NFC);
        int length = composed.codePointCount(0, composed.length());
        if (length > LONGEST) {
            throw new EditRefused(
                    field, "“" + shown(composed) + "” has " + length + " characters; a name can have " + LONGEST + ".");
        }
        composed.codePoints().forEach(character -> checkCharacter(field, composed, character));
        return composed;
    }

    private static void checkCharacter(String field, String name, int character) {
        String what = null;
        if (character == '/' || character == '\\') {
            what = "a slash";
        } else if (isDirectionMark(character)) {
            what = "a hidden mark that turns the reading direction";
        } else if (isPicture(character)) {
            what = "a picture character, which many programs lose";
        } else if (isHidden(character)) {
            what = "a control character";
        }
        if (what != null) {
            throw new EditRefused(field, "“" + shown(name) + "” cannot be a name: it holds " + what + ".");
        }
    }

    /** U+061C, U+200E, U+200F, U+202A to 202E, U+2066 to 2069 (Unicode Standard Annex 9). */
    private static boolean isDirectionMark(int c) {
        return c == 0x061C || c == 0x200E || c == 0x200F || c >= 0x202A && c <= 0x202E || c >= 0x2066 && c <= 0x2069;
    }

    private static boolean isPicture(int c) {
        return c >= 0x1F000 && c <= 0x1FAFF
                || c >= 0x2600 && c <= 0x27BF && c != 0x266D && c != 0x266E && c != 0x266F
                || c >= 0xFE00 && c <= 0xFE0F;
    }

    private static boolean isHidden(int c) {
        int type = Character.getType(c);
        return type == Character.CONTROL
                || type == Character.FORMAT && c != 0x200C && c != 0x200D
                || type == Character.SURROGATE
                || type == Character.UNASSIGNED
                || type == Character.PRIVATE_USE
                || type == Character.LINE_SEPARATOR
                || type == Character.PARAGRAPH_SEPARATOR;
    }

    /** A name put together from others, cut to what a name can have. */
    static String cut(String name) {
        int length = name.codePointCount(0, name.length());
        return length <= LONGEST
                ? name
                : name.substring(0, name.offsetByCodePoints(0, LONGEST)).strip();
    }

    /** A name as it can stand in a sentence: cut, with everything unseen replaced. */
    public static String shown(String name) {
        StringBuilder out = new StringBuilder();
        name.codePoints()
                .limit(SHOWN)
                .forEach(c -> out.appendCodePoint(isDirectionMark(c) || isHidden(c) ? '\uFFFD' : c));
        return name.codePointCount(0, name.length()) > SHOWN ? out.append("…").toString() : out.toString();
    }
}
