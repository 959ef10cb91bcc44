package apodex.handoff;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.FileKind;
import apodex.handoff.Handoff.Choice;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.TestRecordings;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What makes a plan more work, and what does not. */
final class EffortTest {
    private static final List<Insert> INSERTS = List.of(Insert.of("lowCut", Map.of()), Insert.of("bell", Map.of()));
    private static final Choice DRY = new Choice("r", Station.RAW);
    private static final Choice MIX = new Choice(MixRow.ID, Station.FADER);

    @TempDir
    private Path folder;

    private TestRecordings recordings;
    private Recording sound;

    @BeforeEach
    void record() throws IOException {
        recordings = new TestRecordings(folder);
        sound = recordings.add("sound", 1, 24, new long[1_000]);
    }

    private Effort of(List<Insert> inserts, Settings settings, Choice... files) throws IOException {
        Row row = new AudioRow("r", "Tuba", List.of(Clip.whole(sound, 0, 1, 0)), Strip.PLAIN.withInserts(inserts));
        Session session = new Session(
                Song.titled("x"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(sound),
                List.of(row, MixRow.DEFAULT));
        Handoff handoff = Handoff.named("x").printing(null, List.of(files)).with(settings);
        return Effort.of(session, handoff, Planner.plan(session, handoff, recordings));
    }

    @Test
    void whatIsOnlyPlacedCostsBytesAndWhatIsMixedCostsRowsAndInserts() throws IOException {
        Settings plain = Settings.OPEN.withTail(0.0);
        Effort dry = of(List.of(), plain, DRY);
        Effort mixed = of(List.of(), plain, DRY, MIX);
        Effort processed = of(INSERTS, plain, DRY, MIX);
        assertThat(dry.kind()).isEqualTo(Effort.Kind.PLACING);
        assertThat(of(INSERTS, plain, DRY)).as("Raw knows no inserts").isEqualTo(dry);
        assertThat(mixed.kind()).isEqualTo(Effort.Kind.MIXING);
        assertThat(processed.printing()).isGreaterThan(mixed.printing());
        assertThat(processed.reading())
                .as("the same bytes")
                .isEqualTo(mixed.reading())
                .isGreaterThan(dry.reading());
    }

    @Test
    void packingTakesTime() throws IOException {
        Settings flac = Settings.OPEN.withTail(0.0).withFormat(FileKind.FLAC);
        assertThat(of(List.of(), flac, DRY).printing())
                .isGreaterThan(of(List.of(), Settings.OPEN.withTail(0.0), DRY).printing());
    }
}
