package apodex.handoff;

import static apodex.session.Station.BUS;
import static apodex.session.Station.FADER;
import static apodex.session.Station.INSERTS;
import static apodex.session.Station.MIX;
import static apodex.session.Station.RAW;
import static apodex.session.Station.SHAPED;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.handoff.Handoff.Choice;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.signal.WalkedFiles;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What briefs ask for, what hands change of it, and what becomes of sections, takes and the click. */
class BriefTest {
    private static final Insert CUT = Insert.of("lowCut", Map.of("frequencyHz", 80.0));

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Session session;

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        double[] sound = new double[96_000];
        double[] other = new double[48_000];
        for (int i = 0; i < sound.length; i++) {
            sound[i] = 0.25 * Math.sin(i * 0.05);
            other[i / 2] = 0.125 * Math.sin(i * 0.02);
        }
        Recording one = recordings.addFloats("one", 1, sound);
        Recording two = recordings.addFloats("two", 1, other);
        List<Row> rows = List.of(
                new AudioRow(
                        "a",
                        "Alto",
                        List.of(
                                new Take("t1", "Take 1", List.of(Clip.whole(one, 0, 1, 0))),
                                new Take("t2", "Take 2", List.of(Clip.whole(two, 0, 1, 24_000)))),
                        "t1",
                        Strip.feeding("bus")
                                .withInserts(List.of(
                                        CUT, Insert.of("amplifier", Map.of()).keep()))
                                .withSends(List.of(new Send("hall", -6, null)))),
                new AudioRow(
                        "b",
                        "Bass",
                        List.of(Clip.whole(one, 0, 1, 0)),
                        Strip.feeding("bus").withMuteAndSolo(true, false)),
                new AudioRow("c", "Cello", List.of(Clip.whole(one, 0, 1, 0)), Strip.PLAIN.withFader(-3, 0)),
                new AudioRow("d", "Nowhere", List.of(Clip.whole(one, 0, 1, 0)), Strip.feeding()),
                new BusRow("bus", "Group", Strip.PLAIN),
                new ReturnRow("hall", "Hall", Strip.PLAIN.withInserts(List.of(CUT))),
                new MixRow("mix", "Mix", Strip.feeding().withInserts(List.of(Insert.of("limiter", Map.of())))));
        session = new Session(
                new Song("Test", "", 120.0, new Meter(3, 4), null),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                PanLaw.MINUS_3,
                List.of(new Marker(24_000, "In"), new Marker(72_000, "Out")),
                List.of(one, two),
                rows);
    }

    private Plan plan(Handoff handoff) throws IOException {
        return Planner.plan(session, handoff, recordings);
    }

    private static List<Choice> choices(Plan plan) {
        return plan.prints().stream()
                .filter(print -> !print.isClick())
                .map(print -> new Choice(print.row(), print.station()))
                .toList();
    }

    private static Choice at(String row, Station station) {
        return new Choice(row, station);
    }

    @Test
    void everyBriefAsksForItsRowsAndStations() throws IOException {
        Handoff mixer = Handoff.named("x");
        assertThat(choices(plan(mixer)))
                .containsExactly(
                        at("a", RAW), at("a", SHAPED), at("b", RAW), at("c", RAW), at("d", RAW), at("mix", FADER));
        assertThat(choices(plan(mixer.with(Brief.FOR_OVERDUBS))))
                .as("a station that is not offered stands for the one before")
                .containsExactly(at("c", FADER), at("bus", BUS), at("mix", FADER));
        assertThat(choices(plan(mixer.with(Brief.GROUPS))))
                .containsExactly(at("c", MIX), at("bus", MIX), at("mix", FADER));
        assertThat(choices(plan(mixer.with(Brief.ARCHIVE))))
                .containsExactly(
                        at("a", RAW),
                        at("a", RAW),
                        at("a", SHAPED),
                        at("a", INSERTS),
                        at("a", FADER),
                        at("a", BUS),
                        at("a", MIX),
                        at("b", RAW),
                        at("c", RAW),
                        at("c", FADER),
                        at("c", MIX),
                        at("d", RAW),
                        at("d", FADER),
                        at("bus", RAW),
                        at("bus", MIX),
                        at("hall", INSERTS),
                        at("hall", MIX),
                        at("mix", RAW),
                        at("mix", FADER));
        assertThat(plan(mixer.with(Brief.ARCHIVE)).document()).isTrue();
        assertThat(choices(plan(mixer.with(Brief.BY_HAND)))).isEmpty();
    }

    @Test
    void aBusThatRunsBesideItsInputIsInTheInputsFileAlready() throws IOException {
        session = session.withRow("bus", row -> row.withStrip(Strip.feeding("mix", "beside")))
                .withRow("d", row -> row.withStrip(Strip.feeding("beside")));
        List<Row> rows = new ArrayList<>(session.rows());
        rows.add(5, new BusRow("beside", "Beside", Strip.PLAIN.withFader(-14, 0)));
        session = session.withRows(rows);
        assertThat(choices(plan(Handoff.named("x").with(Brief.GROUPS))))
                .as("and what else is in it comes alone")
                .containsExactly(at("c", MIX), at("d", MIX), at("bus", MIX), at("mix", FADER));
    }

    @Test
    void whatWasSetByHandOutlivesAnotherBrief() throws IOException {
        Handoff set = Handoff.named("x")
                .with(Settings.OPEN.withDepth(Depth.INT16))
                .withFiles(List.of(at("bus", RAW)), List.of(at("c", RAW), at("c", MIX)))
                .withRow("a", row -> row.withTrim(-2.0).withWords(Map.of(SHAPED, "Crunch")))
                .withOrder(List.of("c", "bus"));
        Plan first = plan(set);
        assertThat(first.prints())
                .extracting(Print::file)
                .containsExactly(
                        "02_Group_Plain.wav",
                        "03_Alto_DI.wav",
                        "03_Alto_Crunch.wav",
                        "04_Bass.wav",
                        "05_Nowhere.wav",
                        "00_Reference Mix.wav");
        assertThat(first.prints().get(1).trimDb()).isEqualTo(-2.0);
        Plan second = plan(set.with(Brief.GROUPS));
        assertThat(choices(second)).containsExactly(at("bus", RAW), at("bus", MIX), at("mix", FADER));
        assertThat(second.depth()).isEqualTo(Depth.INT16);
    }

    @Test
    void keptInsertsAndTakesAreTheHandoffsOwnBusiness() throws IOException {
        Handoff handoff = Handoff.named("x").withRow("a", row -> row.withTakes(List.of("t2"))
                .withKept(List.of(new RowByHand.Kept("lowCut", 0, true), new RowByHand.Kept("amplifier", 0, false))));
        Plan plan = plan(handoff);
        assertThat(plan.rows().get(0).kept()).containsExactly(true, false);
        assertThat(plan.prints().get(0).rowName()).isEqualTo("Alto Take 2");
        assertThat(plan.prints().get(1).file())
                .as("no amplifier in it any more")
                .isEqualTo("01_Alto_Shaped.wav");
        Path out = Files.createDirectories(folder.resolve("out"));
        Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        double[] take = WalkedFiles.read(out.resolve(plan.prints().get(0).path()))[0];
        assertThat(take[23_999]).isZero();
        assertThat(take[24_000 + 500])
                .isCloseTo(0.125 * Math.sin(1_001 * 0.02), org.assertj.core.api.Assertions.within(1e-6));
        assertThat(session.row("a").orElseThrow().strip().inserts().get(0).kept())
                .isFalse();
    }

    @Test
    void sectionsGoIntoFoldersOfTheirOwnWithACountedLeadIn() throws IOException {
        Stretch verse = new Stretch(Stretch.Point.marker("In"), Stretch.Point.marker("Out"));
        Stretch start = new Stretch(
                new Stretch.Point(Stretch.CountedIn.BARS, 1), new Stretch.Point(Stretch.CountedIn.SECONDS, 0.75));
        Handoff handoff = Handoff.named("x")
                .printing(Depth.FLOAT32, List.of(at("c", RAW)))
                .withSections(List.of(new Section("Verse", verse), new Section("Start", start)));
        handoff = handoff.with(
                handoff.settings().withLeadIn(1, true).withClick(Click.LAST).withTail(0.0));
        Plan plan = plan(handoff);
        assertThat(plan.prints())
                .extracting(Print::path)
                .containsExactly(
                        "Verse/Tracks/03_Cello.wav",
                        "Verse/Guide/07_Click.wav",
                        "Start/Tracks/03_Cello.wav",
                        "Start/Guide/07_Click.wav");
        assertThat(plan.sections())
                .extracting(PlannedSection::frames)
                .as("a bar of 1.5 s and what is between")
                .containsExactly(72_000L + 48_000, 72_000L + 36_000);
        Path out = Files.createDirectories(folder.resolve("out"));
        Printing.Result result = Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        assertThat(result.plan().sections())
                .extracting(PlannedSection::frames)
                .isEqualTo(plan.sections().stream().map(PlannedSection::frames).toList());
        double[] cello = WalkedFiles.read(out.resolve("Verse/Tracks/03_Cello.wav"))[0];
        assertThat(cello[72_000 + 7])
                .isCloseTo(0.25 * Math.sin((24_000 + 7) * 0.05), org.assertj.core.api.Assertions.within(1e-6));
        double[] click = WalkedFiles.read(out.resolve("Verse/Guide/07_Click.wav"))[0];
        assertThat(click).hasSize(cello.length);
        assertThat(onsets(click))
                .as("three counted beats, then those of the song from 0.5 s on")
                .containsExactly(0, 24_000, 48_000, 72_000, 96_000);
        assertThat(peak(click, 0)).as("the first of a bar is the louder one").isGreaterThan(1.3 * peak(click, 24_000));
        assertThat(peak(click, 72_000)).as("0.5 s is the second beat").isLessThan(0.8 * peak(click, 0));
    }

    private static List<Integer> onsets(double[] samples) {
        List<Integer> found = new ArrayList<>();
        int last = -10_000;
        for (int i = 1; i < samples.length; i++) {
            if (samples[i] != 0) {
                if (i - last > 4_000) {
                    found.add(i - 1); // a knock begins with a zero
                }
                last = i;
            }
        }
        return found;
    }

    private static double peak(double[] samples, int from) {
        double peak = 0;
        for (int i = from; i < from + 2_000; i++) {
            peak = Math.max(peak, Math.abs(samples[i]));
        }
        return peak;
    }

    @Test
    void aReprintMakesOnlyWhatAChangeTouches() throws IOException {
        Handoff handoff = Handoff.named("x").with(Brief.ARCHIVE);
        Path out = Files.createDirectories(folder.resolve("first"));
        Printing.Result first = Printing.print(session, handoff, plan(handoff), out, recordings, 2, WalkObserver.NONE);
        Map<String, Printing.Earlier> earlier = new java.util.HashMap<>();
        for (int i = 0; i < first.prints().size(); i++) {
            earlier.put(
                    first.prints().get(i).key(),
                    new Printing.Earlier(
                            out.resolve(first.plan().prints().get(i).path()),
                            first.plan().frames(),
                            first.prints().get(i)));
        }
        assertThat(earlier)
                .as("no two files of a plan share a key")
                .hasSize(first.prints().size());
        session = session.withRow("c", row -> row.withStrip(row.strip().withFader(-4, 0)));
        Plan plan = plan(handoff);
        Path again = Files.createDirectories(folder.resolve("again"));
        Printing.Result second = Printing.print(
                session,
                handoff,
                plan,
                again,
                recordings,
                2,
                WalkObserver.NONE,
                key -> Optional.ofNullable(earlier.get(key)),
                java.util.Map.of());
        Path whole = Files.createDirectories(folder.resolve("whole"));
        Printing.print(session, handoff, plan, whole, recordings, 1, WalkObserver.NONE);
        List<Choice> fresh = new ArrayList<>();
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            if (!second.prints().get(i).takenOver()) {
                fresh.add(at(print.row(), print.station()));
            }
            assertThat(again.resolve(print.path()))
                    .as(print.path())
                    .hasSameBinaryContentAs(whole.resolve(print.path()));
        }
        assertThat(fresh)
                .as("the row from its fader on, the mix, and all that the limiter of the mix turns down with it")
                .containsExactly(
                        at("a", MIX),
                        at("c", FADER),
                        at("c", MIX),
                        at("bus", MIX),
                        at("hall", MIX),
                        at("mix", RAW),
                        at("mix", FADER));
    }

    @Test
    void sectionsThatCannotBeAreSaidInASentence() {
        Stretch gone = new Stretch(Stretch.Point.marker("Bridge"), Stretch.Point.marker("Out"));
        Stretch verse = new Stretch(Stretch.Point.marker("In"), Stretch.Point.marker("Out"));
        assertThatThrownBy(() -> plan(Handoff.named("x").withSections(List.of(new Section("", gone)))))
                .hasMessageContaining("no marker “Bridge”");
        assertThatThrownBy(() -> plan(
                        Handoff.named("x").withSections(List.of(new Section("A", verse), new Section("a", verse)))))
                .hasMessageContaining("Two sections are called");
        assertThatThrownBy(() -> plan(
                        Handoff.named("x").withSections(List.of(new Section("A", verse), new Section(" ", verse)))))
                .hasMessageContaining("needs a name");
        assertThat(Planner.without(session, Handoff.named("x").withSections(List.of(new Section("", gone))))
                        .sections())
                .isEmpty();
    }

    @Test
    void foldersGoByKindByRoleOrNotAtAll() throws IOException {
        session = session.withRow("c", row -> row.withAbout(row.about().withRole(apodex.session.Role.STRINGS)));
        Handoff handoff = Handoff.named("x")
                .printing(null, List.of(at("c", RAW), at("d", RAW), at("hall", INSERTS), at("mix", FADER)));
        assertThat(paths(handoff, Folders.KIND))
                .containsExactly(
                        "Tracks/03_Cello.wav",
                        "Tracks/04_Nowhere.wav",
                        "Returns/06_Hall.wav",
                        "Reference/00_Reference Mix.wav");
        assertThat(paths(handoff, Folders.ROLE))
                .containsExactly(
                        "Strings/03_Cello.wav",
                        "Others/04_Nowhere.wav",
                        "Returns/06_Hall.wav",
                        "Reference/00_Reference Mix.wav");
        assertThat(paths(handoff, Folders.FLAT))
                .containsExactly("03_Cello.wav", "04_Nowhere.wav", "06_Hall.wav", "00_Reference Mix.wav");
    }

    private List<String> paths(Handoff handoff, Folders folders) throws IOException {
        return plan(handoff.with(handoff.settings().withFolders(folders))).prints().stream()
                .map(Print::path)
                .toList();
    }

    @Test
    void timeStampsBeforeMidnightAreRaisedByAnHourAndStayInStep() throws IOException {
        Handoff asked = Handoff.named("x")
                .with(Settings.OPEN.withLeadIn(2, null))
                .withSections(List.of(new Section("A", stretch(0, 0.5)), new Section("B", stretch(1, 2))));
        long leadIn = 2 * 72_000;
        assertThat(plan(asked).sections())
                .extracting(PlannedSection::startReference)
                .containsExactly(3_600L * 48_000 - leadIn, 3_600L * 48_000 - leadIn + 48_000);
        session = new Session(
                session.song(),
                session.rate(),
                leadIn,
                session.originated(),
                session.panLaw(),
                List.of(),
                session.recordings(),
                session.rows());
        assertThat(plan(asked).sections())
                .as("none is before midnight")
                .extracting(PlannedSection::startReference)
                .containsExactly(0L, 48_000L);
    }

    private static Stretch stretch(double from, double to) {
        return new Stretch(
                new Stretch.Point(Stretch.CountedIn.SECONDS, from), new Stretch.Point(Stretch.CountedIn.SECONDS, to));
    }

    @Test
    void partsThatWerePrintedElsewhereMakeTheSameRun() throws IOException {
        Handoff handoff = Handoff.named("x")
                .with(Brief.ARCHIVE)
                .withSections(List.of(new Section("A", stretch(0, 0.5)), new Section("B", stretch(1, 2))));
        Plan plan = plan(handoff);
        Path whole = Files.createDirectories(folder.resolve("whole"));
        Printing.Result alone = Printing.print(session, handoff, plan, whole, recordings, 2, WalkObserver.NONE);
        Path part = Files.createDirectories(folder.resolve("part"));
        Printing.Result second =
                Printing.print(session, handoff, plan.ofSection(1), part, recordings, 2, WalkObserver.NONE);
        Map<String, Printing.Earlier> there = new java.util.HashMap<>();
        for (int i = 0; i < second.prints().size(); i++) {
            Print print = second.plan().prints().get(i);
            there.put(
                    second.prints().get(i).key(),
                    new Printing.Earlier(
                            part.resolve(print.path()),
                            second.plan().section(print).frames(),
                            second.prints().get(i),
                            Printing.Origin.THIS_RUN));
        }
        assertThat(there).isNotEmpty().hasSizeLessThan(alone.prints().size());
        java.util.Set<String> asked = new java.util.HashSet<>();
        Path together = Files.createDirectories(folder.resolve("together"));
        Printing.Result both = Printing.print(
                session,
                handoff,
                plan,
                together,
                recordings,
                2,
                WalkObserver.NONE,
                key -> {
                    asked.add(key);
                    return Optional.ofNullable(there.get(key));
                },
                Map.of());
        assertThat(asked).containsAll(there.keySet());
        assertThat(both.plan()).isEqualTo(alone.plan());
        assertThat(both.prints())
                .extracting(Printing.Made::key, Printing.Made::digest, Printing.Made::takenOver)
                .isEqualTo(alone.prints().stream()
                        .map(made -> org.assertj.core.api.Assertions.tuple(made.key(), made.digest(), false))
                        .toList());
        for (Print print : alone.plan().prints()) {
            assertThat(together.resolve(print.path())).hasSameBinaryContentAs(whole.resolve(print.path()));
        }
    }
}
