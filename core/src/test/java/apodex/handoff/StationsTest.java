package apodex.handoff;

import static apodex.session.Station.BUS;
import static apodex.session.Station.FADER;
import static apodex.session.Station.INSERTS;
import static apodex.session.Station.MIX;
import static apodex.session.Station.RAW;
import static apodex.session.Station.SHAPED;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.FileKind;
import apodex.audio.OutsideTools;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import apodex.instrument.Note;
import apodex.proof.FileReader;
import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.Song;
import apodex.session.SoundFrom;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Returns;
import apodex.signal.TestRecordings;
import apodex.signal.WalkObserver;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Which stations a session offers, and what comes of ranges, channels, trims, rates and formats. */
final class StationsTest {
    private static final Insert CUT = Insert.of("lowCut", Map.of());
    private static final apodex.handoff.Printing.Made MADE =
            new apodex.handoff.Printing.Made("", 1, 0, 0, apodex.signal.Placed.MIDDLE, false, null, null);

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Session session;

    @BeforeEach
    void make() throws IOException {
        recordings = new TestRecordings(folder);
        double[] mono = new double[48_000];
        double[] stereo = new double[96_000];
        for (int i = 0; i < mono.length; i++) {
            mono[i] = 0.25 * Math.sin(i * 0.05);
            stereo[2 * i] = 0.25 * Math.sin(i * 0.03);
            stereo[2 * i + 1] = 0.25 * Math.sin(i * 0.031);
        }
        Recording one = recordings.addFloats("one", 1, mono);
        Recording two = recordings.addFloats("two", 2, stereo);
        List<Row> rows = List.of(
                new AudioRow("plain", "Plain", List.of(Clip.whole(two, 0, 2, 0)), Strip.PLAIN),
                new AudioRow(
                        "mono",
                        "Mono",
                        List.of(Clip.whole(one, 0, 1, 0)),
                        Strip.feeding("bus").withSends(List.of(new Send("hall", -6, null)))),
                new AudioRow(
                        "kept",
                        "Kept",
                        List.of(Clip.whole(two, 0, 2, 0)),
                        Strip.feeding("bus").withInserts(List.of(CUT.keep())).withFader(-3, 0)),
                new AudioRow(
                        "wet",
                        "Wet",
                        List.of(Clip.whole(two, 0, 2, 0)),
                        Strip.feeding("bus")
                                .withInserts(List.of(
                                        CUT.keep(), Insert.of("delay", Map.of()), Insert.of("magic", Map.of())))),
                new AudioRow("nowhere", "Nowhere", List.of(Clip.whole(two, 0, 2, 0)), Strip.feeding()),
                new AudioRow("empty", "Empty", List.of(), Strip.PLAIN),
                new InstrumentRow("bell", "Bell", "bell", List.of(new Note(0, 1, 70, 90)), Strip.PLAIN),
                new BusRow("bus", "Bus", Strip.PLAIN.withInserts(List.of(CUT))),
                new BusRow("idle", "Idle", Strip.PLAIN),
                new ReturnRow(
                        "hall",
                        "Hall",
                        Strip.PLAIN.withInserts(
                                List.of(Insert.of("hallReverb", Map.of("decaySeconds", 0.3, "mixPercent", 100.0))))),
                new MixRow("mix", "Mix", Strip.feeding().withInserts(List.of(Insert.of("limiter", Map.of())))));
        session = new Session(
                new Song("Test", "", 120.0, Meter.FOUR_FOUR, null),
                new SampleRate(48_000),
                96_000,
                "2026-01-01",
                PanLaw.MINUS_3,
                List.of(),
                List.of(one, two),
                rows);
    }

    private static Handoff handoff(List<Choice> chosen) {
        return Handoff.named("x").printing(Depth.FLOAT32, chosen);
    }

    private static Handoff with(
            FileKind format,
            Depth depth,
            Integer rate,
            List<Choice> chosen,
            Stretch range,
            Integer leadIn,
            Double tail,
            Map<String, Sides> sides,
            Map<String, Double> trims) {
        Handoff handoff = Handoff.named("x").printing(depth, chosen);
        handoff = handoff.with(handoff.settings()
                        .withFormat(format)
                        .withRate(rate == null ? null : new SampleRate(rate))
                        .withLeadIn(leadIn, null)
                        .withTail(tail))
                .withSections(range == null ? null : List.of(new Section("", range)));
        for (var each : (sides == null ? Map.<String, Sides>of() : sides).entrySet()) {
            handoff = handoff.withRow(each.getKey(), row -> row.withSides(each.getValue()));
        }
        for (var each : (trims == null ? Map.<String, Double>of() : trims).entrySet()) {
            handoff = handoff.withRow(each.getKey(), row -> row.withTrim(each.getValue()));
        }
        return handoff;
    }

    private Plan plan(Handoff handoff) throws IOException {
        return Planner.plan(session, handoff, recordings);
    }

    @Test
    void whatWasRenderedElsewhereIsAStationAndNotesAloneAreNone() throws IOException {
        Brought wet = new Brought(Station.INSERTS, List.of(Clip.whole(session.recording("two"), 0, 2, 0)));
        InstrumentRow notes = (InstrumentRow) session.row("bell").orElseThrow();
        Session elsewhere = session.withRow(
                        "empty", row -> row.withStrip(row.strip().withBrought(List.of(wet))))
                .withRow("mono", row -> row.withStrip(row.strip().withBrought(List.of(wet))))
                .withRow("bell", row -> notes.from(SoundFrom.ELSEWHERE));
        Plan plan = Planner.plan(elsewhere, Handoff.named("x").with(Brief.FOR_MIXING), recordings);
        assertThat(plan.rows().get(1).stations())
                .as("two sides that nothing moves sit as they are")
                .containsExactly(RAW, INSERTS, BUS, MIX);
        assertThat(plan.rows().get(5).stations()).containsExactly(INSERTS, MIX);
        assertThat(plan.rows().get(6).stations()).isEmpty();
        assertThat(plan.prints())
                .as("asked for Raw, a row that has none gives what it has")
                .anySatisfy(print -> {
                    assertThat(print.row()).isEqualTo("empty");
                    assertThat(print.station()).isEqualTo(INSERTS);
                    assertThat(print.channels()).isEqualTo(2);
                })
                .noneMatch(print -> print.row().equals("bell"));
        assertThat(plan.notes()).as("the notes go out all the same").anyMatch(file -> file.row()
                .equals("bell"));
        assertThat(new ContentKeys(elsewhere, plan, Brief.FOR_MIXING.settings())
                        .ofSound(plan.prints().get(plan.prints().size() - 1)))
                .as("the mix is another one")
                .isNotEqualTo(new ContentKeys(session, plan, Brief.FOR_MIXING.settings())
                        .ofSound(plan.prints().get(plan.prints().size() - 1)));
    }

    @Test
    void onlyStationsThatDifferAreOffered() throws IOException {
        Plan plan = plan(handoff(null));
        assertThat(plan.rows())
                .extracting(PlanRow::row, PlanRow::stations)
                .containsExactly(
                        row("plain", RAW, MIX),
                        row("mono", RAW, FADER, BUS, MIX),
                        row("kept", RAW, SHAPED, FADER, BUS, MIX),
                        row("wet", RAW, SHAPED, INSERTS, BUS, MIX),
                        row("nowhere", RAW),
                        row("empty"),
                        row("bell", RAW, FADER, MIX),
                        row("bus", RAW, INSERTS, MIX),
                        row("idle"),
                        row("hall", INSERTS, MIX),
                        row("mix", RAW, FADER));
        assertThat(plan.rows().get(3).unknown()).containsExactly("magic");
        Session still =
                session.withRow("mix", row -> row.withStrip(Strip.feeding())).withPanLaw(PanLaw.ZERO);
        assertThat(Planner.plan(still, handoff(null), recordings).rows().get(1).stations())
                .as("0 dB at the centre changes no level, but two channels are not one")
                .containsExactly(RAW, FADER, BUS);
        Handoff shared = Handoff.named("x").with(Settings.OPEN.withSharing(Returns.SHARED_OUT, null));
        Session straight =
                session.withRow("mono", row -> row.withStrip(row.strip().withOutputs(List.of("mix"))));
        assertThat(Planner.plan(straight, shared, recordings).rows().get(1).stations())
                .as("a share of the hall makes Bus differ")
                .containsExactly(RAW, FADER, BUS, MIX);
    }

    private static org.assertj.core.groups.Tuple row(String id, Station... stations) {
        return org.assertj.core.groups.Tuple.tuple(id, List.of(stations));
    }

    @Test
    void theUsualChoiceIsRawAndShapedAndTheMixInTheirFoldersWithNotes() throws IOException {
        Plan plan = plan(Handoff.named("x"));
        assertThat(plan.prints())
                .extracting(Print::file)
                .containsExactly(
                        "01_Plain.wav",
                        "02_Mono.wav",
                        "03_Kept_Dry.wav",
                        "03_Kept_Shaped.wav",
                        "04_Wet_Dry.wav",
                        "04_Wet_Shaped.wav",
                        "05_Nowhere.wav",
                        "07_Bell.wav",
                        "00_Reference Mix.wav");
        assertThat(plan.notes()).extracting(NoteFile::file).containsExactly("07_Bell.mid", "00_All notes.mid");
        assertThat(plan.ringsOut()).as("the hall and the delay ring").isGreaterThan(0.45);
        assertThat(SessionDocument.read(SessionDocument.write(plan), Plan.class))
                .isEqualTo(plan);
        assertThat(SessionDocument.read("{\"name\":\"open\"}", Handoff.class)).isEqualTo(Handoff.named("open"));
    }

    @ParameterizedTest
    @EnumSource(value = FileKind.class, mode = EnumSource.Mode.EXCLUDE, names = "MP3")
    void everyFormatIsPrintedAndReadBackAlike(FileKind format) throws Exception {
        List<Choice> chosen = List.of(
                new Choice("mono", RAW),
                new Choice("mono", FADER),
                new Choice("wet", INSERTS),
                new Choice("mix", FADER));
        Handoff handoff = with(format, Depth.INT24, null, chosen, null, 1, null, null, null);
        handoff = handoff.with(handoff.settings().withExtras(null, null, true, null));
        Plan plan = plan(handoff);
        Path out = Files.createDirectories(folder.resolve("out"));
        Printing.Result result = Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        assertThat(result.plan().prints())
                .extracting(Print::channels)
                .as("from the fader on, a row sits in the stereo picture")
                .containsExactly(1, 2, 2, 2);
        assertThat(result.plan().frames())
                .as("a bar of 2 s before, and until all is quiet")
                .isGreaterThan(96_000 + 48_000 + 48_000);
        for (Print print : result.plan().prints()) {
            var proof = FileReader.read(out.resolve(print.path()), print.folder(), MADE)
                    .proof();
            assertThat(proof.frames()).isEqualTo(result.plan().frames());
            assertThat(proof.channels()).isEqualTo(print.channels());
            assertThat(proof.firstSoundFrame()).as("silence of the lead-in").isBetween(96_000L, 96_002L);
            assertThat(proof.bytes()).isEqualTo(print.bytes());
            String told =
                    OutsideTools.run(out, "ffmpeg", "-nostdin", "-hide_banner", "-i", print.path(), "-f", "null", "-");
            assertThat(told).contains("48000 Hz", print.channels() == 1 ? "mono" : "stereo");
        }
        double fader = FileReader.read(out.resolve(plan.prints().get(1).path()), "", MADE)
                .proof()
                .peakDbfs();
        double raw = FileReader.read(out.resolve(plan.prints().get(0).path()), "", MADE)
                .proof()
                .peakDbfs();
        assertThat(fader - raw).isCloseTo(-3.0103, org.assertj.core.api.Assertions.within(1e-3));
        assertThat(Files.size(out.resolve(result.plan().listening().get(0)))).isGreaterThan(50_000);
        try (var files = Files.walk(out).filter(Files::isRegularFile)) {
            assertThat(files).as("nothing else is left behind").hasSize(4 + 1 + 2 + 1);
        }
    }

    @ParameterizedTest(name = "{0} Hz")
    @CsvSource({"44100, 44100", "96000, 96000"})
    void printsAtAnotherRateKeepTheirPlacesInTime(int rate, int second) throws IOException {
        List<Choice> chosen = List.of(new Choice("plain", RAW), new Choice("mono", FADER));
        Handoff handoff = with(
                null,
                Depth.FLOAT32,
                rate,
                chosen,
                new Stretch(
                        new Stretch.Point(Stretch.CountedIn.SECONDS, 0.25),
                        new Stretch.Point(Stretch.CountedIn.SECONDS, 0.75)),
                1,
                0.0,
                null,
                null);
        Plan plan = plan(handoff);
        assertThat(plan.rate().hertz()).isEqualTo(rate);
        assertThat(plan.frames()).as("a bar of 2 s and half a second").isEqualTo(2L * second + second / 2);
        assertThat(plan.startReference())
                .as("2.25 s after the reference, less the lead-in")
                .isEqualTo(second / 4);
        Path out = Files.createDirectories(folder.resolve("out"));
        Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        double[][] printed = apodex.signal.WalkedFiles.read(out.resolve("Tracks/01_Plain.wav"));
        assertThat(printed[0]).hasSize((int) plan.frames());
        for (int i = 300; i < second / 2 - 300; i++) {
            double at = (0.25 * rate + i) * 48_000 / rate;
            assertThat(printed[0][2 * second + i])
                    .isCloseTo(0.25 * Math.sin(at * 0.03), org.assertj.core.api.Assertions.within(1e-6));
        }
    }

    @Test
    void trimsOfABusGoForWhatFeedsIt() throws IOException {
        Handoff handoff = with(
                null,
                null,
                null,
                List.of(
                        new Choice("plain", RAW),
                        new Choice("mono", RAW),
                        new Choice("bus", RAW),
                        new Choice("mix", FADER)),
                null,
                null,
                0.0,
                null,
                Map.of("bus", -4.0, "mono", 1.5));
        Plan plan = plan(handoff);
        assertThat(plan.prints()).extracting(Print::trimDb).containsExactly(0.0, -2.5, -4.0, 0.0);
        Path out = Files.createDirectories(folder.resolve("out"));
        Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        double peak = FileReader.read(out.resolve("Tracks/02_Mono.wav"), "", MADE)
                .proof()
                .peakDbfs();
        assertThat(peak).isCloseTo(20 * Math.log10(0.25) - 2.5, org.assertj.core.api.Assertions.within(1e-3));
    }

    @Test
    void channelsCanBeFixedSplitOrSummed() throws IOException {
        List<Choice> chosen = List.of(new Choice("plain", RAW), new Choice("mono", RAW), new Choice("kept", RAW));
        Handoff handoff = with(
                null,
                Depth.FLOAT32,
                null,
                chosen,
                null,
                null,
                0.0,
                Map.of("plain", Sides.TWO_MONO, "mono", Sides.STEREO, "kept", Sides.MONO),
                null);
        Plan plan = plan(handoff);
        assertThat(plan.prints())
                .extracting(Print::file, Print::channels)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("01_Plain.L.wav", 1),
                                org.assertj.core.groups.Tuple.tuple("01_Plain.R.wav", 1),
                        org.assertj.core.groups.Tuple.tuple("02_Mono.wav", 2),
                                org.assertj.core.groups.Tuple.tuple("03_Kept.wav", 1));
        Path out = Files.createDirectories(folder.resolve("out"));
        Printing.print(session, handoff, plan, out, recordings, 2, WalkObserver.NONE);
        double[] left = apodex.signal.WalkedFiles.read(out.resolve("Tracks/01_Plain.L.wav"))[0];
        double[] right = apodex.signal.WalkedFiles.read(out.resolve("Tracks/01_Plain.R.wav"))[0];
        double[] sum = apodex.signal.WalkedFiles.read(out.resolve("Tracks/03_Kept.wav"))[0];
        assertThat(right[1_000]).isNotEqualTo(left[1_000]);
        assertThat(sum[1_000])
                .isCloseTo((left[1_000] + right[1_000]) / 2, org.assertj.core.api.Assertions.within(1e-7));
    }

    @Test
    void whatCannotBePlannedIsSaidInASentence() {
        Stretch.Point one = new Stretch.Point(Stretch.CountedIn.SECONDS, 1.0);
        assertRefused(
                "no length",
                with(
                        null,
                        null,
                        null,
                        null,
                        new Stretch(
                                new Stretch.Point(Stretch.CountedIn.SECONDS, 0.5),
                                new Stretch.Point(Stretch.CountedIn.SECONDS, 0.5)),
                        null,
                        null,
                        null,
                        null));
        assertRefused(
                "after the last sound",
                with(
                        null,
                        null,
                        null,
                        null,
                        new Stretch(
                                new Stretch.Point(Stretch.CountedIn.BARS, 99),
                                new Stretch.Point(Stretch.CountedIn.BARS, 100)),
                        null,
                        null,
                        null,
                        null));
        assertRefused(
                "no bar 0.0",
                with(
                        null,
                        null,
                        null,
                        null,
                        new Stretch(new Stretch.Point(Stretch.CountedIn.BARS, 0), one),
                        null,
                        null,
                        null,
                        null));
        assertRefused(
                "from a bar, time or marker",
                with(null, null, null, null, new Stretch(null, one), null, null, null, null));
        assertRefused("0 to 64 bars", with(null, null, null, null, null, 65, null, null, null));
        assertRefused("0 to 600 seconds", with(null, null, null, null, null, null, -1.0, null, null));
        assertRefused(
                "FLAC holds 16 or 24 bits", with(FileKind.FLAC, Depth.INT32, null, null, null, null, null, null, null));
        assertRefused("not in this session", with(null, null, null, null, null, null, null, null, Map.of("gone", 1.0)));
        assertRefused("−48 to 48", with(null, null, null, null, null, null, null, null, Map.of("plain", 60.0)));
        assertRefused(
                "not in this session",
                with(null, null, null, null, null, null, null, Map.of("gone", Sides.MONO), null));
        assertRefused(
                "needs the reference mix",
                handoff(List.of(new Choice("plain", RAW))).with(Settings.OPEN.withExtras(null, null, true, null)));
        Stretch gone = new Stretch(
                new Stretch.Point(Stretch.CountedIn.SECONDS, 50), new Stretch.Point(Stretch.CountedIn.SECONDS, 60));
        assertThat(Planner.without(session, with(null, null, null, null, gone, null, null, null, null))
                        .sections())
                .as("the song became shorter")
                .isEmpty();
        assertThat(Planner.without(
                        session,
                        with(
                                null,
                                null,
                                null,
                                List.of(new Choice("gone", RAW), new Choice("plain", BUS), new Choice("plain", RAW)),
                                null,
                                null,
                                null,
                                Map.of("gone", Sides.MONO),
                                Map.of("gone", 1.0))))
                .satisfies(still -> {
                    assertThat(still.added()).containsExactly(new Choice("plain", RAW));
                    assertThat(still.byRow()).isEmpty();
                });
    }

    private void assertRefused(String words, Handoff handoff) {
        assertThatThrownBy(() -> plan(handoff))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }
}
