/**
 * Notes as Standard MIDI Files, out ({@link apodex.notes.MidiFile}) and in ({@link apodex.notes.MidiReader}). Depends on
 * {@code session}, {@code instrument} and {@code time}; the file that is written is the platform's form of it.
 */
package apodex.notes;
