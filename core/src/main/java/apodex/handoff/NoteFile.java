package apodex.handoff;

/**
 * A Standard MIDI File that comes with the prints.
 *
 * @param file   its name
 * @param folder the folder of the parcel it goes to
 * @param row    the instrument row; empty for all in one
 */
public record NoteFile(String file, String folder, String row) {}
