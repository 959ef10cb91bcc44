package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.FileKind;
import apodex.handoff.InOneSentence.About;
import apodex.handoff.InOneSentence.Part;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.signal.TestRecordings;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class InOneSentenceTest {
    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Session session;

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        Recording sound = recordings.addFloats(
                "sound", 1, new SplittableRandom(1).doubles(48_000, -0.5, 0.5).toArray());
        session = new Session(
                Song.titled("Sentence"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(sound),
                List.of(new AudioRow("a", "A", List.of(Clip.whole(sound, 0, 1, 0)), Strip.PLAIN), MixRow.DEFAULT));
    }

    private String written(Handoff handoff) throws IOException {
        return InOneSentence.written(handoff, Planner.plan(session, handoff, recordings));
    }

    @Test
    void itReadsAsWhatTheReceiverGets() throws IOException {
        Handoff usual = Handoff.named("The mixer");
        assertThat(written(usual))
                .isEqualTo("For mixing, to The mixer: WAV, 32-bit float as recorded, 48 kHz, the whole session,"
                        + " no lead-in, tail until quiet, no click.");
        assertThat(written(Handoff.named("The singer").with(Brief.FOR_OVERDUBS)))
                .isEqualTo("For overdubs, to The singer: WAV, 32-bit float as recorded, 48 kHz, the whole session,"
                        + " 2 bars counted in, tail until quiet, a click first, returns shared out.");
        Stretch bars = new Stretch(
                new Stretch.Point(Stretch.CountedIn.SECONDS, 0), new Stretch.Point(Stretch.CountedIn.SECONDS, 0.25));
        Handoff all = usual.with(Settings.OPEN
                        .withDepth(Depth.INT24)
                        .withFormat(FileKind.FLAC)
                        .withRate(new SampleRate(44_100))
                        .withSharing(Returns.LEFT_OUT, Dynamics.ALONE)
                        .withSides(Handoff.Sides.TWO_MONO)
                        .withLeadIn(1, false)
                        .withTail(2.5)
                        .withClick(Click.LAST)
                        .withExtras(true, false, true, true)
                        .withFolders(Folders.FLAT)
                        .withSplit(700))
                .withSections(List.of(new Section("", bars)));
        assertThat(written(all))
                .isEqualTo("For mixing, to The mixer: FLAC, 24-bit, 44.1 kHz, 0:00 to 0:00.25, 1 bar of lead-in,"
                        + " tail of 2.5 s, a click last, without returns, shared effects on each row alone,"
                        + " stereo as two mono files, with other takes, without notes, an MP3 to listen to,"
                        + " with the session itself, no folders, zips of 700 MB at most.");
    }

    @Test
    void noMinuteHasSixtySeconds() throws IOException {
        Recording sound = recordings.addFloats("long", 1, new double[48_000 * 61]);
        Session longer = new Session(
                Song.titled("Longer"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(sound),
                List.of(new AudioRow("a", "A", List.of(Clip.whole(sound, 0, 1, 0)), Strip.PLAIN), MixRow.DEFAULT));
        Handoff handoff = Handoff.named("x")
                .withSections(List.of(new Section(
                        "",
                        new Stretch(
                                new Stretch.Point(Stretch.CountedIn.SECONDS, 1.5),
                                new Stretch.Point(Stretch.CountedIn.SECONDS, 59.999)))));
        assertThat(InOneSentence.written(handoff, Planner.plan(longer, handoff, recordings)))
                .contains("0:01.50 to 1:00,");
    }

    @Test
    void whatWasSetByHandIsMarked() throws IOException {
        Handoff handoff = Handoff.named("The singer")
                .with(Brief.FOR_OVERDUBS)
                .with(Settings.OPEN.withRate(new SampleRate(44_100)).withExtras(null, null, true, null))
                .withSections(List.of(
                        new Section("Verse", null),
                        new Section(
                                "Chorus",
                                new Stretch(
                                        new Stretch.Point(Stretch.CountedIn.BARS, 1),
                                        new Stretch.Point(Stretch.CountedIn.BARS, 1.5)))));
        List<Part> parts = InOneSentence.of(handoff, Planner.plan(session, handoff, recordings));
        assertThat(parts)
                .filteredOn(Part::byHand)
                .containsExactly(
                        new Part(About.RATE, "44.1 kHz", true),
                        new Part(About.RANGE, "2 sections", true),
                        new Part(About.OTHERS, "an MP3 to listen to", true));
        assertThat(parts).contains(new Part(About.OTHERS, "returns shared out", false));
    }
}
