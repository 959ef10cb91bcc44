package apodex.intake;

import apodex.audio.SoundFacts;
import apodex.examine.Examination;
import apodex.session.Recording;
import apodex.session.Station;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;

/**
 * A file that came.
 *
 * @param id          within its intake
 * @param folder      it lay in, with slashes; empty for none
 * @param name        its own
 * @param kind        what it is
 * @param recording   its sound, for recordings; with the rate it is taken to have
 * @param facts       what it says of itself, for recordings
 * @param heard       what was heard in it, for recordings
 * @param number      that its name counts it with, among those of its folder; 0 for none
 * @param station     where on its row's way it was taken, where somebody says so; else empty
 * @param seat        what it would be
 * @param form        how it is read, for lists in a table
 */
public record IntakeFile(
        String id,
        String folder,
        String name,
        Kind kind,
        @Nullable Recording recording,
        @Nullable SoundFacts facts,
        @Nullable Examination heard,
        int number,
        String station,
        Seat seat,
        @Nullable ClipListForm form) {

    /** What a file is. */
    public enum Kind {
        @JsonProperty("recording")
        RECORDING,
        @JsonProperty("notes")
        NOTES,
        @JsonProperty("timeline")
        TIMELINE,
        @JsonProperty("clipList")
        CLIP_LIST,
        /** Says what files are, and not where. */
        @JsonProperty("trackList")
        TRACK_LIST,
        /** A table that nobody has told yet how to read. */
        @JsonProperty("table")
        TABLE,
        @JsonProperty("session")
        SESSION,
        /** For people, or for programs that check files: no part of the session. */
        @JsonProperty("paper")
        PAPER
    }

    @JsonIgnore
    boolean isSound() {
        return kind == Kind.RECORDING;
    }

    IntakeFile withSeat(Seat other) {
        return new IntakeFile(id, folder, name, kind, recording, facts, heard, number, station, other, form);
    }

    IntakeFile at(Station other) {
        return new IntakeFile(
                id,
                folder,
                name,
                kind,
                recording,
                facts,
                heard,
                number,
                other == null ? "" : other.label(),
                seat,
                form);
    }

    IntakeFile withRecording(Recording other) {
        return new IntakeFile(id, folder, name, kind, other, facts, heard, number, station, seat, form);
    }

    IntakeFile read(Kind as, @Nullable ClipListForm by) {
        return new IntakeFile(id, folder, name, as, recording, facts, heard, number, station, seat, by);
    }

    /** How long a recording lasts, by its own rate. */
    @JsonIgnore
    double seconds() {
        return recording.rate().seconds(recording.frames());
    }
}
