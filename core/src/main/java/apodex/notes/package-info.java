/**
 * Notes as Standard MIDI Files. Depends on {@code session}, {@code instrument} and {@code time}; the file format itself is
 * the platform's.
 */
package apodex.notes;
