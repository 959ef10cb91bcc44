package apodex.handoff;

import apodex.session.Role;
import apodex.session.Row;
import apodex.session.RowKind;
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

    String of(RowKind kind, Row row, Station station) {
        Role role = row.about().role();
        if (role.isForPlayers()) {
            return of("Guide");
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
