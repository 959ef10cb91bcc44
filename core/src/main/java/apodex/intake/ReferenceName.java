package apodex.intake;

import apodex.naming.NameCleaner;
import apodex.session.Role;
import java.util.regex.Pattern;

/** Names by which people tell that a file is the whole song and not a part of it. */
final class ReferenceName {
    private static final Pattern WHOLE = Pattern.compile(
            "(?:.*\\b)?(?:(?:rough|ref|reference|main|board|monitor|full|final|demo|stereo|last) ?mix|mix ?down|mixdown"
                    + "|(?:rough|ref) bounce|reference|master)\\b.*|mix(?: \\d+| bus)?",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern FOLDER = Pattern.compile(
            "(?:rough |ref |reference )?(?:mix|mixes|reference|references|ref|rough)", Pattern.CASE_INSENSITIVE);
    /** A part that is called after the mix: {@code Drums mix}. */
    private static final Pattern PART =
            Pattern.compile("(?:drum|bass|gtr|guitar|vox|voice|key|string|horn)s? ?mix.*", Pattern.CASE_INSENSITIVE);

    private ReferenceName() {}

    /** @param song the title, which a bounce of the whole is often called by */
    static boolean is(String stem, String folder, String song) {
        String plain = stem.replaceAll("[_.-]+", " ").strip();
        String cleaned = NameCleaner.clean(stem, Role.OTHER).name();
        return (WHOLE.matcher(plain).matches() || WHOLE.matcher(cleaned).matches())
                        && !PART.matcher(plain).matches()
                || FOLDER.matcher(folder.replace('_', ' ').strip()).matches()
                || !song.isBlank() && plain.equalsIgnoreCase(song.strip());
    }
}
