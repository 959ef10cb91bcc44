package apodex.naming;

import java.util.regex.Pattern;

/** Names that programs give when nobody did, and that say nothing of the sound. */
public final class VagueName {
    private static final Pattern VAGUE = Pattern.compile(
            "(?:(?:new|untitled|unnamed)[\\s_-]*)?"
                    + "(?:audio|track|untitled|unnamed|recording|take|inst|instrument|midi|channel|ch|input|stereo|mono|bus|aux"
                    + "|group|clip|file|sound|region|part|row|tk)?[\\s_.-]*(?:\\d{1,4}[\\s_.-]*)*",
            Pattern.CASE_INSENSITIVE);

    private VagueName() {}

    /** Whether a name says nothing of what is heard: “Audio 3”, “Track”, “New recording”. */
    public static boolean isVague(String name) {
        return VAGUE.matcher(name.strip()).matches();
    }
}
