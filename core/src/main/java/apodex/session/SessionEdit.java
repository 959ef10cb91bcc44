package apodex.session;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** A small typed change of a session. Stored with the revision it made. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = RenameRow.class, name = "renameRow"),
    @JsonSubTypes.Type(value = SetSong.class, name = "setSong")
})
public sealed interface SessionEdit permits RenameRow, SetSong {
    /**
     * The session after this edit.
     *
     * @throws EditRefused when it cannot be done; the message says why
     */
    Session applyTo(Session session);

    /** What it did, for undo: {@code Rename “Tuba”}. */
    String describe(Session before);
}
