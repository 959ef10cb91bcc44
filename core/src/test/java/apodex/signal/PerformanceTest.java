package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.Walked.How;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** House instruments follow bend, volume, expression and pan, and leave room. At 120 a minute a quarter is half a second. */
class PerformanceTest {
    private static final int RATE = 48_000;
    private static final int QUARTER = RATE / 2;
    private static final int GLIDE = RATE / 200;

    @TempDir
    private Path folder;

    private double[][] heard(String instrument, List<Note> notes, Message... messages) throws IOException {
        InstrumentRow row = new InstrumentRow("r", "Keys", instrument, notes, Strip.PLAIN).with(List.of(messages));
        Session session = new Session(
                new Song("x", "", 120.0, null, null),
                new SampleRate(RATE),
                0,
                "2026-01-01",
                List.of(),
                List.of(row, MixRow.DEFAULT));
        return Walked.print(
                        session,
                        new TestRecordings(folder),
                        folder,
                        How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE),
                        List.of("r@RAW"))
                .sides
                .get("r@RAW");
    }

    @Test
    void aBendThatBendsNothingChangesNoSample() throws IOException {
        List<Note> notes = List.of(new Note(0, 2, 60, 90), new Note(1, 1, 67, 70));
        double[][] plain = heard("pluckedString", notes);
        assertThat(heard("pluckedString", notes, new Message(0, "e00040"))).isDeepEqualTo(plain);
        // up, and back before anything is struck
        double[][] later = heard(
                "pluckedString",
                notes.stream()
                        .map(note -> note.at(note.quarter() + 1, note.quarters()))
                        .toList());
        assertThat(heard(
                        "pluckedString",
                        notes.stream()
                                .map(note -> note.at(note.quarter() + 1, note.quarters()))
                                .toList(),
                        new Message(0, "e07f7f"),
                        new Message(0.5, "e00040"))[0])
                .isEqualTo(later[0]);
    }

    @ParameterizedTest
    @ValueSource(strings = {"pluckedString", "reedOrgan", "bell", "pad"})
    void anOctaveUpIsEverySecondSampleOfANoteHeldTwiceAsLong(String instrument) throws IOException {
        double[][] plain = heard(instrument, List.of(new Note(0, 2, 60, 90)));
        double[][] bent = heard(
                instrument,
                List.of(new Note(0, 1, 60, 90)),
                new Message(0, "b06500"),
                new Message(0, "b06400"),
                new Message(0, "b0060c"),
                new Message(0, "e07f7f"));
        // 7F7F is 8191 of 8192: an octave but for 0.15 cents
        for (int c = 0; c < plain.length; c++) {
            for (int i = 0; i < 50; i++) {
                assertThat(bent[c][i]).isCloseTo(plain[c][2 * i], within(4e-3));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"e00060, 1, 0", "e00020, -1, 0", "e07f7f, 2, 0", "e00060, 3.5, 7", "e00000, -7, 7"})
    void aBendIsSoManySemitonesAsItSays(String bend, double semitones, String reach) throws IOException {
        List<Message> messages = new ArrayList<>();
        if (!reach.equals("0")) {
            messages.add(new Message(0, "b06500"));
            messages.add(new Message(0, "b06400"));
            messages.add(new Message(0, "b0060" + reach));
        }
        messages.add(new Message(0, bend));
        double[] sound = heard("reedOrgan", List.of(new Note(0, 4, 69, 90)), messages.toArray(Message[]::new))[0];
        double expected = 440 * Math.pow(2, semitones / 12);
        double at = strength(sound, expected);
        assertThat(at).isGreaterThan(1.5 * strength(sound, expected + 1.5));
        assertThat(at).isGreaterThan(1.5 * strength(sound, expected - 1.5));
    }

    /** Of one frequency over a second, seen through a Hann window. */
    private static double strength(double[] sound, double hertz) {
        double real = 0;
        double imaginary = 0;
        for (int i = 0; i < RATE; i++) {
            double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / RATE);
            real += window * sound[i + 4_800] * Math.cos(2 * Math.PI * hertz * i / RATE);
            imaginary += window * sound[i + 4_800] * Math.sin(2 * Math.PI * hertz * i / RATE);
        }
        return Math.hypot(real, imaginary);
    }

    @Test
    void volumeAndExpressionAreFortyLogOfTheirValue() throws IOException {
        List<Note> notes = List.of(new Note(0, 6, 60, 90));
        double[] plain = heard("reedOrgan", notes)[0];
        double[] softer = heard(
                "reedOrgan", notes, new Message(0, "b00740"), new Message(2, "b00b20"), new Message(4, "b07900"))[0];
        double volume = Math.pow(10, 40 * Math.log10(64 / 127.0) / 20);
        double expression = Math.pow(10, 40 * Math.log10(32 / 127.0) / 20);
        for (int i = 0; i < 5 * QUARTER; i++) {
            boolean gliding =
                    i >= 2 * QUARTER && i < 2 * QUARTER + GLIDE || i >= 4 * QUARTER && i < 4 * QUARTER + GLIDE;
            double gain = i >= 2 * QUARTER && i < 4 * QUARTER ? volume * expression : volume;
            if (!gliding) {
                assertThat(softer[i]).as("frame %d", i).isCloseTo(plain[i] * gain, within(1e-7));
            }
        }
    }

    @Test
    void panPutsItWhereTheStandardSays() throws IOException {
        List<Note> notes = List.of(new Note(0, 4, 60, 90));
        double[] plain = heard("reedOrgan", notes)[0];
        assertThat(heard("reedOrgan", notes, new Message(0, "b00a40"))[0])
                .as("in the middle nothing changes")
                .isEqualTo(plain);
        double[][] right = heard("reedOrgan", notes, new Message(0, "b00a7f"), new Message(2, "b00a40"));
        assertThat(Arrays.copyOf(right[0], 2 * QUARTER)).containsOnly(0.0);
        assertThat(right[1][QUARTER]).isCloseTo(plain[QUARTER], within(1e-7));
        int middle = 3 * QUARTER;
        double half = Math.sin(Math.PI / 2 * 63 / 126);
        assertThat(right[0][middle]).isCloseTo(plain[middle] * half, within(1e-7));
        assertThat(right[1][middle]).isCloseTo(plain[middle] * half, within(1e-7));
    }

    @ParameterizedTest
    @CsvSource({"pluckedString, 4", "reedOrgan, 4", "bell, 8", "pad, 8", "bass, 16", "drumKit, 16"})
    void densePartsStayBelowFullScale(String instrument, int aQuarter) throws IOException {
        SplittableRandom random = new SplittableRandom(aQuarter);
        List<Note> notes = new ArrayList<>();
        for (int i = 0; i < 8 * aQuarter; i++) {
            int pitch = instrument.equals("drumKit") ? 35 + random.nextInt(13) : 36 + random.nextInt(48);
            notes.add(new Note(random.nextDouble(8), 1 + random.nextDouble(2), pitch, random.nextInt(70, 128)));
        }
        double peak = 0;
        for (double[] side : heard(instrument, notes)) {
            peak = Math.max(peak, Arrays.stream(side).map(Math::abs).max().orElse(0));
        }
        assertThat(peak).isBetween(0.25, 0.999);
    }
}
