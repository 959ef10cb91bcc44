package apodex.intake;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.Recording;
import apodex.session.Session;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;

/**
 * Writes the audio rows of a session as an OpenTimelineIO document: a track a row, clips and gaps at the session's rate,
 * markers. Clips that overlap go on further tracks of the same name, since a track of that form cannot hold both.
 */
public final class OtioWriter {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final Session session;

    private OtioWriter(Session session) {
        this.session = session;
    }

    /** @param folder where the media lie, as the document names it: {@code recordings/}; may be empty */
    public static void write(Session session, String folder, Path file) throws IOException {
        Files.write(
                file,
                JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(new OtioWriter(session).timeline(folder)));
    }

    private ObjectNode timeline(String folder) {
        ObjectNode timeline = item("Timeline.1", session.song().title());
        timeline.putNull("global_start_time");
        ObjectNode stack = timeline.putObject("tracks");
        stack.setAll(item("Stack.1", "tracks"));
        composition(stack);
        ArrayNode markers = stack.putArray("markers");
        for (Marker marker : session.markers()) {
            ObjectNode node = item("Marker.2", marker.name());
            node.put("color", "GREEN");
            node.set("marked_range", range(marker.frame(), 0));
            markers.add(node);
        }
        ArrayNode tracks = stack.putArray("children");
        for (AudioRow row : session.audioRows()) {
            List<Clip> left = row.clips().stream()
                    .sorted(Comparator.comparingLong(Clip::position))
                    .toList();
            do {
                left = track(row, left, folder, tracks);
            } while (!left.isEmpty());
        }
        return timeline;
    }

    /** Lays out what fits one after the other, and gives back the rest. */
    private List<Clip> track(AudioRow row, List<Clip> clips, String folder, ArrayNode tracks) {
        ObjectNode track = item("Track.1", row.name());
        composition(track);
        track.put("kind", "Audio");
        track.putArray("markers");
        ArrayNode children = track.putArray("children");
        List<Clip> rest = new java.util.ArrayList<>();
        long at = 0;
        for (Clip clip : clips) {
            if (clip.position() < at) {
                rest.add(clip);
                continue;
            }
            if (clip.position() > at) {
                ObjectNode gap = item("Gap.1", "");
                composition(gap);
                gap.putArray("markers");
                gap.set("source_range", range(0, clip.position() - at));
                children.add(gap);
            }
            children.add(clip(clip, folder));
            at = clip.range().end();
        }
        tracks.add(track);
        return rest;
    }

    private ObjectNode clip(Clip clip, String folder) {
        Recording recording = session.recording(clip.recording());
        ObjectNode node = item("Clip.2", recording.fileName());
        composition(node);
        node.putArray("markers");
        node.set("source_range", range(clip.offset(), clip.frames()));
        ObjectNode media = item("ExternalReference.1", recording.fileName());
        media.put(
                "target_url",
                folder
                        + URLEncoder.encode(recording.fileName(), StandardCharsets.UTF_8)
                                .replace("+", "%20"));
        media.set("available_range", range(0, recording.framesAt(session.rate())));
        media.putNull("available_image_bounds");
        node.putObject("media_references").set("DEFAULT_MEDIA", media);
        node.put("active_media_reference_key", "DEFAULT_MEDIA");
        return node;
    }

    private static ObjectNode item(String schema, String name) {
        ObjectNode node = JSON.createObjectNode();
        node.put("OTIO_SCHEMA", schema);
        node.putObject("metadata");
        node.put("name", name);
        return node;
    }

    private static void composition(ObjectNode node) {
        node.putNull("source_range");
        node.putArray("effects");
        node.put("enabled", true);
    }

    private ObjectNode range(long start, long frames) {
        ObjectNode range = JSON.createObjectNode();
        range.put("OTIO_SCHEMA", "TimeRange.1");
        range.set("start_time", time(start));
        range.set("duration", time(frames));
        return range;
    }

    private ObjectNode time(long frames) {
        ObjectNode time = JSON.createObjectNode();
        time.put("OTIO_SCHEMA", "RationalTime.1");
        time.put("rate", (double) session.rate().hertz());
        time.put("value", (double) frames);
        return time;
    }
}
