package apodex.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SampleFormat;
import apodex.instrument.Note;
import apodex.time.MeterChange;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Everything an edit can get wrong is refused with its field and one sentence; nothing of it reaches a walk. */
final class SessionRulesTest {
    private static final Recording RECORDING =
            new Recording("aa", "tuba.wav", new SampleRate(44_100), 2, SampleFormat.INT24, 44_100, null, null);

    static Session session() {
        return new Session(
                Song.titled("Test"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(RECORDING),
                List.of(
                        new AudioRow(
                                "tuba",
                                "Tuba",
                                List.of(new Clip("aa", 0, 2, 0, 0, 1_000, 0, 0, 0)),
                                Strip.feeding("low")),
                        new InstrumentRow("kit", "Kit", "drumKit", List.of(), Strip.PLAIN),
                        new PartRow("kick", "Kick", "kit", "kick", Strip.feeding("low")),
                        new BusRow("low", "Low end", Strip.feeding("all")),
                        new BusRow("all", "All", Strip.PLAIN),
                        new ReturnRow("hall", "Hall", Strip.PLAIN),
                        new MixRow("mix", "Mix", Strip.feeding())));
    }

    private static SessionEdit clip(Clip clip) {
        return new SetTakes("tuba", List.of(new Take("t", "Take", List.of(clip))), "t");
    }

    private static Clip clip(
            int channel, int channels, long position, long offset, long frames, double gain, long in, long out) {
        return new Clip("aa", channel, channels, position, offset, frames, gain, in, out);
    }

    static Stream<Arguments> refused() {
        return Stream.of(
                Arguments.of("takes", "beyond its recording", clip(clip(0, 2, 0, 0, 48_001, 0, 0, 0))),
                Arguments.of("takes", "no length", clip(clip(0, 2, 0, 0, 0, 0, 0, 0))),
                Arguments.of("takes", "channels", clip(clip(1, 2, 0, 0, 10, 0, 0, 0))),
                Arguments.of("takes", "outside the session", clip(clip(0, 2, -1, 0, 10, 0, 0, 0))),
                Arguments.of("takes", "fades longer", clip(clip(0, 2, 0, 0, 10, 0, 6, 5))),
                Arguments.of("takes", "−144 to 48", clip(clip(0, 2, 0, 0, 10, 49, 0, 0))),
                Arguments.of("takes", "does not have", clip(new Clip("bb", 0, 1, 0, 0, 10, 0, 0, 0))),
                Arguments.of("active", "no take", new SetTakes("tuba", List.of(), "t")),
                Arguments.of(
                        "inserts", "no effect “magic”", new SetInserts("tuba", List.of(Insert.of("magic", Map.of())))),
                Arguments.of(
                        "inserts",
                        "10 to 2000 Hz",
                        new SetInserts("tuba", List.of(Insert.of("lowCut", Map.of("hertz", 5.0))))),
                Arguments.of(
                        "inserts",
                        "no setting",
                        new SetInserts("tuba", List.of(Insert.of("lowCut", Map.of("loud", 5.0))))),
                Arguments.of(
                        "inserts",
                        "no other row",
                        new SetInserts(
                                "tuba", List.of(Insert.of("gate", Map.of()).keyedBy("tuba")))),
                Arguments.of(
                        "inserts",
                        "cannot listen",
                        new SetInserts(
                                "tuba", List.of(Insert.of("bell", Map.of()).keyedBy("kick")))),
                Arguments.of("faderDb", "−144 to 24 dB", new SetFader("tuba", 25, 0, false, false)),
                Arguments.of("faderDb", "NaN", new SetFader("tuba", Double.NaN, 0, false, false)),
                Arguments.of("pan", "−100 to 100", new SetFader("tuba", 0, 101, false, false)),
                Arguments.of(
                        "faderMoves",
                        "not in order",
                        new SetMoves("tuba", List.of(new Move(9, 0), new Move(8, 0)), List.of())),
                Arguments.of("panMoves", "−100 to 100", new SetMoves("tuba", List.of(), List.of(new Move(0, 200)))),
                Arguments.of(
                        "sends", "no return", new SetSends("tuba", List.of(new Send("low", 0, Send.From.AFTER_FADER)))),
                Arguments.of(
                        "sends",
                        "−144 to 24",
                        new SetSends("tuba", List.of(new Send("hall", 30, Send.From.AFTER_FADER)))),
                Arguments.of("outputs", "not in this session", new SetOutputs("tuba", List.of("nowhere"))),
                Arguments.of("outputs", "neither a bus nor the mix", new SetOutputs("tuba", List.of("hall"))),
                Arguments.of("outputs", "same bus twice", new SetOutputs("tuba", List.of("low", "low"))),
                Arguments.of("outputs", "mix feeds nothing", new SetOutputs("mix", List.of("low"))),
                Arguments.of("outputs", "“Low end” feeds “All” feeds “Low end”", new SetOutputs("all", List.of("low"))),
                Arguments.of(
                        "outputs",
                        "“All” feeds",
                        new SetInserts(
                                "tuba", List.of(Insert.of("gate", Map.of()).keyedBy("all")))),
                Arguments.of("notes", "not playable", new SetNotes("kit", "drumKit", List.of(new Note(-1, 1, 60, 64)))),
                Arguments.of("notes", "not playable", new SetNotes("kit", "drumKit", List.of(new Note(0, 1, 128, 64)))),
                Arguments.of("instrument", "no instrument", new SetNotes("kit", "zither", List.of())),
                Arguments.of("part", "no part", new SetNotes("kit", "bell", List.of())),
                Arguments.of("row", "Only instrument rows", new SetNotes("tuba", "bell", List.of())),
                Arguments.of("row", "Only audio rows", new SetTakes("kit", List.of(), "x")),
                Arguments.of("row", "no row “r9”", new SetOutputs("r9", List.of())),
                Arguments.of("row", "already a row", new AddRow(new BusRow("low", "Again", Strip.PLAIN), null)),
                Arguments.of("name", "cannot be empty", new AddRow(new BusRow("new", " ", Strip.PLAIN), null)),
                Arguments.of(
                        "part", "two rows", new AddRow(new PartRow("k2", "Kick 2", "kit", "kick", Strip.PLAIN), null)),
                Arguments.of("row", "without its mix", new RemoveRow("mix")),
                Arguments.of(
                        "tempoChanges",
                        "follow each other",
                        new SetTempoMap(
                                List.of(new TempoChange(4, 90, null), new TempoChange(4, 80, null)), List.of())),
                Arguments.of(
                        "tempoChanges",
                        "bar after bar",
                        new SetTempoMap(List.of(), List.of(new MeterChange(1, apodex.time.Meter.FOUR_FOUR)))),
                Arguments.of("markers", "outside", new SetMarkers(List.of(new Marker(-5, "Early")))),
                Arguments.of("panLaw", "0, -3", new SetPanLaw(null)));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @MethodSource("refused")
    void isRefused(String field, String words, SessionEdit edit) {
        assertThatThrownBy(() -> edit.applyTo(session())).isInstanceOfSatisfying(EditRefused.class, refusal -> {
            assertThat(refusal.field()).isEqualTo(field);
            assertThat(refusal.getMessage()).contains(words).endsWith(".");
        });
        assertThat(edit.describe(session())).isNotBlank();
        assertThat(SessionDocument.read(SessionDocument.write(edit), SessionEdit.class))
                .as("survives storage")
                .isEqualTo(edit);
    }

    @Test
    void theWholeModelSurvivesItsDocument() {
        assertThat(SessionDocument.read(SessionDocument.write(session()), Session.class))
                .isEqualTo(session());
    }

    @Test
    void anEffectApodexDoesNotHaveStaysWhereItWas() {
        Insert foreign = Insert.of("magic", Map.of("amount", 3.0));
        Session with =
                session().withRow("tuba", row -> row.withStrip(row.strip().withInserts(List.of(foreign))));
        Session after = new SetInserts("tuba", List.of(Insert.of("bell", Map.of()), foreign.keep())).applyTo(with);
        assertThat(after.row("tuba").orElseThrow().strip().inserts())
                .extracting(Insert::effect)
                .containsExactly("bell", "magic");
    }

    @Test
    void anEffectFromElsewhereIsSaidInWordsAndOneOfTheHouseIsNot() {
        Insert foreign = new Insert("Warm Valve", Map.of(), null, false, true, "drive 4, mix 30 %");
        Session after = new SetInserts("tuba", List.of(foreign)).applyTo(session());
        assertThat(after.row("tuba").orElseThrow().strip().inserts()).containsExactly(foreign);
        Insert house = new Insert("delay", Map.of(), null, false, true, "a lot");
        assertThatThrownBy(() -> new SetInserts("tuba", List.of(house)).applyTo(session()))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("its own settings");
    }

    @Test
    void aBusThatGoesHandsItsRowsOn() {
        Session after = new RemoveRow("low").applyTo(session());
        assertThat(after.row("tuba").orElseThrow().strip().outputs()).containsExactly("all");
        Session noKit = new RemoveRow("kit").applyTo(session());
        assertThat(noKit.row("kick")).as("a part goes with its instrument").isEmpty();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({"ZERO, 0", "MINUS_3, -3.0103", "MINUS_4_5, -4.5154", "MINUS_6, -6.0206"})
    void panLaws(PanLaw law, double centreDb) {
        assertThat(20 * Math.log10(law.mono(0, 0))).isCloseTo(centreDb, within(1e-4));
        assertThat(law.mono(0, 0)).isCloseTo(law.mono(0, 1), within(1e-12));
        assertThat(law.mono(-100, 1)).isZero();
        assertThat(law.mono(100, 1)).isCloseTo(law == PanLaw.ZERO ? Math.sqrt(2) : 1, within(1e-12));
        if (law == PanLaw.MINUS_3) {
            for (int position = -100; position <= 100; position += 10) { // equal power
                assertThat(Math.pow(law.mono(position, 0), 2) + Math.pow(law.mono(position, 1), 2))
                        .isCloseTo(1, within(1e-12));
            }
        }
        assertThat(PanLaw.balance(50, 1)).isEqualTo(1);
        assertThat(PanLaw.balance(50, 0)).isCloseTo(Math.sqrt(0.5), within(1e-12));
        assertThat(PanLaw.balance(-100, 1)).isZero();
    }
}
