package apodex.notes;

import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.session.InstrumentRow;
import apodex.session.Key;
import apodex.session.Marker;
import apodex.session.Session;
import apodex.time.FrameRange;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.SysexMessage;
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
    private static final int KEY = 0x59;
    private static final int MOST_SHARPS = 7;
    private static final int PERCUSSION_CHANNEL = 9;

    private final Session session;
    private final TempoMap map;
    private final FrameRange range;
    /** The quarter notes on which the range starts and ends. */
    private final double start;

    private final double end;
    private final long leadInTicks;

    private MidiFile(Session session, FrameRange range, long leadInFrames) {
        this.session = session;
        this.range = range;
        this.map = session.song().timeline();
        this.start = map.quarterOf(range.start(), session.rate());
        this.end = range.end() == Long.MAX_VALUE ? Double.MAX_VALUE : map.quarterOf(range.end(), session.rate());
        double leadIn = session.rate().seconds(leadInFrames) * map.tempoAt(start) / 60;
        this.leadInTicks = Math.round(leadIn * TICKS_PER_QUARTER);
    }

    /** Writes the notes of {@code rows}, from the song's start to its end. */
    public static void write(Session session, List<InstrumentRow> rows, Path file) throws IOException {
        write(session, rows, new FrameRange(0, Long.MAX_VALUE), 0, file);
    }

    /**
     * Writes the notes of {@code rows} so that they line up with sound files of a range. A key that is down when the range begins is
     * struck there, one that is down when it ends is let go there, as in the sound.
     *
     * @param leadInFrames frames before the range, at the tempo in force there
     */
    public static void write(Session session, List<InstrumentRow> rows, FrameRange range, long leadInFrames, Path file)
            throws IOException {
        new MidiFile(session, range, leadInFrames).write(rows, file);
    }

    /**
     * Tempo map, meters, key and markers of a range, without notes.
     *
     * @param leadInFrames frames before the range, at the tempo in force there
     */
    public static byte[] ofSong(Session session, FrameRange range, long leadInFrames) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            MidiSystem.write(new MidiFile(session, range, leadInFrames).sequence(List.of()), 1, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private void write(List<InstrumentRow> rows, Path file) throws IOException {
        MidiSystem.write(sequence(rows), 1, file.toFile());
    }

    private Sequence sequence(List<InstrumentRow> rows) {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS_PER_QUARTER);
            song(sequence.createTrack());
            int channel = 0;
            for (InstrumentRow row : rows) {
                boolean drums = row.instrument().equals("drumKit");
                notes(row, sequence.createTrack(), drums ? PERCUSSION_CHANNEL : channel);
                if (!drums) {
                    channel = (channel + 1) % 16 == PERCUSSION_CHANNEL ? PERCUSSION_CHANNEL + 1 : (channel + 1) % 16;
                }
            }
            return sequence;
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException("A note or a tempo has no place in a Standard MIDI File.", e);
        }
    }

    private void song(Track track) throws InvalidMidiDataException {
        text(track, TRACK_NAME, session.song().title(), 0);
        key(track);
        int bar = map.barAt(start);
        meter(track, bar, 0);
        if (map.quarterOfBar(bar) < start) {
            meter(track, bar + 1, ticks(map.quarterOfBar(bar + 1))); // bars count on from there
        }
        for (MeterChange change : map.meters()) {
            if (map.quarterOfBar(change.bar()) > start) {
                meter(track, change.bar(), ticks(map.quarterOfBar(change.bar())));
            }
        }
        tempos(track);
        for (Marker marker : session.markers()) {
            if (marker.frame() >= range.start() && marker.frame() < range.end()) {
                text(track, MARKER, marker.name(), ticks(map.quarterOf(marker.frame(), session.rate())));
            }
        }
    }

    private void meter(Track track, int bar, long tick) throws InvalidMidiDataException {
        Meter meter = map.meterOf(bar);
        byte[] data = {(byte) meter.beats(), (byte) Integer.numberOfTrailingZeros(meter.unit()), 24, 8};
        put(track, new MetaMessage(METER, data, data.length), tick);
    }

    /** SMF 1.0, "Key Signature": sharps, or flats below zero, and 1 for minor. */
    private void key(Track track) throws InvalidMidiDataException {
        Key key = session.song().key();
        if (key != null && Math.abs(key.sharps()) <= MOST_SHARPS) {
            byte[] data = {(byte) key.sharps(), (byte) (key.mode().equals("minor") ? 1 : 0)};
            put(track, new MetaMessage(KEY, data, data.length), 0);
        }
    }

    private void tempos(Track track) throws InvalidMidiDataException {
        List<TempoChange> tempos = map.tempos();
        if (leadInTicks > 0) {
            tempo(track, map.tempoAt(start), 0);
        }
        for (int i = 0; i < tempos.size(); i++) {
            double until = i + 1 < tempos.size() ? tempos.get(i + 1).quarter() : Double.MAX_VALUE;
            boolean glides = i + 1 < tempos.size() && tempos.get(i + 1).way() == TempoChange.Way.GLIDE;
            double from = Math.max(start, tempos.get(i).quarter());
            if (until <= start || from >= end) {
                continue;
            }
            if (!glides) {
                tempo(track, tempos.get(i).quartersPerMinute(), ticks(from));
                continue;
            }
            for (double q = from; q < until; q += GLIDE_STEP_QUARTERS) {
                double to = Math.min(until, q + GLIDE_STEP_QUARTERS);
                tempo(track, (to - q) * 60 / (map.secondsAt(to) - map.secondsAt(q)), ticks(q));
            }
        }
    }

    private static void tempo(Track track, double quartersPerMinute, long tick) throws InvalidMidiDataException {
        int microseconds = (int) Math.round(60e6 / quartersPerMinute);
        byte[] data = {(byte) (microseconds >> 16), (byte) (microseconds >> 8), (byte) microseconds};
        put(track, new MetaMessage(TEMPO, data, data.length), tick);
    }

    private void notes(InstrumentRow row, Track track, int channel) throws InvalidMidiDataException {
        text(track, TRACK_NAME, row.name(), 0);
        messages(row, track, channel);
        for (Note note : row.notes()) {
            double from = Math.max(start, note.quarter());
            double to = Math.min(end, note.quarter() + note.quarters());
            boolean begins = map.frameOf(note.quarter(), session.rate()) < range.end();
            if (!begins || map.frameOf(note.quarter() + note.quarters(), session.rate()) <= range.start()) {
                continue;
            }
            put(track, new ShortMessage(ShortMessage.NOTE_ON, channel, note.pitch(), note.velocity()), ticks(from));
            put(
                    track,
                    new ShortMessage(
                            ShortMessage.NOTE_OFF, channel, note.pitch(), note.release() == null ? 0 : note.release()),
                    Math.max(ticks(from) + 1, ticks(to)));
        }
    }

    /**
     * What is beside the notes. A range that begins later starts with the state that was set until then: the last of each controller, bend
     * and program, and every exclusive message.
     */
    private void messages(InstrumentRow row, Track track, int channel) throws InvalidMidiDataException {
        Map<String, Message> state = new LinkedHashMap<>();
        List<Message> inside = new ArrayList<>();
        row.messages().stream()
                .sorted(Comparator.comparingDouble(Message::quarter))
                .filter(message -> message.quarter() < end)
                .forEach(message -> {
                    if (message.quarter() >= start) {
                        inside.add(message);
                    } else if (!message.isMeta()) {
                        state.remove(message.replaces());
                        state.put(message.replaces(), message);
                    }
                });
        for (Message message : state.values()) {
            put(track, midi(message, channel), ticks(start));
        }
        for (Message message : inside) {
            put(track, midi(message, channel), ticks(message.quarter()));
        }
    }

    private static MidiMessage midi(Message message, int channel) throws InvalidMidiDataException {
        byte[] bytes = message.bytes();
        if (message.isMeta()) {
            return new MetaMessage(bytes[1] & 0xFF, Arrays.copyOfRange(bytes, 2, bytes.length), bytes.length - 2);
        }
        if (message.isForChannel()) {
            return new ShortMessage(bytes[0] & 0xF0, channel, bytes[1], bytes.length > 2 ? bytes[2] : 0);
        }
        return new SysexMessage(bytes, bytes.length);
    }

    private static void text(Track track, int type, String text, long tick) throws InvalidMidiDataException {
        byte[] data = text.getBytes(StandardCharsets.UTF_8);
        put(track, new MetaMessage(type, data, data.length), tick);
    }

    private static void put(Track track, MidiMessage message, long tick) {
        track.add(new MidiEvent(message, tick));
    }

    private long ticks(double quarter) {
        return leadInTicks + Math.round((quarter - start) * TICKS_PER_QUARTER);
    }
}
