package apodex.notes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.time.Meter;
import apodex.time.MeterChange;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

final class MidiReaderTest {
    private static final HexFormat HEX = HexFormat.of();

    @TempDir
    private Path folder;

    /** What the platform's own reader finds, note by note. */
    private static List<String> outside(Path file) throws Exception {
        Sequence sequence = MidiSystem.getSequence(file.toFile());
        List<String> notes = new ArrayList<>();
        for (Track track : sequence.getTracks()) {
            Map<Integer, Long> started = new HashMap<>();
            Map<Integer, Integer> hit = new HashMap<>();
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage message) {
                    int key = message.getChannel() << 8 | message.getData1();
                    boolean on = message.getCommand() == ShortMessage.NOTE_ON && message.getData2() > 0;
                    if (on) {
                        started.put(key, track.get(i).getTick());
                        hit.put(key, message.getData2());
                    } else if (started.containsKey(key)) {
                        long start = started.remove(key);
                        notes.add(message.getData1() + " " + start + " "
                                + (track.get(i).getTick() - start) + " " + hit.get(key));
                    }
                }
            }
        }
        notes.sort(Comparator.naturalOrder());
        return notes;
    }

    @ParameterizedTest(name = "format {0}, {1} ticks, seed {2}")
    @CsvSource({"0,96,1", "1,96,2", "1,480,3", "0,960,4", "1,24,5", "1,32767,6"})
    void everyNoteIsWhereThePlatformsReaderFindsIt(int format, int ticks, int seed) throws Exception {
        Random random = new Random(seed);
        Sequence sequence = new Sequence(Sequence.PPQ, ticks);
        for (int t = 0; t < (format == 0 ? 1 : 4); t++) {
            Track track = sequence.createTrack();
            for (int pitch = 30; pitch < 60; pitch++) {
                int channel = random.nextInt(16);
                for (long tick = random.nextInt(ticks); tick < 40L * ticks; ) {
                    long length = 1 + random.nextInt(ticks);
                    track.add(new MidiEvent(
                            new ShortMessage(ShortMessage.NOTE_ON, channel, pitch, 1 + random.nextInt(127)), tick));
                    track.add(new MidiEvent(
                            random.nextBoolean()
                                    ? new ShortMessage(ShortMessage.NOTE_OFF, channel, pitch, 64)
                                    : new ShortMessage(ShortMessage.NOTE_ON, channel, pitch, 0),
                            tick + length));
                    tick += length + 1 + random.nextInt(8 * ticks);
                }
            }
        }
        Path file = folder.resolve("random.mid");
        MidiSystem.write(sequence, format, file.toFile());
        MidiSong song = MidiReader.read(file);
        assertThat(song.troubles()).isEmpty();
        List<String> ours = new ArrayList<>();
        song.players().forEach(player -> player.notes()
                .forEach(note -> ours.add(note.pitch() + " " + Math.round(note.quarter() * ticks) + " "
                        + Math.round(note.quarters() * ticks) + " " + note.velocity())));
        ours.sort(Comparator.naturalOrder());
        assertThat(ours).hasSizeGreaterThan(100).isEqualTo(outside(file));
        assertThat(song.players()).filteredOn(MidiSong.Player::drums).isNotEmpty();
    }

    @Test
    void tempoMetersMarkersAndNamesComeIn() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        meta(track, 0, 0x03, "Größe".getBytes(StandardCharsets.ISO_8859_1));
        meta(track, 0, 0x51, new byte[] {0x09, (byte) 0x89, 0x68}); // 625,000 microseconds: 96 a minute
        meta(track, 0, 0x58, new byte[] {3, 2, 24, 8});
        meta(track, 480 * 6, 0x58, new byte[] {6, 3, 24, 8});
        meta(track, 480 * 7, 0x58, new byte[] {2, 2, 24, 8}); // inside the first bar of 6/8
        meta(track, 480 * 6, 0x51, new byte[] {0x07, (byte) 0xA1, 0x20});
        meta(track, 480 * 6, 0x06, "Verse".getBytes(StandardCharsets.UTF_8));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 2, 33, 0), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 2, 40, 90), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 2, 40, 0), 480));
        Path file = folder.resolve("song.mid");
        MidiSystem.write(sequence, 1, file.toFile());
        MidiSong song = MidiReader.read(file);
        assertThat(song.tempos())
                .extracting(change -> change.quarter() + " " + change.quartersPerMinute())
                .containsExactly("0.0 96.0", "6.0 120.0");
        assertThat(song.meters())
                .containsExactly(
                        new MeterChange(1, Meter.parse("3/4")),
                        new MeterChange(3, Meter.parse("6/8")),
                        new MeterChange(4, Meter.parse("2/4")));
        assertThat(song.markers()).containsExactly(new MidiSong.Mark(6, "Verse"));
        assertThat(song.players())
                .singleElement()
                .isEqualTo(new MidiSong.Player(
                        "Größe", false, 33, List.of(new Note(0, 1, 40, 90)), List.of(new Message(0, "c021"))));
        assertThat(song.troubles()).singleElement().asString().contains("inside a bar");
    }

    private static void meta(Track track, long tick, int type, byte[] data) throws Exception {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), tick));
    }

    private Path file(int format, int tracks, int division, String... bodies) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(HEX.parseHex(String.format("4d546864" + "00000006" + "%04x%04x%04x", format, tracks, division)));
        for (String body : bodies) {
            byte[] bytes = HEX.parseHex(body.replace(" ", ""));
            out.write(HEX.parseHex(String.format("4d54726b%08x", bytes.length)));
            out.write(bytes);
        }
        return Files.write(folder.resolve("made.mid"), out.toByteArray());
    }

    @Test
    void runningStatusAndStuckNotes() throws IOException {
        // three notes struck on one status byte; the second is let go with velocity 0, the others never; then 96 ticks
        // to the end
        MidiSong song = MidiReader.read(file(0, 1, 96, "00 90 3c 40 30 3e 41 30 40 42 30 3e 00 60 ff 2f 00"));
        assertThat(song.players().get(0).notes())
                .containsExactly(new Note(0, 2.5, 60, 64), new Note(0.5, 1, 62, 65), new Note(1, 1.5, 64, 66));
        assertThat(song.troubles())
                .singleElement()
                .asString()
                .contains("2 notes")
                .contains("end with the track");
    }

    @Test
    void aTempoOfNothingIsLeftOutAndTheNextOneHolds() throws IOException {
        MidiSong song = MidiReader.read(file(1, 1, 96, "00 ff 51 03 00 00 00 60 ff 51 03 07 a1 20 00 ff 2f 00"));
        assertThat(song.tempos()).singleElement().satisfies(change -> assertThat(change.quartersPerMinute())
                .isEqualTo(120, within(1e-9)));
        assertThat(song.troubles())
                .singleElement()
                .asString()
                .contains("0 microseconds")
                .contains("quarter 0");
    }

    @Test
    void promisedTracksThatAreNotThereAreSaid() throws IOException {
        MidiSong song = MidiReader.read(file(1, 65_535, 96, "00 90 3c 40 60 80 3c 00 00 ff 2f 00"));
        assertThat(song.players()).hasSize(1);
        assertThat(song.troubles()).singleElement().asString().contains("promises 65535 tracks; 1");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "00 90 3c 40 60 80 3c; ends in the middle",
                "00 3c 40; belongs to nothing",
                "00 ff 03 7f 41; ends in the middle"
            })
    void aBrokenTrackLeavesTheOthersWhole(String broken, String words) throws IOException {
        MidiSong song = MidiReader.read(file(1, 2, 96, broken, "00 90 40 40 60 80 40 00 00 ff 2f 00"));
        assertThat(song.players().get(song.players().size() - 1).notes()).containsExactly(new Note(0, 1, 64, 64));
        assertThat(song.troubles()).anyMatch(trouble -> trouble.contains(words) && trouble.contains("Track 1"));
    }

    /** A tick lasts what the standard's formula says, whatever tempo the file also claims. */
    @ParameterizedTest
    @CsvSource({"0xE828, 24, 40", "0xE728, 25, 40", "0xE250, 30, 80", "0xE364, 29.97002997002997, 100"})
    void filmFramesAreLaidOutInSeconds(String division, double framesPerSecond, int ticksPerFrame) throws IOException {
        MidiSong song = MidiReader.read(
                file(1, 1, Integer.decode(division), "00 ff 51 03 0f 42 40 87 68 90 40 40 87 68 80 40 00 00 ff 2f 00"));
        double seconds = 1_000 / (framesPerSecond * ticksPerFrame);
        assertThat(song.tempos()).singleElement().satisfies(tempo -> {
            Note note = song.players().get(0).notes().get(0);
            double quarter = 60 / tempo.quartersPerMinute();
            assertThat(note.quarter() * quarter).isCloseTo(seconds, within(1e-9));
            assertThat(note.quarters() * quarter).isCloseTo(seconds, within(1e-9));
        });
        assertThat(song.troubles()).anyMatch(trouble -> trouble.contains("film frames"));
    }

    @Test
    void aChannelPrefixGivesWordsToItsChannel() throws IOException {
        MidiSong song = MidiReader.read(file(
                0,
                1,
                96,
                "00 ff 03 01 54 00 ff 20 01 01 00 ff 03 01 42 00 ff 05 02 6c 61 00 90 40 40 00 91 43 40 00 ff 01 01 78"
                        + " 60 80 40 20 00 81 43 30 00 ff 2f 00"));
        assertThat(song.players()).extracting(MidiSong.Player::name).containsExactly("T ch 1", "B");
        assertThat(song.players().get(1).messages()).containsExactly(new Message(0, "ff05" + "6c61"));
        assertThat(song.players().get(0).messages())
                .as("after a note the words are the track's again")
                .containsExactly(new Message(0, "ff01" + "78"));
        assertThat(song.players())
                .extracting(player -> player.notes().get(0).release())
                .containsExactly(0x20, 0x30);
    }

    @Test
    void whatCannotBeUsedIsRefusedInASentence() throws IOException {
        assertThatThrownBy(() -> MidiReader.read(file(1, 1, 0, "00 ff 2f 00"))).hasMessageContaining("time base");
        assertThatThrownBy(() -> MidiReader.read(file(1, 0, 96))).hasMessageContaining("not one track");
        assertThatThrownBy(() -> MidiReader.read(Files.write(folder.resolve("x"), new byte[] {1, 2, 3})))
                .hasMessageContaining("no Standard MIDI File");
        Random random = new Random(9);
        Path good = file(1, 2, 96, "00 90 3c 40 60 80 3c 00 00 ff 2f 00", "00 ff 51 03 07 a1 20 00 ff 2f 00");
        byte[] bytes = Files.readAllBytes(good);
        for (int i = 0; i < 3_000; i++) {
            byte[] mutated = java.util.Arrays.copyOf(bytes, 8 + random.nextInt(bytes.length - 8));
            for (int k = 0; k < 3; k++) {
                mutated[4 + random.nextInt(mutated.length - 4)] = (byte) random.nextInt();
            }
            Path file = Files.write(folder.resolve("mutated.mid"), mutated);
            try {
                assertThat(MidiReader.read(file).players())
                        .allSatisfy(player -> assertThat(player.notes()).allMatch(note -> note.quarters() > 0));
            } catch (IOException e) {
                assertThat(e.getMessage()).endsWith(".");
            }
        }
    }
}
