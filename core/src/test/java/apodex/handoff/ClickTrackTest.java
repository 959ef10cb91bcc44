package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.handoff.ClickTrack.Knock;
import apodex.session.MixRow;
import apodex.session.Session;
import apodex.session.Song;
import apodex.signal.Passage;
import apodex.signal.WalkedFiles;
import apodex.time.FrameRange;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where the knocks of a click fall, as the tempo map has it, and what one sounds like. */
class ClickTrackTest {
    private static final SampleRate RATE = new SampleRate(48_000);

    @TempDir
    private Path folder;

    private static Session session(double tempo, String meter, List<TempoChange> tempos, List<MeterChange> meters) {
        Song song = new Song("Click", "", tempo, Meter.parse(meter), null, tempos, meters);
        return new Session(song, RATE, 0, "2026-01-01", List.of(), List.of(MixRow.DEFAULT));
    }

    private static List<Knock> knocks(Session session, SampleRate rate, Passage passage, boolean count, boolean beat) {
        return new ClickTrack(session, rate).knocks(passage, count, beat, Long.MAX_VALUE);
    }

    private static Passage passage(long from, long to, long leadIn) {
        return new Passage(new FrameRange(from, to), leadIn, Passage.Tail.NONE);
    }

    @Test
    void everyBeatKnocksAndTheFirstOfABarIsMarked() {
        Session waltz = session(120, "3/4", List.of(), List.of());
        assertThat(knocks(waltz, RATE, passage(0, 96_000, 0), false, true))
                .containsExactly(
                        new Knock(0, true),
                        new Knock(24_000, false),
                        new Knock(48_000, false),
                        new Knock(72_000, true));
        assertThat(knocks(waltz, new SampleRate(44_100), passage(0, 96_000, 0), false, true))
                .as("at another rate, at the same time")
                .extracting(Knock::frame)
                .containsExactly(0L, 22_050L, 44_100L, 66_150L);
        assertThat(knocks(waltz, RATE, passage(0, 96_000, 0), false, false)).isEmpty();
    }

    @Test
    void aRangeBeginsWithTheNextBeatAndACountLeadsUpToIt() {
        Session waltz = session(120, "3/4", List.of(), List.of());
        assertThat(knocks(waltz, RATE, passage(30_000, 80_000, 72_000), true, true))
                .as("a bar counted back from the start of the range, then the song's own beats")
                .containsExactly(
                        new Knock(0, true),
                        new Knock(24_000, false),
                        new Knock(48_000, false),
                        new Knock(72_000 + 18_000, false),
                        new Knock(72_000 + 42_000, true));
        assertThat(knocks(waltz, RATE, passage(0, 30_000, 72_000), true, false))
                .as("a count alone")
                .hasSize(3);
        assertThat(knocks(waltz, RATE, passage(0, 30_000, 72_000), false, true))
                .as("silence before")
                .extracting(Knock::frame)
                .containsExactly(72_000L, 96_000L);
    }

    @Test
    void metersAndTemposChangeWithTheMap() {
        Session changing = session(
                120,
                "2/4",
                List.of(new TempoChange(2, 60, TempoChange.Way.JUMP)),
                List.of(new MeterChange(2, Meter.parse("6/8"))));
        assertThat(knocks(changing, RATE, passage(0, 48_000 * 4, 0), false, true))
                .as("two quarters at 120, then eighths at 60: half a second each")
                .containsExactly(
                        new Knock(0, true),
                        new Knock(24_000, false),
                        new Knock(48_000, true),
                        new Knock(72_000, false),
                        new Knock(96_000, false),
                        new Knock(120_000, false),
                        new Knock(144_000, false),
                        new Knock(168_000, false));
    }

    @Test
    void aGlideSpreadsItsBeatsAsTheMapDoes() {
        Session slowing = session(120, "4/4", List.of(new TempoChange(4, 60, TempoChange.Way.GLIDE)), List.of());
        List<Knock> knocks = knocks(slowing, RATE, passage(0, 48_000 * 5, 0), false, true);
        for (int beat = 0; beat < knocks.size(); beat++) {
            assertThat(knocks.get(beat).frame())
                    .isCloseTo(slowing.song().timeline().frameOf(beat, RATE), within(1L));
        }
        assertThat(knocks.get(4).frame() - knocks.get(3).frame())
                .as("slower and slower")
                .isGreaterThan(knocks.get(1).frame() - knocks.get(0).frame());
    }

    @Test
    void aKnockIsShortStartsAtZeroAndTheAccentIsHigherAndLouder() throws Exception {
        Session waltz = session(120, "3/4", List.of(), List.of());
        ClickTrack track = new ClickTrack(waltz, RATE);
        List<Knock> knocks = List.of(new Knock(1_000, true), new Knock(20_000, false), new Knock(39_990, true));
        track.write(knocks, 40_000, SampleFormat.FLOAT32, FileKind.WAV, folder.resolve("click.wav"), null, 1);
        double[] samples = WalkedFiles.read(folder.resolve("click.wav"))[0];
        assertThat(samples).hasSize(40_000);
        assertThat(samples[1_000]).isZero();
        assertThat(samples[1_001]).isNotZero();
        assertThat(peak(samples, 1_000)).as("about −6 dBFS").isBetween(0.3, 0.51);
        assertThat(peak(samples, 20_000)).isBetween(0.19, 0.33).isLessThan(peak(samples, 1_000));
        assertThat(crossings(samples, 1_000)).as("1,760 Hz against 1,175 Hz").isGreaterThan(crossings(samples, 20_000));
        assertThat(peak(samples, 1_000 + 2_900)).as("over after 60 ms").isZero();
        assertThat(samples[39_999])
                .as("the last knock is cut by the end of the file")
                .isNotZero();
    }

    private static double peak(double[] samples, int from) {
        double peak = 0;
        for (int i = from; i < from + 2_880; i++) {
            peak = Math.max(peak, Math.abs(samples[i]));
        }
        return peak;
    }

    private static int crossings(double[] samples, int from) {
        int crossings = 0;
        for (int i = from + 1; i < from + 480; i++) {
            crossings += samples[i] > 0 != samples[i + 1] > 0 ? 1 : 0;
        }
        return crossings;
    }

    @ParameterizedTest
    @ValueSource(doubles = {97, 101, 113})
    void theDownbeatIsThereWhereverARangeBegins(double tempo) {
        Session session = session(tempo, "4/4", List.of(), List.of());
        for (int bar = 2; bar < 200; bar++) {
            long from = session.song().timeline().frameOfBar(bar, RATE);
            long to = session.song().timeline().frameOfBar(bar + 1, RATE);
            assertThat(knocks(session, RATE, passage(from, to, 0), false, true))
                    .as("bar %d", bar)
                    .hasSize(4)
                    .first()
                    .isEqualTo(new Knock(0, true));
        }
    }
}
