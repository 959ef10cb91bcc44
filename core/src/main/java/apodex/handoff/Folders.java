package apodex.handoff;

import apodex.naming.SafeName;
import apodex.session.PartRow;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Station;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Locale;

/** How the files of a parcel are put into folders. */
public enum Folders {
    /** By what a file is: Tracks, Wet, Groups, Returns, Reference, Guide, MIDI, Sheet. */
    @JsonProperty("kind")
    KIND,
    /** By what a row is in the music: Drums, Bass, Voices and so on. */
    @JsonProperty("role")
    ROLE,
    /** All in one. */
    @JsonProperty("flat")
    FLAT;

    /** Where the session sheet goes. */
    public String sheet() {
        return of("Sheet");
    }

    /** A folder that is named for what is in it, unless all lie in one. */
    String of(String name) {
        return this == FLAT ? "" : name;
    }

    /** Parts of an instrument lie together with it, whatever they are. */
    String of(Session session, Row row, Station station) {
        Row player =
                row instanceof PartRow part ? session.row(part.instrument()).orElse(row) : row;
        Role role = player.about().role();
        RowKind kind = row.kind();
        if (role.isForPlayers()) {
            return of("Guide");
        }
        if (role == Role.REFERENCE) {
            return of("Reference");
        }
        if (role == Role.ROOM_TONE) {
            return of("Room tone");
        }
        boolean hasParts = session.rows().stream()
                .anyMatch(each ->
                        each instanceof PartRow part && part.instrument().equals(player.id()));
        if (hasParts && this != ROLE) {
            return of(SafeName.of(player.name()));
        }
        if (this == ROLE && kind != RowKind.MIX && role != Role.OTHER) {
            return role.name().charAt(0) + role.name().substring(1).toLowerCase(Locale.ROOT);
        }
        return of(
                switch (kind) {
                    case AUDIO, INSTRUMENT, PART ->
                        this == ROLE ? "Others" : station.compareTo(Station.SHAPED) <= 0 ? "Tracks" : "Wet";
                    case BUS -> "Groups";
                    case RETURN -> "Returns";
                    case MIX -> "Reference";
                });
    }
}
