package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.SessionEdit;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;

/**
 * Something that can be done about a finding: an edit of the session, which can be undone, or an adjustment of the handoff,
 * which leaves the session alone.
 *
 * @param label      what the button says
 * @param sound      what becomes of the sound
 * @param edit       for the session; null when it is about the handoff. Not written down: it may hold every clip of many rows, and is
 *                   taken by naming its finding
 * @param adjustment for the handoff; null when it is about the session
 */
public record Remedy(
        String label, Sound sound, @JsonIgnore @Nullable SessionEdit edit, @Nullable Adjustment adjustment) {
    /** What it changes. */
    public enum Subject {
        @JsonProperty("session")
        SESSION,
        @JsonProperty("handoff")
        HANDOFF
    }

    @JsonProperty
    public Subject subject() {
        return edit == null ? Subject.HANDOFF : Subject.SESSION;
    }

    /** Whether a remedy can be taken without listening. */
    public enum Sound {
        /** Names, notes and order: what is heard and printed stays as it is. */
        @JsonProperty("stays")
        STAYS,
        @JsonProperty("changes")
        CHANGES
    }

    /** An edit after which something sounds different. */
    static Remedy changing(String label, SessionEdit edit) {
        return new Remedy(label, Sound.CHANGES, edit, null);
    }

    /** An edit after which all sounds as before. */
    static Remedy harmless(String label, SessionEdit edit) {
        return new Remedy(label, Sound.STAYS, edit, null);
    }

    /** Something else is printed; the session stays. */
    static Remedy printing(String label, Adjustment adjustment) {
        return new Remedy(label, Sound.CHANGES, null, adjustment);
    }
}
