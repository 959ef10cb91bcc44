package apodex.session;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** A small typed change of a session. Stored with the revision it made. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = RenameRow.class, name = "renameRow"),
    @JsonSubTypes.Type(value = SetSong.class, name = "setSong"),
    @JsonSubTypes.Type(value = SetTempoMap.class, name = "setTempoMap"),
    @JsonSubTypes.Type(value = SetMarkers.class, name = "setMarkers"),
    @JsonSubTypes.Type(value = SetPanLaw.class, name = "setPanLaw"),
    @JsonSubTypes.Type(value = AddRow.class, name = "addRow"),
    @JsonSubTypes.Type(value = RemoveRow.class, name = "removeRow"),
    @JsonSubTypes.Type(value = SetTakes.class, name = "setTakes"),
    @JsonSubTypes.Type(value = SetNotes.class, name = "setNotes"),
    @JsonSubTypes.Type(value = SetInserts.class, name = "setInserts"),
    @JsonSubTypes.Type(value = SetFader.class, name = "setFader"),
    @JsonSubTypes.Type(value = SetMoves.class, name = "setMoves"),
    @JsonSubTypes.Type(value = SetSends.class, name = "setSends"),
    @JsonSubTypes.Type(value = SetOutputs.class, name = "setOutputs"),
    @JsonSubTypes.Type(value = SetAbout.class, name = "setAbout"),
    @JsonSubTypes.Type(value = MoveRows.class, name = "moveRows"),
    @JsonSubTypes.Type(value = DuplicateRow.class, name = "duplicateRow"),
    @JsonSubTypes.Type(value = SetInstrument.class, name = "setInstrument"),
    @JsonSubTypes.Type(value = SplitParts.class, name = "splitParts"),
    @JsonSubTypes.Type(value = SetBrought.class, name = "setBrought"),
    @JsonSubTypes.Type(value = JoinAsBrought.class, name = "joinAsBrought"),
    @JsonSubTypes.Type(value = PutBroughtApart.class, name = "putBroughtApart"),
    @JsonSubTypes.Type(value = UseTakeFor.class, name = "useTakeFor"),
    @JsonSubTypes.Type(value = ShiftSession.class, name = "shiftSession"),
    @JsonSubTypes.Type(value = UseRecordings.class, name = "useRecordings"),
    @JsonSubTypes.Type(value = ReplaceRecording.class, name = "replaceRecording"),
    @JsonSubTypes.Type(value = Together.class, name = "together")
})
public sealed interface SessionEdit
        permits RenameRow,
                SetSong,
                SetTempoMap,
                SetMarkers,
                SetPanLaw,
                AddRow,
                RemoveRow,
                SetTakes,
                SetNotes,
                SetInserts,
                SetFader,
                SetMoves,
                SetSends,
                SetOutputs,
                SetAbout,
                MoveRows,
                DuplicateRow,
                SetInstrument,
                SplitParts,
                SetBrought,
                JoinAsBrought,
                PutBroughtApart,
                UseTakeFor,
                ShiftSession,
                UseRecordings,
                ReplaceRecording,
                Together {
    /**
     * The session after this edit, not yet held against the rules of sessions.
     *
     * @throws EditRefused when it cannot be done; the message says why
     */
    Session change(Session session);

    /**
     * The session after this edit.
     *
     * @throws EditRefused when it cannot be done, or the session would break a rule; the message says why
     */
    default Session applyTo(Session session) {
        return SessionRules.checked(change(session));
    }

    /** What it did, for undo: {@code Rename “Tuba”}. */
    String describe(Session before);

    /** The row of that id, or a refusal. */
    static Row row(Session session, String id) {
        return session.row(id)
                .orElseThrow(() -> new EditRefused(
                        "row", "There is no row “" + NameRule.shown(String.valueOf(id)) + "” in this session."));
    }

    /** How a row is called in the words for undo. */
    static String named(Session session, String id) {
        return "“" + session.row(id).map(Row::name).orElse(id) + "”";
    }
}
