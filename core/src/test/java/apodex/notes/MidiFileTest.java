package apodex.notes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.instrument.Note;
import apodex.session.InstrumentRow;
import apodex.session.Key;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.time.FrameRange;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class MidiFileTest {
    @TempDir
    private Path folder;

    private Sequence written() throws Exception {
        Song song = new Song(
                "Low Tide Waltz",
                "",
                96.0,
                Meter.parse("3/4"),
                null,
                List.of(new TempoChange(3, 96, TempoChange.Way.JUMP), new TempoChange(9, 60, TempoChange.Way.GLIDE)),
                List.of(new MeterChange(3, Meter.parse("6/8"))));
        InstrumentRow bell = new InstrumentRow(
                "b", "Harbour bell", "bell", List.of(new Note(1, 0.5, 79, 80), new Note(4.25, 2, 74, 50)), Strip.PLAIN);
        InstrumentRow kit = new InstrumentRow("k", "Kit", "drumKit", List.of(new Note(0, 0.25, 36, 100)), Strip.PLAIN);
        Session session = new Session(
                song,
                new SampleRate(48_000),
                0,
                "2026-01-01",
                PanLaw.MINUS_3,
                List.of(new Marker(90_000, "Verse")),
                List.of(),
                List.of(bell, kit, MixRow.DEFAULT));
        Path file = folder.resolve("notes.mid");
        MidiFile.write(session, List.of(bell, kit), file);
        assertThat(new String(Files.readAllBytes(file), 0, 4, StandardCharsets.US_ASCII))
                .isEqualTo("MThd");
        assertThat(Files.readAllBytes(file)[9]).as("format 1").isEqualTo((byte) 1);
        return MidiSystem.getSequence(file.toFile());
    }

    private static List<MidiEvent> events(Track track, int meta) {
        List<MidiEvent> found = new ArrayList<>();
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof MetaMessage message && message.getType() == meta) {
                found.add(track.get(i));
            }
        }
        return found;
    }

    @Test
    void notesStandWhereTheyWereWritten() throws Exception {
        Sequence sequence = written();
        assertThat(sequence.getTracks()).hasSize(3);
        int quarter = sequence.getResolution();
        List<String> found = new ArrayList<>();
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage message) {
                    found.add(message.getChannel() + ":" + message.getData1() + ":" + message.getData2() + "@"
                            + (double) track.get(i).getTick() / quarter);
                }
            }
        }
        assertThat(found)
                .containsExactly(
                        "0:79:80@1.0", "0:79:0@1.5", "0:74:50@4.25", "0:74:0@6.25", "9:36:100@0.0", "9:36:0@0.25");
    }

    @Test
    void theTempoMapLastsAsLongAsTheSongs() throws Exception {
        Sequence sequence = written();
        int quarter = sequence.getResolution();
        double seconds = 0;
        List<MidiEvent> tempos = events(sequence.getTracks()[0], 0x51);
        for (int i = 0; i < tempos.size(); i++) {
            byte[] data = ((MetaMessage) tempos.get(i).getMessage()).getData();
            int microseconds = (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF;
            double to = i + 1 < tempos.size() ? tempos.get(i + 1).getTick() : 12.0 * quarter;
            seconds += (to - tempos.get(i).getTick()) / quarter * microseconds / 1e6;
        }
        // three quarters at 96, six gliding down to 60 (60/k ln(v1/v0) with k = -6), three at 60
        double exact = 3 * 60 / 96.0 + 60 / -6.0 * Math.log(60 / 96.0) + 3;
        assertThat(seconds).isCloseTo(exact, within(1e-4));
        assertThat(tempos).hasSizeGreaterThan(20);
    }

    @Test
    void metersAndMarkersAreThere() throws Exception {
        Track song = written().getTracks()[0];
        List<MidiEvent> meters = events(song, 0x58);
        assertThat(((MetaMessage) meters.get(0).getMessage()).getData()).startsWith(3, 2);
        assertThat(((MetaMessage) meters.get(1).getMessage()).getData()).startsWith(6, 3);
        assertThat(meters.get(1).getTick())
                .as("bar 3 after two of three quarters")
                .isEqualTo(6 * 960);
        MidiEvent verse = events(song, 0x06).get(0);
        assertThat(new String(((MetaMessage) verse.getMessage()).getData(), StandardCharsets.UTF_8))
                .isEqualTo("Verse");
        assertThat(verse.getTick()).as("90000 frames are three quarters at 96").isEqualTo(3 * 960);
    }

    @Test
    void notesOfARangeLineUpWithItsSound() throws Exception {
        SampleRate rate = new SampleRate(48_000);
        Song song = new Song(
                "Range",
                "",
                97.0,
                Meter.parse("3/4"),
                Key.parse("E♭ major"),
                List.of(new TempoChange(6, 113, TempoChange.Way.JUMP), new TempoChange(12, 150, TempoChange.Way.GLIDE)),
                List.of());
        List<Note> notes = List.of(
                new Note(0, 1, 60, 9),
                new Note(5, 2, 61, 9),
                new Note(6, 1, 62, 9),
                new Note(9.5, 1, 63, 9),
                new Note(11.5, 4, 64, 9),
                new Note(12, 1, 65, 9));
        InstrumentRow bell = new InstrumentRow("b", "Bell", "bell", notes, Strip.PLAIN);
        Session session = new Session(song, rate, 0, "2026-01-01", List.of(), List.of(bell, MixRow.DEFAULT));
        FrameRange range =
                new FrameRange(song.timeline().frameOf(6, rate), song.timeline().frameOf(12, rate));
        long leadIn = song.timeline().framesOfBarsAt(2, range.start(), rate);
        Path file = folder.resolve("range.mid");
        MidiFile.write(session, List.of(bell), range, leadIn, file);
        Sequence sequence = MidiSystem.getSequence(file.toFile());
        Map<Integer, double[]> found = new java.util.TreeMap<>();
        Track track = sequence.getTracks()[1];
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof ShortMessage message) {
                int side = message.getData2() > 0 ? 0 : 1;
                found.computeIfAbsent(message.getData1(), pitch -> new double[2])[side] =
                        seconds(sequence, track.get(i).getTick());
            }
        }
        assertThat(found.keySet())
                .as("what is over before, or begins behind, is not there")
                .containsExactly(61, 62, 63, 64);
        found.forEach((pitch, times) -> {
            Note note = notes.get(pitch - 60);
            long on = Math.max(range.start(), song.timeline().frameOf(note.quarter(), rate));
            long off = Math.min(range.end(), song.timeline().frameOf(note.quarter() + note.quarters(), rate));
            assertThat(times[0])
                    .as("%d struck", pitch)
                    .isCloseTo(rate.seconds(leadIn + on - range.start()), within(5e-4));
            assertThat(times[1])
                    .as("%d let go", pitch)
                    .isCloseTo(rate.seconds(leadIn + off - range.start()), within(5e-4));
        });
        byte[] key = ((MetaMessage) events(sequence.getTracks()[0], 0x59).get(0).getMessage()).getData();
        assertThat(key).as("three flats, major").containsExactly(-3, 0);
    }

    private static double seconds(Sequence sequence, long tick) {
        double seconds = 0;
        double microseconds = 500_000;
        long at = 0;
        for (MidiEvent tempo : events(sequence.getTracks()[0], 0x51)) {
            if (tempo.getTick() > tick) {
                break;
            }
            seconds += (tempo.getTick() - at) * microseconds / 1e6 / sequence.getResolution();
            byte[] data = ((MetaMessage) tempo.getMessage()).getData();
            microseconds = (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF;
            at = tempo.getTick();
        }
        return seconds + (tick - at) * microseconds / 1e6 / sequence.getResolution();
    }
}
