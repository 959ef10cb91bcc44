package apodex.notes;

import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.session.Key;
import apodex.session.Song;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import apodex.time.TempoMap;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/**
 * Reads Standard MIDI Files (SMF 1.0) of formats 0 and 1. What can be read is; the rest is said in
 * {@link MidiSong#troubles()}.
 */
public final class MidiReader {
    private static final int MOST_SHARPS = 7;
    private static final int MOST_TROUBLES = 40;
    private static final int LONGEST_FILE = 64 << 20;

    private final ByteBuffer in;
    private final List<String> troubles = new ArrayList<>();
    private final TreeMap<Long, Double> tempos = new TreeMap<>();
    private final TreeMap<Long, Meter> meters = new TreeMap<>();
    private final List<MidiSong.Mark> markers = new ArrayList<>();
    private final List<MidiSong.Player> players = new ArrayList<>();
    private final List<Message> beside = new ArrayList<>();
    private @Nullable Key key;
    private double ticksPerQuarter;
    /** Whether it counts film frames, which know no tempo. */
    private boolean inFilmFrames;

    private MidiReader(ByteBuffer in) {
        this.in = in;
    }

    /** Whether a file starts like one. */
    public static boolean isMidi(byte[] start) {
        return start.length >= 4 && start[0] == 'M' && start[1] == 'T' && start[2] == 'h' && start[3] == 'd';
    }

    /**
     * Reads a file.
     *
     * @throws IOException with one sentence when nothing of it can be used
     */
    public static MidiSong read(Path file) throws IOException {
        if (Files.size(file) > LONGEST_FILE) {
            throw new IOException("It is larger than a file of notes can be.");
        }
        return new MidiReader(ByteBuffer.wrap(Files.readAllBytes(file))).song();
    }

    private MidiSong song() throws IOException {
        if (in.remaining() < 14 || in.getInt() != 0x4D546864) {
            throw new IOException("It is no Standard MIDI File.");
        }
        int headerBytes = in.getInt();
        int format = in.getShort() & 0xFFFF;
        int promised = in.getShort() & 0xFFFF;
        int division = in.getShort();
        if (division == 0) {
            throw new IOException("Its header says no time base.");
        }
        if (format == 2) {
            trouble("It holds several songs (format 2); they are laid over each other.");
        }
        inFilmFrames = division < 0;
        ticksPerQuarter = inFilmFrames ? ticksOfFilmFrames(division) : division;
        in.position(Math.min(in.limit(), Math.max(14, 8 + headerBytes)));
        int found = 0;
        while (in.remaining() >= 8) {
            int id = in.getInt();
            long bytes = in.getInt() & 0xFFFFFFFFL;
            int end = (int) Math.min(in.limit(), in.position() + bytes);
            if (id == 0x4D54726B) {
                found++;
                if (in.position() + bytes > in.limit()) {
                    trouble("Track " + found + " is cut short; its notes up to there are kept.");
                }
                new MidiTrack(this, slice(end), found).read();
            }
            in.position(end);
        }
        if (found != promised) {
            trouble("Its header promises " + promised + " tracks; " + found + " are there.");
        }
        if (players.isEmpty() && tempos.isEmpty() && markers.isEmpty()) {
            throw new IOException(
                    found == 0 ? "It has a header but not one track." : "It has neither notes nor a tempo.");
        }
        markers.sort(Comparator.comparingDouble(MidiSong.Mark::quarter));
        if (!beside.isEmpty() && !players.isEmpty()) {
            players.set(0, players.get(0).with(beside));
        }
        return new MidiSong(tempoChanges(), meterChanges(), markers, key, players, troubles);
    }

    /**
     * SMF 1.0, “Header Chunks”: the upper byte is the frame rate turned negative (29 is 30 with dropped numbers, which runs at 30000/1001),
     * the lower how many ticks a frame has.
     */
    private double ticksOfFilmFrames(int division) {
        int rate = -(division >> 8);
        double perSecond = (rate == 29 ? 30_000 / 1001.0 : rate) * (division & 0xFF);
        trouble("It counts time in film frames; its notes are laid out at " + Math.round(Song.TEMPO_WHEN_UNKNOWN)
                + " quarters a minute.");
        return perSecond * 60 / Song.TEMPO_WHEN_UNKNOWN;
    }

    private ByteBuffer slice(int end) {
        ByteBuffer track = in.duplicate();
        track.limit(end);
        return track;
    }

    void trouble(String sentence) {
        if (troubles.size() < MOST_TROUBLES) {
            troubles.add(sentence);
        } else if (troubles.size() == MOST_TROUBLES) {
            troubles.add("And more of the like.");
        }
    }

    void tempo(long tick, int microseconds) {
        if (inFilmFrames) {
            return;
        }
        double perMinute = microseconds == 0 ? Double.POSITIVE_INFINITY : 60e6 / microseconds;
        if (perMinute < TempoMap.SLOWEST || perMinute > TempoMap.FASTEST) {
            trouble("A tempo of " + microseconds + " microseconds a quarter at quarter " + written(tick)
                    + " is left out.");
        } else {
            tempos.put(tick, Math.rint(perMinute * 1e6) / 1e6);
        }
    }

    void meter(long tick, int beats, int power) {
        try {
            meters.put(tick, Meter.parse(beats + "/" + (1L << Math.min(power, 20))));
        } catch (IllegalArgumentException e) {
            trouble("A meter at quarter " + written(tick) + " is left out. " + e.getMessage());
        }
    }

    void marker(long tick, byte[] name) {
        String text = text(name);
        if (!text.isEmpty()) {
            markers.add(new MidiSong.Mark(quarters(tick), text));
        }
    }

    /** Of a track without notes: words and messages that are about the song. */
    void beside(List<Message> messages) {
        beside.addAll(messages);
    }

    void key(byte[] data) {
        if (key == null && data.length >= 2 && Math.abs(data[0]) <= MOST_SHARPS) {
            key = Key.ofSharps(data[0], data[1] == 1 ? "minor" : "major");
        }
    }

    void player(String name, int channel, int program, List<Note> notes, List<Message> messages) {
        notes.sort(Comparator.comparingDouble(Note::quarter).thenComparingInt(Note::pitch));
        players.add(new MidiSong.Player(name, channel == 9, program, List.copyOf(notes), List.copyOf(messages)));
    }

    double quarters(long ticks) {
        return (double) ticks / ticksPerQuarter;
    }

    private String written(long tick) {
        double quarters = quarters(tick);
        return quarters == Math.rint(quarters)
                ? Long.toString((long) quarters)
                : String.format(java.util.Locale.ROOT, "%.2f", quarters);
    }

    /** UTF-8 where it is that, or else each byte a letter, as older programs write. */
    static String text(byte[] bytes) {
        String utf8 = new String(bytes, StandardCharsets.UTF_8);
        String text = utf8.indexOf('\uFFFD') < 0 ? utf8 : new String(bytes, StandardCharsets.ISO_8859_1);
        return text.replaceAll("[\\p{Cntrl}]+", " ").strip();
    }

    private List<TempoChange> tempoChanges() {
        List<TempoChange> changes = new ArrayList<>();
        if (inFilmFrames) {
            changes.add(new TempoChange(0, Song.TEMPO_WHEN_UNKNOWN, TempoChange.Way.JUMP));
        }
        tempos.forEach(
                (tick, perMinute) -> changes.add(new TempoChange(quarters(tick), perMinute, TempoChange.Way.JUMP)));
        return changes;
    }

    /** Meters change at bars; one in the middle of a bar is taken from the next bar on. */
    private List<MeterChange> meterChanges() {
        List<MeterChange> changes = new ArrayList<>();
        double quarter = 0;
        int bar = 1;
        Meter now = Meter.FOUR_FOUR;
        for (var change : meters.entrySet()) {
            double perBar = now.beats() * 4.0 / now.unit();
            double bars = (quarters(change.getKey()) - quarter) / perBar;
            int whole = (int) Math.ceil(bars - 1e-9);
            if (Math.abs(bars - Math.rint(bars)) > 1e-6) {
                trouble("A meter changes inside a bar, at quarter " + written(change.getKey())
                        + "; it is taken from the next bar on.");
            }
            bar += whole;
            quarter += whole * perBar;
            now = change.getValue();
            int at = bar;
            changes.removeIf(each -> each.bar() == at);
            changes.add(new MeterChange(bar, now));
        }
        return changes;
    }
}
