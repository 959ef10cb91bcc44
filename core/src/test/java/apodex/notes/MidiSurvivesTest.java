package apodex.notes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.instrument.Pedal;
import apodex.session.EditRefused;
import apodex.session.InstrumentRow;
import apodex.session.Key;
import apodex.session.MixRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.SessionRules;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.SplittableRandom;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.SysexMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Everything of a Standard MIDI File that another library wrote comes in and goes out again, at its tick. */
class MidiSurvivesTest {
    private static final int TICKS = 960;

    @TempDir
    private Path folder;

    private static void add(Track track, long tick, MidiMessage message) {
        track.add(new MidiEvent(message, tick));
    }

    private static MidiMessage words(int type, String text) throws Exception {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        return new MetaMessage(type, bytes, bytes.length);
    }

    private static Sequence random(long seed) throws Exception {
        SplittableRandom random = new SplittableRandom(seed);
        Sequence sequence = new Sequence(Sequence.PPQ, TICKS);
        Track song = sequence.createTrack();
        add(song, 0, words(0x03, "Low Tide Waltz"));
        add(song, 0, words(0x02, "Salt Harbour Players"));
        add(song, 0, new MetaMessage(0x59, new byte[] {-2, 1}, 2));
        add(song, 0, new MetaMessage(0x51, new byte[] {0x09, 0x27, (byte) 0xC0}, 3)); // 100 a minute
        add(song, 480, words(0x01, "as it was sung"));
        for (int player = 0; player < 3; player++) {
            Track track = sequence.createTrack();
            add(track, 0, words(0x03, "Player " + player));
            add(track, 0, new ShortMessage(ShortMessage.PROGRAM_CHANGE, player, random.nextInt(128), 0));
            byte[] exclusive = {(byte) 0xF0, 0x7D, (byte) player, 0x11, (byte) 0xF7}; // 7D: for nobody in particular
            add(track, 10, new SysexMessage(exclusive, exclusive.length));
            for (int i = 0; i < 200; i++) {
                long tick = 20 + random.nextInt(40 * TICKS);
                int value = random.nextInt(128);
                add(
                        track,
                        tick,
                        switch (random.nextInt(5)) {
                            case 0 -> new ShortMessage(ShortMessage.PITCH_BEND, player, random.nextInt(128), value);
                            case 1 -> new ShortMessage(ShortMessage.CHANNEL_PRESSURE, player, value, 0);
                            case 2 -> new ShortMessage(ShortMessage.POLY_PRESSURE, player, 60, value);
                            case 3 -> words(0x05, "la" + i);
                            default ->
                                new ShortMessage(ShortMessage.CONTROL_CHANGE, player, random.nextInt(120), value);
                        });
            }
            add(track, 100, new ShortMessage(ShortMessage.NOTE_ON, player, 60, 80));
            add(track, 40 * TICKS, new ShortMessage(ShortMessage.NOTE_OFF, player, 60, random.nextInt(128)));
        }
        return sequence;
    }

    /** Everything but notes as they are struck, meters and ends, as text. */
    private static List<String> beside(Sequence sequence) {
        List<String> all = new ArrayList<>();
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                MidiMessage message = track.get(i).getMessage();
                int status = message.getStatus();
                boolean note = status >= 0x90 && status < 0xA0;
                boolean skipped =
                        message instanceof MetaMessage meta && (meta.getType() == 0x2F || meta.getType() == 0x58);
                if (!note && !skipped) {
                    byte[] bytes = java.util.Arrays.copyOf(message.getMessage(), message.getLength());
                    if (status < 0xF0) {
                        bytes[0] = (byte) (status & 0xF0); // which channel a row goes out on is the file's affair
                    }
                    all.add(track.get(i).getTick() + " " + HexFormat.of().formatHex(bytes));
                }
            }
        }
        all.sort(null);
        return all;
    }

    private Session session(MidiSong song) {
        List<Row> rows = new ArrayList<>();
        for (MidiSong.Player player : song.players()) {
            rows.add(new InstrumentRow("r" + rows.size(), player.name(), "bell", player.notes(), Strip.PLAIN)
                    .with(player.messages()));
        }
        rows.add(MixRow.DEFAULT);
        Session session = new Session(
                new Song("Low Tide Waltz", "", 100.0, null, song.key()),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(),
                rows);
        return SessionDocument.read(SessionDocument.write(SessionRules.checked(session)), Session.class);
    }

    private static List<InstrumentRow> players(Session session) {
        return session.rows().stream()
                .filter(InstrumentRow.class::isInstance)
                .map(InstrumentRow.class::cast)
                .toList();
    }

    @ParameterizedTest
    @CsvSource({"1", "2", "3"})
    void whatCameInGoesOut(long seed) throws Exception {
        Sequence came = random(seed);
        Path in = folder.resolve("in.mid");
        MidiSystem.write(came, 1, in.toFile());
        MidiSong song = MidiReader.read(in);
        assertThat(song.troubles()).isEmpty();
        assertThat(song.key()).isEqualTo(Key.parse("G minor"));
        Path out = folder.resolve("out.mid");
        Session session = session(song);
        MidiFile.write(session, players(session), out);
        assertThat(beside(MidiSystem.getSequence(out.toFile()))).isEqualTo(beside(came));
    }

    @Test
    void aRangeThatBeginsLaterStartsWithWhatWasSetUntilThen() throws Exception {
        InstrumentRow row = new InstrumentRow("r", "Keys", "bell", List.of(new Note(0, 8, 60, 90)), Strip.PLAIN)
                .with(List.of(
                        new Message(0, "c005"),
                        new Message(1, "b00740"),
                        new Message(2, "b00750"),
                        new Message(2, "ff05" + "6c61"),
                        new Message(5, "b00760"),
                        new Message(9, "b00770")));
        Session session = new Session(
                new Song("x", "", 120.0, null, null),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(),
                List.of(row, MixRow.DEFAULT));
        Path file = folder.resolve("part.mid");
        MidiFile.write(session, List.of(row), new FrameRange(4 * 24_000, 8 * 24_000), 0, file);
        assertThat(beside(MidiSystem.getSequence(file.toFile())).stream()
                        .filter(event -> !event.contains(" ff") && !event.contains(" 80"))
                        .toList())
                .containsExactlyInAnyOrder("0 b00750", "0 c005", TICKS + " b00760");
    }

    @Test
    void thePedalHoldsWhatTheKeysLetGo() {
        List<Message> pedal = List.of(
                new Message(1, "b0407f"),
                new Message(4, "b04000"),
                new Message(6, "b04040"),
                new Message(6.5, "b0403f"));
        assertThat(Pedal.held(
                        List.of(
                                new Note(0, 0.5, 60, 90), // over before
                                new Note(0.5, 1, 62, 90), // let go while it is down
                                new Note(3, 2, 64, 90), // held by its key for longer
                                new Note(6.2, 0.1, 65, 90)),
                        pedal))
                .containsExactly(
                        new Note(0, 0.5, 60, 90),
                        new Note(0.5, 3.5, 62, 90),
                        new Note(3, 2, 64, 90),
                        new Note(6.2, 0.2999999999999998, 65, 90));
    }

    @ParameterizedTest
    @CsvSource({"b007", "9060", "xyz", "b0078000", "ff", "b0ff00"})
    void whatIsNoMessageIsRefused(String hex) {
        InstrumentRow row =
                new InstrumentRow("r", "Keys", "bell", List.of(), Strip.PLAIN).with(List.of(new Message(0, hex)));
        Session session = new Session(
                Song.titled("x"), new SampleRate(48_000), 0, "2026-01-01", List.of(), List.of(row, MixRow.DEFAULT));
        assertThatThrownBy(() -> SessionRules.checked(session))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("no message of MIDI");
    }
}
