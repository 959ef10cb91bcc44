package apodex.notes;

import apodex.instrument.Note;
import apodex.session.InstrumentRow;
import apodex.session.Marker;
import apodex.session.Session;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/**
 * Writes notes with tempo map, meters and markers as a Standard MIDI File of format 1 (SMF 1.0): a first track for the
 * song, then one per row. A gliding tempo becomes steps of a sixteenth note, each the tempo that makes it last as long as
 * it does.
 */
public final class MidiFile {
    private static final int TICKS_PER_QUARTER = 960;
    private static final double GLIDE_STEP_QUARTERS = 0.25;
    private static final int TRACK_NAME = 0x03;
    private static final int MARKER = 0x06;
    private static final int TEMPO = 0x51;
    private static final int METER = 0x58;
    private static final int PERCUSSION_CHANNEL = 9;

    private MidiFile() {}

    /** Writes the notes of {@code rows} to {@code file}. */
    public static void write(Session session, List<InstrumentRow> rows, Path file) throws IOException {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS_PER_QUARTER);
            song(session, sequence.createTrack());
            int channel = 0;
            for (InstrumentRow row : rows) {
                boolean drums = row.instrument().equals("drumKit");
                notes(row, sequence.createTrack(), drums ? PERCUSSION_CHANNEL : channel);
                if (!drums) {
                    channel = (channel + 1) % 16 == PERCUSSION_CHANNEL ? PERCUSSION_CHANNEL + 1 : (channel + 1) % 16;
                }
            }
            MidiSystem.write(sequence, 1, file.toFile());
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException("A note or a tempo has no place in a Standard MIDI File.", e);
        }
    }

    private static void song(Session session, Track track) throws InvalidMidiDataException {
        TempoMap map = session.song().timeline();
        text(track, TRACK_NAME, session.song().title(), 0);
        for (MeterChange change : map.meters()) {
            Meter meter = change.meter();
            byte[] data = {(byte) meter.beats(), (byte) Integer.numberOfTrailingZeros(meter.unit()), 24, 8};
            put(track, new MetaMessage(METER, data, data.length), ticks(map.quarterOfBar(change.bar())));
        }
        List<TempoChange> tempos = map.tempos();
        for (int i = 0; i < tempos.size(); i++) {
            boolean glides = i + 1 < tempos.size() && tempos.get(i + 1).way() == TempoChange.Way.GLIDE;
            if (!glides) {
                tempo(track, tempos.get(i).quartersPerMinute(), tempos.get(i).quarter());
                continue;
            }
            double end = tempos.get(i + 1).quarter();
            for (double q = tempos.get(i).quarter(); q < end; q += GLIDE_STEP_QUARTERS) {
                double to = Math.min(end, q + GLIDE_STEP_QUARTERS);
                tempo(track, (to - q) * 60 / (map.secondsAt(to) - map.secondsAt(q)), q);
            }
        }
        for (Marker marker : session.markers()) {
            text(track, MARKER, marker.name(), ticks(map.quarterOf(marker.frame(), session.rate())));
        }
    }

    private static void tempo(Track track, double quartersPerMinute, double quarter) throws InvalidMidiDataException {
        int microseconds = (int) Math.round(60e6 / quartersPerMinute);
        byte[] data = {(byte) (microseconds >> 16), (byte) (microseconds >> 8), (byte) microseconds};
        put(track, new MetaMessage(TEMPO, data, data.length), ticks(quarter));
    }

    private static void notes(InstrumentRow row, Track track, int channel) throws InvalidMidiDataException {
        text(track, TRACK_NAME, row.name(), 0);
        for (Note note : row.notes()) {
            put(
                    track,
                    new ShortMessage(ShortMessage.NOTE_ON, channel, note.pitch(), note.velocity()),
                    ticks(note.quarter()));
            put(
                    track,
                    new ShortMessage(ShortMessage.NOTE_OFF, channel, note.pitch(), 0),
                    Math.max(ticks(note.quarter()) + 1, ticks(note.quarter() + note.quarters())));
        }
    }

    private static void text(Track track, int type, String text, long tick) throws InvalidMidiDataException {
        byte[] data = text.getBytes(StandardCharsets.UTF_8);
        put(track, new MetaMessage(type, data, data.length), tick);
    }

    private static void put(Track track, MidiMessage message, long tick) {
        track.add(new MidiEvent(message, tick));
    }

    private static long ticks(double quarters) {
        return Math.round(quarters * TICKS_PER_QUARTER);
    }
}
