package apodex.server.nodes;

import java.util.Locale;

/** What a process does. */
public enum Role {
    /** Everything, as on a machine of one's own. */
    ALL,
    /** Serves people: pages, files, sounds. */
    WEB,
    /** Prints, looks ahead and measures; serves nobody. */
    PRINT;

    boolean prints() {
        return this != WEB;
    }

    boolean serves() {
        return this != PRINT;
    }

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
