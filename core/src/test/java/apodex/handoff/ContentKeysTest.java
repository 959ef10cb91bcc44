package apodex.handoff;

import static apodex.session.Station.FADER;
import static apodex.session.Station.INSERTS;
import static apodex.session.Station.MIX;
import static apodex.session.Station.RAW;
import static apodex.session.Station.SHAPED;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Handoff.Choice;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.signal.TestRecordings;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Which files a change touches, and which it must not. */
class ContentKeysTest {
    private static final List<Choice> FILES = List.of(
            new Choice("a", RAW),
            new Choice("a", INSERTS),
            new Choice("a", FADER),
            new Choice("a", MIX),
            new Choice("b", RAW),
            new Choice("b", MIX),
            new Choice("bus", FADER),
            new Choice("echo", INSERTS),
            new Choice("mix", FADER));

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Session session;
    private Handoff handoff = Handoff.named("x").printing(Depth.INT24, FILES);

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        Recording one = recordings.add("one", 1, 24, 1, 2, 3);
        Recording two = recordings.add("two", 1, 24, 4, 5, 6);
        List<Row> rows = List.of(
                new AudioRow(
                        "a",
                        "Alto",
                        List.of(Clip.whole(one, 0, 1, 0)),
                        Strip.feeding("bus")
                                .withFader(-1, 10)
                                .withInserts(List.of(Insert.of("lowCut", Map.of())))
                                .withSends(List.of(new Send("echo", -6, null)))),
                new AudioRow("b", "Bass", List.of(Clip.whole(two, 0, 1, 0)), Strip.PLAIN.withFader(-2, 0)),
                new BusRow("bus", "Group", Strip.PLAIN.withFader(-3, 0)),
                new ReturnRow(
                        "echo",
                        "Echo",
                        Strip.PLAIN
                                .withFader(-4, 0)
                                .withInserts(List.of(Insert.of("delay", Map.of("noteQuarters", 1.0))))),
                new MixRow("mix", "Mix", Strip.feeding().withInserts(List.of(Insert.of("shelf", Map.of())))));
        session = new Session(
                new Song("Keys", "", 120.0, Meter.FOUR_FOUR, null),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                PanLaw.MINUS_3,
                List.of(),
                List.of(one, two),
                rows);
    }

    private List<String> keys(Session of, Handoff by, BiFunction<ContentKeys, Print, String> key) throws IOException {
        Plan plan = Planner.plan(of, by, recordings);
        ContentKeys keys = new ContentKeys(AsPlanned.of(of, by), plan, by.settled());
        return plan.prints().stream().map(print -> key.apply(keys, print)).toList();
    }

    private List<String> keys(Session of, Handoff by) throws IOException {
        return keys(of, by, ContentKeys::of);
    }

    private List<String> touched(Session after, Handoff by) throws IOException {
        return touched(after, by, ContentKeys::of);
    }

    private List<String> touched(Session after, Handoff by, BiFunction<ContentKeys, Print, String> key)
            throws IOException {
        List<String> before = keys(session, by, key);
        List<String> now = keys(after, by, key);
        List<String> touched = new ArrayList<>();
        for (int i = 0; i < before.size(); i++) {
            if (!before.get(i).equals(now.get(i))) {
                touched.add(FILES.get(i).row() + " " + FILES.get(i).station().label());
            }
        }
        return touched;
    }

    private List<String> touched(String row, UnaryOperator<Row> change) throws IOException {
        return touched(session.withRow(row, change), handoff);
    }

    private void shareReturns(Dynamics dynamics) {
        handoff = handoff.with(handoff.settings().withSharing(Returns.SHARED_OUT, dynamics));
    }

    @Test
    void aChangeTouchesWhatComesAfterIt() throws IOException {
        assertThat(touched("a", row -> row.withStrip(row.strip().withFader(-9, 10))))
                .containsExactly("a Fader", "a Mix", "bus Fader", "echo Inserts", "mix Fader");
        assertThat(touched(
                        "a",
                        row -> row.withStrip(
                                row.strip().withInserts(List.of(Insert.of("lowCut", Map.of("hertz", 200.0)))))))
                .containsExactly("a Inserts", "a Fader", "a Mix", "bus Fader", "echo Inserts", "mix Fader");
        assertThat(touched("bus", row -> row.withStrip(row.strip().withFader(-9, 0))))
                .containsExactly("a Mix", "bus Fader", "mix Fader");
        assertThat(touched("mix", row -> row.withStrip(row.strip().withFader(-9, 0))))
                .containsExactly("a Mix", "b Mix", "mix Fader");
        assertThat(touched("echo", row -> row.withStrip(row.strip().withFader(-9, 0))))
                .as("returns have files of their own")
                .containsExactly("mix Fader");
        assertThat(touched("a", row -> row.withStrip(row.strip().withMuteAndSolo(false, true))))
                .as("solo is for listening")
                .isEmpty();
        assertThat(touched("a", row -> row.withAbout(row.about().withNote("loud"))))
                .as("its files say so")
                .containsExactly("a Raw", "a Inserts", "a Fader", "a Mix");
    }

    @Test
    void aSharedReturnIsPartOfTheRow() throws IOException {
        shareReturns(Dynamics.IN_PLACE);
        assertThat(touched("echo", row -> row.withStrip(row.strip().withFader(-9, 0))))
                .containsExactly("a Mix", "mix Fader");
    }

    @Test
    void whatFollowsTheTempoFollowsIt() throws IOException {
        Session faster = session.withSong(new Song("Keys", "", 130.0, Meter.FOUR_FOUR, null));
        assertThat(touched(faster, handoff, ContentKeys::ofSound))
                .contains("echo Inserts", "mix Fader")
                .doesNotContain("a Raw", "b Raw");
        assertThat(touched(faster, handoff)).as("every file says the tempo").contains("a Raw", "b Raw");
        shareReturns(Dynamics.IN_PLACE);
        assertThat(touched(faster, handoff, ContentKeys::ofSound))
                .as("the echo on the way")
                .contains("a Mix");
        UnaryOperator<Row> onTheClip = row -> ((AudioRow) row)
                .withTakes(
                        List.of(new Take(
                                "t1",
                                "Take 1",
                                ((AudioRow) row)
                                        .clips().stream()
                                                .map(clip -> clip.withInserts(
                                                        List.of(Insert.of("delay", Map.of("noteQuarters", 1.0)))))
                                                .toList())),
                        "t1");
        session = session.withRow("b", onTheClip).withRow("mix", row -> row.withStrip(Strip.feeding()));
        handoff = handoff.printing(Depth.INT24, List.of(new Choice("b", RAW), new Choice("b", SHAPED)));
        List<String> before = keys(session, handoff, ContentKeys::ofSound);
        List<String> after = keys(session.withSong(faster.song()), handoff, ContentKeys::ofSound);
        assertThat(after.get(0)).isEqualTo(before.get(0));
        assertThat(after.get(1)).as("an echo on a single clip").isNotEqualTo(before.get(1));
    }

    @Test
    void anEffectThatFollowsTheWholeTiesRowsTogetherUnlessEachGoesAlone() throws IOException {
        session = session.withRow(
                "mix", row -> row.withStrip(row.strip().withInserts(List.of(Insert.of("limiter", Map.of())))));
        assertThat(touched("b", row -> row.withStrip(row.strip().withFader(-9, 0))))
                .containsExactly("a Mix", "b Mix", "mix Fader");
        handoff = handoff.with(handoff.settings().withSharing(Returns.OWN_FILES, Dynamics.ALONE));
        assertThat(touched("b", row -> row.withStrip(row.strip().withFader(-9, 0))))
                .containsExactly("b Mix", "mix Fader");
    }

    @Test
    void theFormOfTheFileCounts() throws IOException {
        List<String> before = keys(session, handoff);
        assertThat(keys(session, handoff.with(handoff.settings().withDepth(Depth.INT16))))
                .doesNotContainAnyElementsOf(before);
        assertThat(keys(session, handoff.with(handoff.settings().withTail(1.0))))
                .doesNotContainAnyElementsOf(before);
        assertThat(keys(session, handoff.withRow("b", row -> row.withTrim(-1.0)))
                        .subList(0, 4))
                .as("another row's trim does not")
                .isEqualTo(before.subList(0, 4));
        assertThat(keys(session, handoff)).isEqualTo(before).doesNotHaveDuplicates();
    }

    /** What is new is short, what is taken over rings: the new file must wait for it, or all would have to be printed again. */
    @Test
    void whatIsNewLastsAsLongAsWhatIsTakenOver() throws IOException {
        Session ringing = session.withRow(
                "a",
                row -> row.withStrip(row.strip()
                        .withInserts(List.of(Insert.of(
                                "delay", Map.of("timeMs", 700.0, "feedbackPercent", 50.0, "mixPercent", 100.0))))));
        Handoff asked =
                Handoff.named("x").printing(Depth.FLOAT32, List.of(new Choice("a", INSERTS), new Choice("b", INSERTS)));
        ringing = ringing.withRow(
                "b", row -> row.withStrip(row.strip().withInserts(List.of(Insert.of("lowCut", Map.of())))));
        Session changed = ringing.withRow(
                "b",
                row -> row.withStrip(row.strip()
                        .withInserts(List.of(Insert.of("delay", Map.of("timeMs", 5.0, "feedbackPercent", 0.0))))));
        Path first = Files.createDirectory(folder.resolve("first"));
        Printing.Result before = print(ringing, asked, first, key -> Optional.empty());
        Map<String, Printing.Earlier> there = new HashMap<>();
        for (int i = 0; i < before.prints().size(); i++) {
            there.put(
                    before.prints().get(i).key(),
                    new Printing.Earlier(
                            first.resolve(before.plan().prints().get(i).path()),
                            before.plan().frames(),
                            before.prints().get(i)));
        }
        Path second = Files.createDirectory(folder.resolve("second"));
        Printing.Result after = print(changed, asked, second, key -> Optional.ofNullable(there.get(key)));
        assertThat(after.prints()).extracting(Printing.Made::takenOver).containsExactly(true, false);
        Path whole = Files.createDirectory(folder.resolve("whole"));
        print(changed, asked, whole, key -> Optional.empty());
        for (Print print : after.plan().prints()) {
            assertThat(second.resolve(print.path())).hasSameBinaryContentAs(whole.resolve(print.path()));
        }
    }

    private Printing.Result print(Session of, Handoff by, Path to, Function<String, Optional<Printing.Earlier>> earlier)
            throws IOException {
        return Printing.print(
                of,
                by,
                Planner.plan(of, by, recordings),
                to,
                recordings,
                1,
                apodex.signal.WalkObserver.NONE,
                earlier,
                java.util.Map.of());
    }
}
