package apodex.parcel;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Section;
import apodex.handoff.Stretch;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.TestRecordings;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the sheet says was done to the sound on its way: of whatever is in a file, also by way of a sum. */
class HowTakenTest {
    @TempDir
    private Path folder;

    private String sheet(Brief brief) throws IOException {
        TestRecordings recordings = new TestRecordings(folder);
        Recording other = recordings.add(
                "other.wav",
                SoundBytes.riff()
                        .format(1, 1, 44_100, 24)
                        .chunk(
                                "data",
                                SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, Collections.nCopies(44_100, 900L)))
                        .wave());
        Recording unheard = recordings.add(
                "unheard.wav",
                SoundBytes.riff()
                        .format(1, 1, 22_050, 24)
                        .chunk(
                                "data",
                                SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, Collections.nCopies(22_050, 900L)))
                        .wave());
        List<Row> rows = List.of(
                new AudioRow(
                        "a",
                        "Tuba",
                        List.of(new Clip(other.sha256(), 0, 1, 0, 0, 48_000, 0, 0, 0)),
                        Strip.feeding("g").withInserts(List.of(Insert.of("hallReverb", Map.of())))),
                new AudioRow(
                        "m",
                        "Muted",
                        List.of(new Clip(unheard.sha256(), 0, 1, 0, 0, 48_000, 0, 0, 0)),
                        Strip.feeding("g").withMuteAndSolo(true, false)),
                new BusRow("g", "Winds", Strip.PLAIN),
                MixRow.DEFAULT);
        Session session =
                new Session(Song.titled("x"), new SampleRate(48_000), 0, "2026-01-01", List.of(other, unheard), rows);
        Stretch first = new Stretch(
                new Stretch.Point(Stretch.CountedIn.SECONDS, 0.25), new Stretch.Point(Stretch.CountedIn.SECONDS, 0.5));
        Handoff handoff = Handoff.named("y").with(brief).withSections(List.of(new Section("", first)));
        return ParcelAnswersTest.received(session, handoff, recordings, folder).sheet();
    }

    @Test
    void whatIsInAGroupIsToldAsWhatIsAFile() throws IOException {
        assertThat(sheet(Brief.GROUPS))
                .contains("Resampled from 44.1 kHz to the session’s 48 kHz: other.wav.")
                .contains("Begin before the start, and are cut there: Tuba.")
                .as("nobody hears it")
                .doesNotContain("22.05 kHz", "Nothing was resampled");
    }

    @Test
    void aMonoRecordingIsNotTakenForTwoSidesThatAreAlike() throws IOException {
        assertThat(sheet(Brief.FOR_MIXING))
                .as("it becomes stereo only after this file")
                .contains("Tuba.wav Raw mono")
                .doesNotContain("Mono files of stereo rows");
    }
}
