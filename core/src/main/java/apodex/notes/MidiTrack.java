package apodex.notes;

import apodex.instrument.Message;
import apodex.instrument.Note;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The events of one track of a Standard MIDI File. */
final class MidiTrack {
    private static final int META = 0xFF;
    private static final int TRACK_NAME = 0x03;
    private static final int PREFIX = 0x20;
    private static final int MARKER = 0x06;
    private static final int CUE = 0x07;
    private static final int END = 0x2F;
    private static final int TEMPO = 0x51;
    private static final int METER = 0x58;
    private static final int KEY = 0x59;
    /** Stands for no channel: for what is said to the whole track. */
    private static final int TRACK = -1;

    private final MidiReader song;
    private final ByteBuffer in;
    private final int number;
    private final Map<Integer, List<Note>> notes = new TreeMap<>();
    private final Map<Integer, Integer> programs = new TreeMap<>();
    /** Notes that sound, by channel and pitch, the first struck first. */
    private final Map<Integer, Deque<Struck>> sounding = new TreeMap<>();

    private final Map<Integer, String> names = new TreeMap<>();
    /** That words and exclusive messages are for until something is played (SMF 1.0, “MIDI Channel Prefix”). */
    private int prefix = TRACK;

    private long tick;
    private int running;

    /** What is no note, by channel; −1 for the track. */
    private final Map<Integer, List<Message>> messages = new TreeMap<>();

    private record Struck(long tick, int velocity) {}

    MidiTrack(MidiReader song, ByteBuffer in, int number) {
        this.song = song;
        this.in = in;
        this.number = number;
    }

    void read() {
        try {
            boolean goesOn = true;
            while (goesOn && in.hasRemaining()) {
                tick += variableLength();
                goesOn = event();
            }
        } catch (BufferUnderflowException e) {
            song.trouble("Track " + number + " ends in the middle of an event.");
        }
        letGo();
        boolean several = notes.size() > 1;
        List<Message> ofTrack = new ArrayList<>(messages.getOrDefault(TRACK, List.of()));
        messages.forEach((channel, list) -> {
            if (channel != TRACK && !notes.containsKey(channel)) {
                ofTrack.addAll(list); // a channel that plays nothing has no row of its own
            }
        });
        if (notes.isEmpty()) {
            song.beside(ofTrack);
        }
        boolean first = true;
        for (Map.Entry<Integer, List<Note>> played : notes.entrySet()) {
            int channel = played.getKey();
            List<Message> beside = new ArrayList<>(messages.getOrDefault(channel, List.of()));
            if (first) {
                beside.addAll(ofTrack);
                beside.sort(Comparator.comparingDouble(Message::quarter));
            }
            first = false;
            song.player(
                    called(channel, several), channel, programs.getOrDefault(channel, 0), played.getValue(), beside);
        }
    }

    private String called(int channel, boolean several) {
        String own = names.getOrDefault(channel, "");
        String track = names.getOrDefault(TRACK, "");
        String stem = track.isEmpty() ? "Notes " + number : track;
        return !own.isEmpty() ? own : several ? stem + " ch " + (channel + 1) : stem;
    }

    /** @return false at the end of the track */
    private boolean event() {
        int status = in.get() & 0xFF;
        if (status < 0x80) { // running status: the byte was data already
            in.position(in.position() - 1);
            status = running;
            if (status == 0) {
                song.trouble(
                        "Track " + number + " starts with data that belongs to nothing; the rest of it is left out.");
                return false;
            }
        }
        if (status == META) {
            return meta(in.get() & 0xFF, bytes());
        }
        if (status >= 0xF0) {
            byte[] data = bytes();
            if (status == 0xF0 || status == 0xF7) {
                keep(prefix, status, data);
            }
            return true;
        }
        running = status;
        prefix = TRACK;
        channelEvent(status);
        return true;
    }

    private void channelEvent(int status) {
        int channel = status & 0x0F;
        int first = in.get() & 0x7F;
        switch (status & 0xF0) {
            case 0x80 -> {
                end(channel, first, tick, in.get() & 0x7F);
            }
            case 0x90 -> {
                int velocity = in.get() & 0x7F;
                if (velocity == 0) {
                    end(
                            channel, first, tick,
                            0); // MIDI 1.0, “Note-On with velocity 0”: nothing is said of the letting go
                } else {
                    sounding.computeIfAbsent(channel << 8 | first, key -> new ArrayDeque<>())
                            .add(new Struck(tick, velocity));
                }
            }
            case 0xC0 -> {
                programs.putIfAbsent(channel, first);
                keep(channel, status & 0xF0, (byte) first);
            }
            case 0xD0 -> keep(channel, status & 0xF0, (byte) first);
            default -> keep(channel, status & 0xF0, (byte) first, (byte) (in.get() & 0x7F));
        }
    }

    private void keep(int channel, int status, byte... data) {
        byte[] bytes = new byte[data.length + 1];
        bytes[0] = (byte) status;
        System.arraycopy(data, 0, bytes, 1, data.length);
        messages.computeIfAbsent(channel, key -> new ArrayList<>()).add(Message.of(song.quarters(tick), bytes));
    }

    private void end(int channel, int pitch, long at, int release) {
        Deque<Struck> struck = sounding.get(channel << 8 | pitch);
        if (struck != null && !struck.isEmpty()) {
            Struck note = struck.removeFirst();
            double length = song.quarters(Math.max(1, at - note.tick)); // a note let go as it is struck is a tick long
            notes.computeIfAbsent(channel, key -> new ArrayList<>())
                    .add(new Note(
                            song.quarters(note.tick), length, pitch, note.velocity, release == 0 ? null : release));
        }
    }

    /** Notes nobody let go end with the track. */
    private void letGo() {
        int stuck = sounding.values().stream().mapToInt(Deque::size).sum();
        if (stuck > 0) {
            song.trouble("Track " + number + " never lets go of " + stuck
                    + (stuck == 1 ? " note; it ends" : " notes; they end") + " with the track.");
            sounding.forEach((key, struck) -> {
                while (!struck.isEmpty()) {
                    end(key >> 8, key & 0xFF, tick, 0);
                }
            });
        }
    }

    private boolean meta(int type, byte[] data) {
        switch (type) {
            case PREFIX -> prefix = data.length > 0 ? data[0] & 0x0F : TRACK;
            case TRACK_NAME -> names.putIfAbsent(prefix, MidiReader.text(data));
            case MARKER, CUE -> song.marker(tick, data);
            case KEY -> song.key(data);
            case TEMPO -> {
                if (data.length >= 3) {
                    song.tempo(tick, (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF);
                }
            }
            case METER -> {
                if (data.length >= 2) {
                    song.meter(tick, data[0] & 0xFF, data[1] & 0xFF);
                }
            }
            case END -> {}
            default -> {
                byte[] whole = new byte[data.length + 1];
                whole[0] = (byte) type;
                System.arraycopy(data, 0, whole, 1, data.length);
                keep(prefix, META, whole);
            }
        }
        return type != END;
    }

    private byte[] bytes() {
        long length = variableLength();
        byte[] data = new byte[(int) Math.min(length, in.remaining())];
        in.get(data);
        if (data.length < length) {
            throw new BufferUnderflowException();
        }
        return data;
    }

    /** Seven bits a byte, the highest first; four bytes at the most (SMF 1.0, “Conventions”). */
    private long variableLength() {
        long value = 0;
        for (int i = 0; i < 4; i++) {
            int next = in.get() & 0xFF;
            value = value << 7 | next & 0x7F;
            if (next < 0x80) {
                return value;
            }
        }
        return value;
    }
}
