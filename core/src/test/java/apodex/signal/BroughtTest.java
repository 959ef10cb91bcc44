package apodex.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SampleFormat;
import apodex.instrument.Note;
import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.EditRefused;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.JoinAsBrought;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.PutBroughtApart;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.SetBrought;
import apodex.session.ShiftSession;
import apodex.session.Song;
import apodex.session.SoundFrom;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Walked.How;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Sound rendered elsewhere stands for a station, and everything after it is made of it. */
class BroughtTest {
    private static final int FRAMES = 4_000;
    private static final int LATER = 700;
    private static final double HALF = Math.pow(10, -6.0 / 20);
    private static final double SCALE = Math.scalb(1.0, 23);

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Recording dry;
    private Recording wet;
    private long[] wetSamples;

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        SplittableRandom random = new SplittableRandom(5);
        dry = recordings.add("dry", 1, 24, samples(random, FRAMES));
        wetSamples = samples(random, 2 * FRAMES);
        wet = recordings.add("wet", 2, 24, wetSamples);
    }

    private static long[] samples(SplittableRandom random, int count) {
        return random.longs(count, -1 << 20, 1 << 20).toArray();
    }

    /** A row with a level, a low cut and a saturator that is kept, through a bus at -6 dB. */
    private Session session(Brought... brought) {
        Strip strip = Strip.feeding("bus")
                .withInserts(List.of(
                        Insert.of("saturator", Map.of("driveDb", 20.0)).keep(),
                        Insert.of("gain", Map.of("gainDb", -6.0))))
                .withFader(-6, 0)
                .withBrought(List.of(brought));
        return new Session(
                Song.titled("Low Tide Waltz"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                PanLaw.MINUS_3,
                List.of(),
                List.of(dry, wet),
                List.of(
                        new AudioRow("gtr", "Guitar", List.of(Clip.whole(dry, 0, 1, 100)), strip),
                        new BusRow("bus", "Band", Strip.PLAIN.withFader(-6, 0)),
                        MixRow.DEFAULT));
    }

    private Brought at(Station station) {
        return new Brought(station, List.of(Clip.whole(wet, 0, 2, LATER)));
    }

    private Walked walked(Session session) throws IOException {
        return Walked.print(
                session,
                recordings,
                folder,
                How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE),
                List.of("gtr@RAW", "gtr@SHAPED", "gtr@INSERTS", "gtr@FADER", "gtr@BUS", "mix@FADER"));
    }

    /** The wet file where it lies, a gain away. */
    private void assertIsWet(double[][] sides, double gain) {
        for (int i = 0; i < FRAMES; i++) {
            for (int c = 0; c < 2; c++) {
                assertThat(sides[c][LATER + i]).isCloseTo(gain * wetSamples[2 * i + c] / SCALE, within(1e-6));
            }
        }
        assertThat(sides[0][LATER - 1]).isZero();
    }

    @Test
    void whatComesAfterIsMadeOfItAndWhatComesBeforeIsNot() throws IOException {
        Walked plain = walked(session());
        Walked shaped = walked(session(at(Station.SHAPED)));
        assertThat(shaped.sides.get("gtr@RAW"))
                .isDeepEqualTo(cut(plain.sides.get("gtr@RAW"), shaped.sides.get("gtr@RAW")[0].length));
        assertIsWet(shaped.sides.get("gtr@SHAPED"), 1);
        assertIsWet(shaped.sides.get("gtr@INSERTS"), HALF);
        assertIsWet(shaped.sides.get("mix@FADER"), HALF * HALF * HALF);

        Walked inserts = walked(session(at(Station.INSERTS)));
        assertThat(inserts.sides.get("gtr@SHAPED"))
                .isDeepEqualTo(cut(plain.sides.get("gtr@SHAPED"), inserts.sides.get("gtr@SHAPED")[0].length));
        assertIsWet(inserts.sides.get("gtr@INSERTS"), 1);
        assertIsWet(inserts.sides.get("gtr@FADER"), HALF);
        assertIsWet(inserts.sides.get("gtr@BUS"), HALF * HALF);
        assertIsWet(inserts.sides.get("mix@FADER"), HALF * HALF);

        Walked fader = walked(session(at(Station.FADER)));
        assertIsWet(fader.sides.get("gtr@FADER"), 1);
        assertIsWet(fader.sides.get("mix@FADER"), HALF);

        Walked bus = walked(session(at(Station.BUS)));
        assertIsWet(bus.sides.get("gtr@BUS"), 1);
        assertThat(bus.sides.get("mix@FADER"))
                .as("what stands beside the mix is not in it")
                .isDeepEqualTo(cut(plain.sides.get("mix@FADER"), bus.sides.get("mix@FADER")[0].length));
    }

    private static double[][] cut(double[][] sides, int frames) {
        double[][] same = new double[2][frames];
        for (int c = 0; c < 2; c++) {
            System.arraycopy(sides[c], 0, same[c], 0, Math.min(frames, sides[c].length));
        }
        return same;
    }

    @Test
    void itIsPrintedBitForBit() throws IOException {
        Session session = session(at(Station.INSERTS));
        Walked walked = Walked.print(
                session,
                recordings,
                folder,
                How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE).depth(SampleFormat.INT24),
                List.of("gtr@INSERTS"));
        for (int i = 0; i < FRAMES; i++) {
            assertThat(Math.round(walked.sides.get("gtr@INSERTS")[1][LATER + i] * SCALE))
                    .isEqualTo(wetSamples[2 * i + 1]);
        }
    }

    @Test
    void whatIsMutedStaysMuted() throws IOException {
        Session session = session(at(Station.FADER));
        Row row = session.row("gtr").orElseThrow();
        Session muted =
                session.withRow("gtr", each -> each.withStrip(row.strip().withMuteAndSolo(true, false)));
        for (double sample : walked(muted).sides.get("mix@FADER")[0]) {
            assertThat(sample).isZero();
        }
    }

    @Test
    void notesThatAreNotPlayedHereAreSilentUntilTheirSoundIsBrought() throws IOException {
        Note note = new Note(0, 1, 60, 100);
        InstrumentRow notes =
                new InstrumentRow("gtr", "Synth", "bell", List.of(note), Strip.PLAIN).from(SoundFrom.ELSEWHERE);
        Session session = session().withRows(List.of(notes, MixRow.DEFAULT));
        List<String> points = List.of("gtr@RAW", "mix@FADER");
        How how = How.floats(session, Returns.SHARED_OUT, Dynamics.IN_PLACE);
        assertThat(Walked.print(session, recordings, folder, how, points).rmsDbfs("mix@FADER"))
                .isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(Walked.print(session.withStandIns(), recordings, folder, how, points)
                        .rmsDbfs("mix@FADER"))
                .as("to listen to, a house instrument stands in")
                .isGreaterThan(-60);
        Session brought = new SetBrought("gtr", List.of(at(Station.RAW))).applyTo(session);
        assertIsWet(Walked.print(brought, recordings, folder, how, points).sides.get("mix@FADER"), 1);
    }

    @Test
    void twoRowsBecomeOneAndApartAgain() {
        Session two = session()
                .withRows(List.of(
                        session().row("gtr").orElseThrow(),
                        new AudioRow("amp", "Guitar Amp", List.of(Clip.whole(wet, 0, 2, LATER))),
                        session().row("bus").orElseThrow(),
                        MixRow.DEFAULT));
        Session one = new JoinAsBrought("gtr", "amp", Station.INSERTS).applyTo(two);
        assertThat(one.rows()).extracting(Row::id).containsExactly("gtr", "bus", "mix");
        assertThat(one.row("gtr").orElseThrow().strip().brought()).containsExactly(at(Station.INSERTS));
        assertThat(one.uses(wet.sha256())).isTrue();
        assertThat(SessionDocument.read(SessionDocument.write(one), Session.class))
                .isEqualTo(one);

        Session later = new ShiftSession(1).applyTo(one);
        assertThat(later.row("gtr")
                        .orElseThrow()
                        .placedAt(Station.INSERTS)
                        .orElseThrow()
                        .get(0)
                        .position())
                .as("a bar of four quarters at 120 lasts two seconds")
                .isEqualTo(LATER + 96_000);

        Session apart = new PutBroughtApart("gtr", Station.INSERTS).applyTo(one);
        assertThat(apart.rows()).extracting(Row::name).containsExactly("Guitar", "Guitar Inserts", "Band", "Mix");
        assertThat(apart.rows().get(1).clips()).isEqualTo(at(Station.INSERTS).clips());
        assertThat(apart.rows().get(0).placedAt(Station.INSERTS)).isEqualTo(Optional.empty());
    }

    @Test
    void itStandsForWhatARowHasAndSumsHaveNone() {
        assertThatThrownBy(() -> new SetBrought("gtr", List.of(at(Station.RAW))).applyTo(session()))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("Shaped, Inserts, Fader or Bus");
        assertThatThrownBy(() -> new SetBrought("bus", List.of(at(Station.FADER))).applyTo(session()))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("sum of others");
        assertThatThrownBy(
                        () -> new SetBrought("gtr", List.of(at(Station.FADER), at(Station.FADER))).applyTo(session()))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("two sounds");
        assertThatThrownBy(() -> new JoinAsBrought("gtr", "bus", Station.FADER).applyTo(session()))
                .isInstanceOf(EditRefused.class);
    }
}
