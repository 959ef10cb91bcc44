package apodex.parcel;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Take;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Writes the audio rows of a session as an OpenTimelineIO document: a track a row, clips and gaps at the session's rate,
 * markers. Clips that overlap go on further tracks of the same name, since a track of that form cannot hold both; takes that are
 * not heard on tracks that are off. Gain, fades and polarity have no place in that form: they stand in its free fields, under our name.
 */
public final class OtioWriter {
    /** Under which free fields of the form are ours. */
    public static final String OURS = "apodex";

    private static final ObjectMapper JSON = new ObjectMapper();

    private final Session session;

    /** Where a recording lies, as seen from the document, with slashes. */
    private final Function<Recording, String> path;

    private OtioWriter(Session session, Function<Recording, String> path) {
        this.session = session;
        this.path = path;
    }

    /**
     * The document.
     *
     * @param path where a recording lies, as seen from the document, with slashes between folders
     */
    public static byte[] of(Session session, Function<Recording, String> path) {
        try {
            return JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(new OtioWriter(session, path).timeline());
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A timeline has no JSON form.", e);
        }
    }

    private ObjectNode timeline() {
        ObjectNode timeline = item("Timeline.1", session.song().title());
        ObjectNode song =
                ((ObjectNode) timeline.get("metadata")).putObject("song"); // the form has no place for a tempo
        if (session.song().tempo() != null) {
            song.set("tempoChanges", JSON.valueToTree(session.song().timeline().tempos()));
            song.set("meterChanges", JSON.valueToTree(session.song().timeline().meters()));
        }
        if (session.song().key() != null) {
            song.put("key", session.song().key().written());
        }
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
            take(row, row.activeTake(), tracks);
            row.takes().stream()
                    .filter(take -> !take.id().equals(row.active()))
                    .forEach(take -> take(row, take, tracks));
        }
        return timeline;
    }

    private void take(AudioRow row, Take take, ArrayNode tracks) {
        List<Clip> left = take.clips().stream()
                .sorted(Comparator.comparingLong(Clip::position))
                .toList();
        do {
            left = track(row, take, left, tracks);
        } while (!left.isEmpty());
    }

    /** Lays out what fits one after the other, and gives back the rest. */
    private List<Clip> track(AudioRow row, Take take, List<Clip> clips, ArrayNode tracks) {
        ObjectNode track = item("Track.1", row.name());
        composition(track);
        track.put("enabled", take.id().equals(row.active()));
        ours(track).put("row", row.id()).put("take", take.name());
        track.put("kind", "Audio");
        track.putArray("markers");
        ArrayNode children = track.putArray("children");
        List<Clip> rest = new ArrayList<>();
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
            children.add(clip(clip));
            at = clip.range().end();
        }
        tracks.add(track);
        return rest;
    }

    private ObjectNode clip(Clip clip) {
        Recording recording = session.recording(clip.recording());
        ObjectNode node = item("Clip.2", recording.fileName());
        composition(node);
        node.put("enabled", !clip.muted());
        if (!clip.isUntouched()) {
            ours(node)
                    .put("gainDb", clip.gainDb())
                    .put("fadeIn", clip.fadeIn().frames())
                    .put("fadeInCurve", clip.fadeIn().curve().words())
                    .put("fadeOut", clip.fadeOut().frames())
                    .put("fadeOutCurve", clip.fadeOut().curve().words())
                    .put("inverted", clip.inverted());
        }
        node.putArray("markers");
        node.set("source_range", range(clip.offset(), clip.frames()));
        ObjectNode media = item("ExternalReference.1", recording.fileName());
        media.put(
                "target_url",
                Arrays.stream(path.apply(recording).split("/"))
                        .map(part ->
                                URLEncoder.encode(part, StandardCharsets.UTF_8).replace("+", "%20"))
                        .collect(Collectors.joining("/")));
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

    private static ObjectNode ours(ObjectNode node) {
        return ((ObjectNode) node.get("metadata")).putObject(OURS);
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
