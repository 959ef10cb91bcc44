package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.SampleFormat;
import apodex.intake.LaidRow.LaidClip;
import apodex.parcel.OtioWriter;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class OtioTest {
    /** The names and versions that the form's own schema list publishes for what is written here. */
    private static final Set<String> PUBLISHED = Set.of(
            "Timeline.1",
            "Stack.1",
            "Track.1",
            "Clip.2",
            "Gap.1",
            "Marker.2",
            "ExternalReference.1",
            "TimeRange.1",
            "RationalTime.1");

    @TempDir
    private Path folder;

    @RepeatedTest(value = 8, name = "seed {currentRepetition}")
    void whatIsWrittenIsReadBackTheSame(RepetitionInfo seed) throws IOException {
        Random random = new Random(seed.getCurrentRepetition());
        SampleRate rate = new SampleRate(random.nextBoolean() ? 48_000 : 44_100);
        Recording recording =
                new Recording("ab".repeat(32), "Größe & 100%.wav", rate, 1, SampleFormat.INT24, 10_000_000, null, null);
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < 3; r++) {
            List<Clip> clips = new ArrayList<>();
            long at = 0;
            for (int c = 0; c < 12; c++) {
                at += random.nextInt(3) * random.nextInt(100_000);
                long frames = 1 + random.nextInt(200_000);
                clips.add(new Clip(recording.sha256(), 0, 1, at, random.nextInt(9_000_000), frames, 0, 0, 0));
                at += frames;
            }
            rows.add(new AudioRow("r" + r, "Row " + r, clips));
        }
        rows.add(MixRow.DEFAULT);
        Session session = new Session(
                Song.titled("Low Tide Waltz"),
                rate,
                0,
                "2026-05-17",
                PanLaw.MINUS_3,
                List.of(new Marker(12_345, "Verse")),
                List.of(recording),
                rows);
        Path file = folder.resolve("timeline.otio");
        Files.write(file, OtioWriter.of(session, each -> "recordings/" + each.fileName()));
        assertSchemas(new ObjectMapper().readTree(file.toFile()));
        List<String> troubles = new ArrayList<>();
        OtioReader.Timeline timeline = OtioReader.read(file, troubles);
        assertThat(troubles).isEmpty();
        assertThat(timeline.name()).isEqualTo("Low Tide Waltz");
        assertThat(timeline.markers()).singleElement().satisfies(marker -> assertThat(
                        marker.place().frame(rate, null))
                .isEqualTo(12_345));
        Media media = new Media(List.of(recording));
        LaidRows laid = new LaidRows(media, rate, Song.titled("x").timeline(), troubles);
        for (int r = 0; r < 3; r++) {
            assertThat(laid.row(timeline.rows().get(r), "r" + r)).isEqualTo(rows.get(r));
        }
    }

    private static void assertSchemas(JsonNode node) {
        if (node.isObject() && !node.isEmpty() && node.has("name")) {
            assertThat(PUBLISHED).contains(node.path("OTIO_SCHEMA").asText());
        }
        node.forEach(OtioTest::assertSchemas);
    }

    private Path write(String tracks) throws IOException {
        return Files.writeString(
                folder.resolve("made.otio"),
                """
                {"OTIO_SCHEMA": "Timeline.1", "name": "Reel", "tracks": {"OTIO_SCHEMA": "Stack.1", "children": [%s]}}"""
                        .formatted(tracks));
    }

    private static String time(double value, double rate) {
        return "{\"OTIO_SCHEMA\": \"RationalTime.1\", \"value\": " + value + ", \"rate\": " + rate + "}";
    }

    private static String range(double start, double frames, double rate) {
        return "{\"OTIO_SCHEMA\": \"TimeRange.1\", \"start_time\": " + time(start, rate) + ", \"duration\": "
                + time(frames, rate) + "}";
    }

    @Test
    void filmFramesGapsAndWhatIsNotKnown() throws IOException {
        Path file = write(
                """
                {"OTIO_SCHEMA": "Track.1", "kind": "Video", "name": "Picture", "children": []},
                {"OTIO_SCHEMA": "Track.1", "kind": "Audio", "name": "Dialogue", "children": [
                  {"OTIO_SCHEMA": "Gap.1", "source_range": %s},
                  {"OTIO_SCHEMA": "Clip.1", "name": "one", "source_range": %s,
                   "media_reference": {"OTIO_SCHEMA": "ExternalReference.1", "target_url": "file:///a/b%%20c/Voice%%201.wav", "available_range": %s}},
                  {"OTIO_SCHEMA": "Hologram.7", "source_range": %s},
                  {"OTIO_SCHEMA": "Transition.1", "name": "x"},
                  {"OTIO_SCHEMA": "Clip.2", "name": "two.wav", "source_range": %s, "active_media_reference_key": "DEFAULT_MEDIA",
                   "media_references": {"DEFAULT_MEDIA": {"OTIO_SCHEMA": "MissingReference.1"}}},
                  {"OTIO_SCHEMA": "Clip.2", "name": "", "source_range": %s}]},
                {"OTIO_SCHEMA": "Stack.1", "children": []}
                """
                        .formatted(
                                range(0, 25, 25),
                                range(90_000 + 24, 48, 24),
                                range(90_000, 240, 24),
                                range(0, 48_000, 48_000),
                                range(0, 25, 25),
                                range(0, 25, 25)));
        List<String> troubles = new ArrayList<>();
        OtioReader.Timeline timeline = OtioReader.read(file, troubles);
        SampleRate rate = new SampleRate(48_000);
        List<LaidClip> clips = timeline.rows().get(0).takes().get(0).clips();
        assertThat(clips).extracting(LaidClip::file).containsExactly("Voice 1.wav", "two.wav");
        assertThat(clips)
                .extracting(clip -> clip.position().frame(rate, null))
                .as("25 frames at 25; then 48 at 24 and a second that is not known")
                .containsExactly(48_000L, 48_000L + 96_000L + 48_000L);
        assertThat(clips.get(0).offset().span(rate, null))
                .as("24 frames into its media, whatever clock that runs on")
                .isEqualTo(48_000);
        assertThat(clips.get(0).length().span(rate, null)).isEqualTo(96_000);
        assertThat(troubles)
                .anyMatch(words -> words.contains("video"))
                .anyMatch(words -> words.contains("Hologram.7"))
                .anyMatch(words -> words.contains("transition"))
                .anyMatch(words -> words.contains("names no media"))
                .anyMatch(words -> words.contains("Track 3"));
    }

    @Test
    void documentsThatCannotBeReadAreRefusedInASentence() throws IOException {
        List<String> troubles = new ArrayList<>();
        Path cut = Files.writeString(folder.resolve("cut.otio"), "{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": {");
        assertThatThrownBy(() -> OtioReader.read(cut, troubles)).hasMessageContaining("breaks off");
        Path other = Files.writeString(folder.resolve("other.otio"), "{\"OTIO_SCHEMA\": \"Box.1\"}");
        assertThatThrownBy(() -> OtioReader.read(other, troubles)).hasMessageContaining("no timeline");
        Path deep = Files.writeString(
                folder.resolve("deep.otio"),
                "{\"OTIO_SCHEMA\": \"Timeline.1\", \"tracks\": " + "[".repeat(5_000) + "]".repeat(5_000) + "}");
        assertThatThrownBy(() -> OtioReader.read(deep, troubles)).hasMessageContaining("nested too deep");
    }
}
