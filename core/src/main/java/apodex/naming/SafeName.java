package apodex.naming;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Makes a text usable as a file name on Windows, macOS and Linux alike. Forbidden are what Windows forbids
 * (control characters, {@code < > : " / \ | ? *}, a blank or dot at the end, the names of its old devices), the slash of
 * the other two, and a dot at the start, which hides a file.
 */
public final class SafeName {
    /** Well under the 255 bytes of common file systems, so that folders and numbers still fit. */
    public static final int LONGEST_BYTES = 120;

    private static final Pattern FORBIDDEN = Pattern.compile("[\\p{Cntrl}<>:\"/\\\\|?*]+");
    private static final Pattern HIDDEN = Pattern.compile("[\\p{Cf}\\p{Co}\\p{Cn}\\p{Cs}\\u2028\\u2029]+");
    private static final Set<String> DEVICES = Set.of(
            "con", "prn", "aux", "nul", "com1", "com2", "com3", "com4", "com5", "com6", "com7", "com8", "com9", "lpt1",
            "lpt2", "lpt3", "lpt4", "lpt5", "lpt6", "lpt7", "lpt8", "lpt9", "com¹", "com²", "com³", "lpt¹", "lpt²",
            "lpt³");

    private SafeName() {}

    /** The text with everything replaced or cut that a file name cannot hold; never empty. */
    public static String of(String text) {
        String composed = Normalizer.normalize(text, Normalizer.Form.NFC);
        String clean =
                HIDDEN.matcher(FORBIDDEN.matcher(composed).replaceAll("-")).replaceAll("");
        clean = trimEnds(cut(trimEnds(clean)));
        if (clean.isEmpty()) {
            return "Unnamed";
        }
        int dot = clean.indexOf('.');
        String stem =
                (dot < 0 ? clean : clean.substring(0, dot)).stripTrailing().toLowerCase(Locale.ROOT);
        return DEVICES.contains(stem)
                ? clean.substring(0, stem.length()) + "-" + clean.substring(stem.length())
                : clean;
    }

    /** What two names must not share to live in one folder anywhere: letter case and Unicode form do not count. */
    public static String clashKey(String name) {
        String folded = name.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT);
        return Normalizer.normalize(folded, Normalizer.Form.NFKC);
    }

    private static String trimEnds(String text) {
        return text.replaceAll("^[\\s.]+|[\\s.]+$", "");
    }

    private static String cut(String text) {
        StringBuilder out = new StringBuilder();
        int bytes = 0;
        for (int c : text.codePoints().toArray()) {
            bytes += Character.toString(c).getBytes(StandardCharsets.UTF_8).length;
            if (bytes > LONGEST_BYTES) {
                break;
            }
            out.appendCodePoint(c);
        }
        return out.toString();
    }
}
