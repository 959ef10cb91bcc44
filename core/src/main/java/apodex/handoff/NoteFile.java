package apodex.handoff;

import com.fasterxml.jackson.annotation.JsonIgnore;

/**
 * A Standard MIDI File that comes with the prints.
 *
 * @param file   its name
 * @param folder the folder of the parcel it goes to
 * @param row    the instrument row; empty for all in one
 * @param section which of the plan's sections it goes with
 */
public record NoteFile(String file, String folder, String row, int section) {
    /** Where it lies in the parcel. */
    @JsonIgnore
    public String path() {
        return folder.isEmpty() ? file : folder + "/" + file;
    }
}
