package apodex.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SampleFormat;
import apodex.instrument.Instruments;
import apodex.instrument.Note;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Edits of rows, takes and the whole session. */
final class RowEditsTest {
    private static final Recording LONG =
            new Recording("ab".repeat(32), "a.wav", new SampleRate(48_000), 1, SampleFormat.INT24, 1_000, null, null);
    private static final Recording SHORT =
            new Recording("cd".repeat(32), "a.wav", new SampleRate(48_000), 1, SampleFormat.INT24, 300, null, null);
    private static final Clip WHOLE = Clip.whole(LONG, 0, 1, 100);
    private static final Session SESSION = new Session(
            new Song(
                    "Low Tide Waltz",
                    "",
                    120.0,
                    Meter.parse("3/4"),
                    null,
                    List.of(new TempoChange(3, 60, TempoChange.Way.JUMP)),
                    List.of(new MeterChange(3, Meter.FOUR_FOUR))),
            new SampleRate(48_000),
            10_000_000,
            "2026-05-17",
            PanLaw.MINUS_3,
            List.of(new Marker(480, "Verse")),
            List.of(LONG),
            List.of(
                    new AudioRow(
                            "r1",
                            "Tuba",
                            List.of(WHOLE),
                            Strip.feeding("bus").withMoves(List.of(new Move(5, -3)), List.of())),
                    new AudioRow(
                            "r2",
                            "Harp",
                            List.of(
                                    new Take("t1", "Take 1", List.of(WHOLE)),
                                    new Take("t2", "Take 2", List.of(Clip.whole(LONG, 0, 1, 0)))),
                            "t1",
                            Strip.PLAIN),
                    new InstrumentRow("r3", "Kit", "drumKit", List.of(new Note(1, 0.5, 36, 90)), Strip.feeding("bus")),
                    new BusRow("bus", "Band", Strip.PLAIN),
                    MixRow.DEFAULT));

    private static List<String> order(SessionEdit edit) {
        return edit.applyTo(SESSION).rows().stream().map(Row::id).toList();
    }

    @Test
    void rowsMoveTogetherAndTheMixStaysLast() {
        assertThat(order(new MoveRows(List.of("r3", "r1"), "bus"))).containsExactly("r2", "r1", "r3", "bus", "mix");
        assertThat(order(new MoveRows(List.of("r1"), null))).containsExactly("r2", "r3", "bus", "r1", "mix");
        assertThat(order(new MoveRows(List.of("r2"), "r2")))
                .as("dropped on itself")
                .containsExactly("r1", "r2", "r3", "bus", "mix");
        assertThat(new MoveRows(List.of("r1"), "bus").applyTo(SESSION).row("r1"))
                .isEqualTo(SESSION.row("r1"));
    }

    @Test
    void aDuplicateIsTheSameUnderAnotherName() {
        Session twice = new DuplicateRow("r1").applyTo(SESSION);
        assertThat(twice.rows().get(1).name()).isEqualTo("Tuba 2");
        assertThat(twice.rows().get(1).withName("Tuba").strip())
                .isEqualTo(SESSION.rows().get(0).strip());
        assertThat(((AudioRow) twice.rows().get(1)).clips())
                .isEqualTo(SESSION.audioRows().get(0).clips());
        assertThat(new DuplicateRow("r1").applyTo(twice).rows().get(1).name()).isEqualTo("Tuba 3");
    }

    @Test
    void partsAreSplitOffInOneStepAndGoWhenTheInstrumentHasNone() {
        Session split = new SplitParts("r3").applyTo(SESSION);
        int parts = Instruments.find("drumKit").orElseThrow().parts().size();
        assertThat(split.rows())
                .filteredOn(PartRow.class::isInstance)
                .hasSize(parts)
                .allMatch(row -> row.strip().outputs().equals(List.of("bus")));
        assertThat(split.rows().get(3)).isInstanceOf(PartRow.class);
        Session other = new SetInstrument("r3", "bell", null).applyTo(split);
        assertThat(other.rows()).hasSameSizeAs(SESSION.rows());
    }

    @Test
    void aStretchComesFromAnotherTakeAndTheTakesStay() {
        Session once = new UseTakeFor("r2", "t2", 400, 700).applyTo(SESSION);
        AudioRow row = (AudioRow) once.row("r2").orElseThrow();
        assertThat(row.takes()).extracting(Take::id).containsExactly("t1", "t2", "t3");
        assertThat(row.takes().subList(0, 2))
                .isEqualTo(((AudioRow) SESSION.row("r2").orElseThrow()).takes());
        assertThat(row.clips())
                .extracting(Clip::position, Clip::offset, Clip::frames)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(100L, 0L, 300L),
                        org.assertj.core.groups.Tuple.tuple(400L, 400L, 300L),
                        org.assertj.core.groups.Tuple.tuple(700L, 600L, 400L));
        AudioRow again = (AudioRow)
                new UseTakeFor("r2", "t1", 500, 600).applyTo(once).row("r2").orElseThrow();
        assertThat(again.takes()).as("the assembled take goes on").hasSize(3);
        assertThat(again.clips())
                .extracting(Clip::position, Clip::offset)
                .contains(org.assertj.core.groups.Tuple.tuple(500L, 400L));
    }

    @Test
    void everythingMovesLaterByWholeBars() {
        Session later = new ShiftSession(2).applyTo(SESSION);
        long frames = 2 * 72_000; // two bars of three beats at 120, though the second now is at 60
        assertThat(later.audioRows().get(0).clips().get(0).position()).isEqualTo(100 + frames);
        assertThat(later.rows().get(0).strip().faderMoves()).containsExactly(new Move(5 + frames, -3));
        assertThat(later.markers()).containsExactly(new Marker(480 + frames, "Verse"));
        assertThat(((InstrumentRow) later.rows().get(2)).notes().get(0).quarter())
                .isEqualTo(7);
        assertThat(later.song().tempoChanges().get(0).quarter()).isEqualTo(9);
        assertThat(later.song().meterChanges().get(0).bar()).isEqualTo(5);
        assertThat(later.startReference()).isEqualTo(10_000_000 - frames);
    }

    @Test
    void aShorterRecordingCutsItsClips() {
        Session shorter = new ReplaceRecording("ab".repeat(32), SHORT).applyTo(SESSION);
        assertThat(shorter.audioRows())
                .allSatisfy(row -> assertThat(row.clips()).allSatisfy(clip -> {
                    assertThat(clip.recording()).isEqualTo("cd".repeat(32));
                    assertThat(clip.frames()).isEqualTo(300);
                }));
        assertThat(shorter.recordings()).containsExactly(SHORT);
    }

    @Test
    void aStepThatBreaksARuleIsRefusedInTheWordsOfTheFirstEditThatDoes() {
        SessionEdit loop = new SetOutputs("bus", List.of("bus"));
        assertThatThrownBy(() -> loop.applyTo(SESSION)).isInstanceOf(EditRefused.class);
        String alone = catchThrowable(() -> loop.applyTo(SESSION)).getMessage();
        List<SessionEdit> edits = List.of(
                new RenameRow("r1", "Bass"),
                loop,
                new AddRow(new AudioRow("r8", "Late", List.of(Clip.whole(LONG, 0, 1, -5))), "mix"));
        assertThatThrownBy(() -> new Together("x", edits).applyTo(SESSION)).hasMessage(alone);
        SessionEdit between = new Together("x", List.of(loop, new SetOutputs("bus", List.of("mix"))));
        assertThat(between.applyTo(SESSION))
                .as("only what is left in the end is held against the rules")
                .isEqualTo(new SetOutputs("bus", List.of("mix")).applyTo(SESSION));
    }

    @Test
    void severalEditsAreOneStepOrNone() {
        Together step = new Together(
                "Tidy up", List.of(new RenameRow("r1", "Bass Tuba"), new SetAbout("r1", Role.WINDS, " a\nnote ")));
        Session after = step.applyTo(SESSION);
        assertThat(after.row("r1").orElseThrow().about()).isEqualTo(new About(Role.WINDS, "a note", NamedBy.HAND));
        assertThat(SessionDocument.read(SessionDocument.write(step), SessionEdit.class))
                .isEqualTo(step);
        assertThatExceptionOfType(EditRefused.class)
                .isThrownBy(() ->
                        new Together("x", List.of(new RenameRow("r1", "ok"), new RemoveRow("r9"))).applyTo(SESSION));
    }

    @Test
    void oneRowIsHeardWithAllItGoesThrough() {
        Session alone = Alone.of(SESSION, Set.of("r1"));
        assertThat(alone.rows())
                .filteredOn(row -> row.strip().muted())
                .extracting(Row::id)
                .containsExactly("r2", "r3");
        assertThat(Alone.of(SESSION, Set.of("bus")).rows())
                .as("a bus with its members")
                .filteredOn(row -> row.strip().muted())
                .extracting(Row::id)
                .containsExactly("r2");
        assertThat(Alone.of(SESSION, Set.of())).isSameAs(SESSION);
        Session soloed = new SetFader("r2", 0, 0, false, true).applyTo(SESSION);
        assertThat(Alone.of(soloed, Set.of()).rows())
                .filteredOn(row -> row.strip().muted())
                .extracting(Row::id)
                .containsExactly("r1", "r3");
    }

    static Stream<Arguments> refusals() {
        return Stream.of(
                Arguments.of(new MoveRows(List.of("mix"), null), "rows", "mix stays last"),
                Arguments.of(new MoveRows(List.of("r9"), null), "row", "no row"),
                Arguments.of(new DuplicateRow("mix"), "row", "one mix"),
                Arguments.of(new SplitParts("r1"), "row", "Only instrument rows"),
                Arguments.of(new SetInstrument("r3", "kazoo", null), "instrument", "kazoo"),
                Arguments.of(new UseTakeFor("r2", "t9", 0, 5), "take", "no take"),
                Arguments.of(new UseTakeFor("r2", "t2", 5, 5), "to", "ends after"),
                Arguments.of(new ShiftSession(0), "bars", "1 to 64"),
                Arguments.of(new ReplaceRecording("zz", SHORT), "old", "no such recording"),
                Arguments.of(
                        new UseRecordings(List.of(new Recording(
                                "../../x", "x.wav", new SampleRate(48_000), 1, SampleFormat.INT24, 9, null, null))),
                        "recordings",
                        "no recording"),
                Arguments.of(new SetAbout("r1", Role.BASS, "x".repeat(2_001)), "note", "2000"),
                Arguments.of(new Together("nothing", List.of()), "edits", "1 to 5000"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("refusals")
    void whatCannotBeDoneIsRefusedWithItsField(SessionEdit edit, String field, String words) {
        assertThatExceptionOfType(EditRefused.class)
                .isThrownBy(() -> edit.applyTo(SESSION))
                .satisfies(refused -> assertThat(refused.field()).isEqualTo(field))
                .withMessageContaining(words);
    }

    @Test
    void shiftedMusicStaysOnItsBarsAcrossAGlideAndAMeterChange() {
        Song song = new Song(
                "Shifted",
                "",
                97.0,
                new Meter(3, 4),
                null,
                List.of(new TempoChange(6, 140, TempoChange.Way.GLIDE), new TempoChange(12, 60, TempoChange.Way.JUMP)),
                List.of(new MeterChange(3, new Meter(7, 8))));
        Session before = SESSION.withSong(song);
        Session after = new ShiftSession(5).applyTo(before);
        SampleRate rate = before.rate();
        long frames = Math.round(5 * 3 * 60 / 97.0 * 48_000);
        for (int bar = 1; bar < 40; bar++) {
            assertThat((double) after.song().timeline().frameOfBar(bar + 5, rate))
                    .as("bar %d", bar)
                    .isCloseTo(before.song().timeline().frameOfBar(bar, rate) + frames, within(1.0));
        }
        assertThat(after.audioRows().get(0).clips().get(0).position())
                .isEqualTo(before.audioRows().get(0).clips().get(0).position() + frames);
    }

    @Test
    void anIdIsNeverUsedAgain() {
        Session copied = new DuplicateRow("r2").applyTo(SESSION);
        String first = copied.rows().stream()
                .map(Row::id)
                .filter(id -> SESSION.row(id).isEmpty())
                .findFirst()
                .orElseThrow();
        Session again = new DuplicateRow("r2").applyTo(new RemoveRow(first).applyTo(copied));
        assertThat(again.row(first))
                .as("what a handoff says of the row that is gone is not the new one's")
                .isEmpty();
        assertThat(again.rows()).hasSameSizeAs(copied.rows());
    }

    @Test
    void aDateThatNoCalendarKnowsIsRefused() {
        for (String date : new String[] {"2026-02-30", "yesterday", "", "2026-1-1"}) {
            Session session = new Session(
                    SESSION.song(),
                    SESSION.rate(),
                    0,
                    date,
                    SESSION.panLaw(),
                    List.of(),
                    SESSION.recordings(),
                    SESSION.rows());
            assertThatThrownBy(() -> SessionRules.checked(session))
                    .isInstanceOf(EditRefused.class)
                    .hasMessageContaining("year-month-day");
        }
    }
}
