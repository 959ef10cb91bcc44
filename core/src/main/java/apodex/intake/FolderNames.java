package apodex.intake;

import java.util.List;
import java.util.Locale;
import java.util.Set;

/** What folders say of the files in them. */
final class FolderNames {
    /** Folders that are there because files have to be somewhere. */
    private static final Set<String> NOTHING_SAID = Set.of(
            "audio",
            "audio files",
            "audiofiles",
            "bounces",
            "bounced",
            "export",
            "exports",
            "exported",
            "files",
            "media",
            "multitrack",
            "multitracks",
            "new folder",
            "raw",
            "recordings",
            "render",
            "renders",
            "rendered",
            "samples",
            "session",
            "sounds",
            "stems",
            "tracks",
            "wav",
            "wave",
            "waves",
            "wavs",
            "24bit",
            "24 bit",
            "48k",
            "takes",
            "sheet");

    private FolderNames() {}

    /** What all the folders have in common at their front: it says nothing that sets files apart. */
    static String common(List<String> folders) {
        if (folders.isEmpty()) {
            return "";
        }
        String[] first = folders.get(0).split("/");
        StringBuilder common = new StringBuilder();
        for (String part : first) {
            String longer = common + part + "/";
            if (part.isEmpty() || !folders.stream().allMatch(folder -> (folder + "/").startsWith(longer))) {
                break;
            }
            common.append(part).append('/');
        }
        return common.toString();
    }

    /** The folder without what all have in common. */
    static String inside(String folder, String common) {
        String whole = folder + "/";
        return whole.startsWith(common) ? whole.substring(common.length()).replaceAll("/$", "") : folder;
    }

    /** The innermost folder that says something; empty where none does. */
    static String telling(String folder, String common) {
        String[] parts = inside(folder, common).split("/");
        for (int i = parts.length - 1; i >= 0; i--) {
            String plain = parts[i].strip().toLowerCase(Locale.ROOT).replace('_', ' ');
            if (!plain.isEmpty() && !NOTHING_SAID.contains(plain)) {
                return parts[i].strip();
            }
        }
        return "";
    }
}
