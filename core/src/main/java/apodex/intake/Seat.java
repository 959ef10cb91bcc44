package apodex.intake;

import apodex.session.Role;
import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * Where a file will sit in the session. Files of one row name share a row: as its sides, its takes, or clips that follow each other.
 *
 * @param use   what it is there for
 * @param row   name of its row
 * @param role  what that is in the music
 * @param note  what the name said besides
 * @param take  number of the take, from 1
 * @param side  of a stereo row whose sides came apart
 * @param group name of the bus it goes through; empty for none
 * @param place where it lies
 */
public record Seat(Use use, String row, Role role, String note, int take, Side side, String group, Place place) {
    /** What a file is there for. */
    public enum Use {
        @JsonProperty("row")
        ROW,
        /** Beside what lies on the row: its sound as it was rendered elsewhere for a station of it. */
        @JsonProperty("beside")
        BESIDE,
        /** In the place of a recording that the open session uses: one that was missing, or an older version. */
        @JsonProperty("inPlace")
        IN_PLACE,
        /** The mix as its sender heard it: to hold the others against, never part of the sum. */
        @JsonProperty("reference")
        REFERENCE,
        @JsonProperty("leftOut")
        LEFT_OUT
    }

    /** Which side of a row. */
    public enum Side {
        @JsonProperty("whole")
        WHOLE,
        @JsonProperty("left")
        LEFT,
        @JsonProperty("right")
        RIGHT
    }

    Seat withUse(Use other) {
        return new Seat(other, row, role, note, take, side, group, place);
    }

    Seat withRow(String other) {
        return new Seat(use, other, role, note, take, side, group, place);
    }

    Seat withRole(Role other) {
        return new Seat(use, row, other, note, take, side, group, place);
    }

    Seat withNote(String other) {
        return new Seat(use, row, role, other, take, side, group, place);
    }

    Seat withTake(int other) {
        return new Seat(use, row, role, note, other, side, group, place);
    }

    Seat withSide(Side other) {
        return new Seat(use, row, role, note, take, other, group, place);
    }

    Seat withGroup(String other) {
        return new Seat(use, row, role, note, take, side, other, place);
    }

    Seat withPlace(Place other) {
        return new Seat(use, row, role, note, take, side, group, other);
    }
}
