package apodex.intake;

import apodex.intake.LaidRow.LaidClip;
import apodex.intake.LaidRow.LaidTake;
import apodex.parcel.OtioWriter;
import apodex.session.Fade;
import apodex.time.SampleRate;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Reads OpenTimelineIO documents: audio tracks with clips, gaps and markers. What it does not know is said and stepped over;
 * what follows stays in its place.
 */
final class OtioReader {
    private static final int LONGEST_FILE = 64 << 20;
    private static final int DEEPEST = 100;
    private static final ObjectMapper JSON = new JsonMapper(JsonFactory.builder()
            .streamReadConstraints(
                    StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build())
            .build());

    private final List<String> troubles;
    /** By what says that tracks are of one row. */
    private final Map<String, LaidRow> rows = new LinkedHashMap<>();

    private final List<LaidMarker> markers = new ArrayList<>();

    /** A named place. */
    record LaidMarker(String name, WrittenTime place) {}

    /**
     * What a document lays out.
     *
     * @param name of the timeline; may be empty
     * @param rate whose samples its clips count; null where they count frames of a picture
     */
    record Timeline(String name, List<LaidRow> rows, List<LaidMarker> markers, @Nullable SampleRate rate) {}

    private OtioReader(List<String> troubles) {
        this.troubles = troubles;
    }

    /** Whether a file is a document of this kind. */
    static boolean isOtio(Path file) throws IOException {
        if (Files.size(file) > LONGEST_FILE) {
            return false;
        }
        String start = new String(Files.newInputStream(file).readNBytes(4_096), StandardCharsets.UTF_8);
        return start.stripLeading().startsWith("{") && start.contains("\"OTIO_SCHEMA\"");
    }

    /**
     * Reads a document.
     *
     * @param troubles gets a sentence for everything that was left out
     * @throws IOException with a sentence when nothing of it can be used
     */
    static Timeline read(Path file, List<String> troubles) throws IOException {
        JsonNode root;
        try {
            root = JSON.readTree(Files.readAllBytes(file));
        } catch (JsonProcessingException e) {
            throw new IOException("It is no whole OpenTimelineIO document: it breaks off or is nested too deep.");
        }
        OtioReader reader = new OtioReader(troubles);
        JsonNode timeline =
                schema(root).equals("SerializableCollection") ? first(root.path("children"), "Timeline") : root;
        if (timeline == null
                || !schema(timeline).equals("Timeline")
                        && !schema(timeline).equals("Stack")
                        && !schema(timeline).equals("Track")) {
            throw new IOException("It holds no timeline.");
        }
        JsonNode stack = schema(timeline).equals("Timeline") ? timeline.path("tracks") : timeline;
        WrittenTime start = time(timeline.path("global_start_time"));
        if (start != null && start.value() != 0) {
            reader.troubles.add("It starts at " + seconds(start) + " s of its own clock; here it starts at 0.");
        }
        reader.markers(stack, 0, 1);
        if (schema(stack).equals("Track")) {
            reader.track(stack, 1);
        }
        int number = 0;
        for (JsonNode child : stack.path("children")) {
            number++;
            if (schema(child).equals("Track")) {
                reader.track(child, number);
            } else {
                reader.troubles.add(
                        "Track " + number + " is a “" + text(child, "OTIO_SCHEMA") + "”, which is not read.");
            }
        }
        return new Timeline(text(timeline, "name"), List.copyOf(reader.rows.values()), reader.markers, reader.rate());
    }

    /** That of the first clip, where it is one of sound. */
    private @Nullable SampleRate rate() {
        return rows.values().stream()
                .flatMap(row -> row.takes().stream())
                .flatMap(take -> take.clips().stream())
                .map(clip -> clip.position().rate())
                .findFirst()
                .filter(rate -> rate == Math.rint(rate) && SampleRate.isUsable(Math.round(rate)))
                .map(rate -> SampleRate.of((int) Math.round(rate)))
                .orElse(null);
    }

    private static JsonNode first(JsonNode children, String schema) {
        for (JsonNode child : children) {
            if (schema(child).equals(schema)) {
                return child;
            }
        }
        return null;
    }

    /** The name of an object's schema without its version. */
    private static String schema(JsonNode node) {
        String full = text(node, "OTIO_SCHEMA");
        int dot = full.lastIndexOf('.');
        return dot < 0 ? full : full.substring(0, dot);
    }

    private static String text(JsonNode node, String field) {
        return node.path(field).isTextual() ? node.path(field).asText().strip() : "";
    }

    private void track(JsonNode track, int number) {
        String kind = text(track, "kind");
        String name = text(track, "name").isEmpty() ? "Track " + number : text(track, "name");
        if (!kind.isEmpty() && !kind.equalsIgnoreCase("Audio")) {
            troubles.add("Track “" + name + "” holds " + kind.toLowerCase(java.util.Locale.ROOT) + ", not audio.");
            return;
        }
        List<LaidClip> clips = new ArrayList<>();
        double at = 0; // seconds
        for (JsonNode child : track.path("children")) {
            JsonNode range = child.path("source_range");
            WrittenTime length = time(range.path("duration"));
            switch (schema(child)) {
                case "Clip" -> {
                    JsonNode media = media(child);
                    WrittenTime available = time(media.path("available_range").path("start_time"));
                    if (length == null) {
                        length = time(media.path("available_range").path("duration"));
                    }
                    if (length == null || !(length.value() > 0)) {
                        troubles.add("Clip “" + text(child, "name") + "” of “" + name + "” has no length.");
                        continue;
                    }
                    WrittenTime start = time(range.path("start_time"));
                    double offset =
                            (start == null ? 0 : secondsOf(start)) - (available == null ? 0 : secondsOf(available));
                    clip(child, name, media, at, start == null ? length : start, offset, length, clips);
                }
                case "Gap" -> {}
                case "Transition" -> {
                    troubles.add("A transition of “" + name + "” is left out; its clips stay as they are cut.");
                    continue;
                }
                default ->
                    troubles.add("“" + text(child, "OTIO_SCHEMA") + "” in “" + name + "” is not known"
                            + (length == null ? "." : "; its place stays empty."));
            }
            if (length != null && length.rate() > 0) {
                markers(child, at, length.rate());
                at += secondsOf(length);
            }
        }
        if (clips.isEmpty()) {
            troubles.add("Track “" + name + "” has no clip that can be used.");
        } else {
            JsonNode ours = track.path("metadata").path(OtioWriter.OURS);
            String take = text(ours, "take").isEmpty() ? "Take 1" : text(ours, "take");
            LaidTake laid = new LaidTake(take, clips);
            rows.merge(
                    text(ours, "row").isEmpty() ? "track " + number : text(ours, "row"),
                    new LaidRow(name, List.of(laid)),
                    (before, same) -> before.with(laid));
        }
    }

    private void clip(
            JsonNode clip,
            String track,
            JsonNode media,
            double at,
            WrittenTime source,
            double offset,
            WrittenTime length,
            List<LaidClip> clips) {
        String file =
                switch (schema(media)) {
                    case "ExternalReference" -> fileName(text(media, "target_url"));
                    case "MissingReference", "" ->
                        text(media, "name").isEmpty() ? text(clip, "name") : text(media, "name");
                    default -> "";
                };
        if (file.isEmpty()) {
            troubles.add("Clip “" + text(clip, "name") + "” of “" + track + "” names no media.");
            return;
        }
        if (offset < 0) {
            troubles.add(
                    "Clip “" + text(clip, "name") + "” of “" + track + "” starts before its media; it starts with it.");
        }
        if (!clip.path("effects").isEmpty()) {
            troubles.add("Effects of clip “" + text(clip, "name") + "” are left out.");
        }
        double rate = length.rate();
        JsonNode ours = clip.path("metadata").path(OtioWriter.OURS);
        clips.add(new LaidClip(
                file,
                WrittenTime.ticks(at * rate, rate),
                WrittenTime.ticks(Math.max(0, offset) * source.rate(), source.rate()),
                length,
                null,
                ours.path("gainDb").asDouble(0),
                WrittenTime.ticks(ours.path("fadeIn").asLong(0), rate),
                WrittenTime.ticks(ours.path("fadeOut").asLong(0), rate),
                Fade.Curve.called(text(ours, "fadeInCurve")).orElse(Fade.Curve.STRAIGHT),
                Fade.Curve.called(text(ours, "fadeOutCurve")).orElse(Fade.Curve.STRAIGHT),
                !clip.path("enabled").asBoolean(true),
                ours.path("inverted").asBoolean(false),
                ""));
    }

    /** Clip.1 has one reference; Clip.2 several, of which one is active. */
    private static JsonNode media(JsonNode clip) {
        JsonNode several = clip.path("media_references");
        if (several.isObject()) {
            String active = text(clip, "active_media_reference_key");
            return several.path(active.isEmpty() ? "DEFAULT_MEDIA" : active);
        }
        return clip.path("media_reference");
    }

    private static String fileName(String url) {
        String plain = url.startsWith("file:") || url.contains("%") ? decoded(url) : url;
        String path = plain.replace('\\', '/');
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String decoded(String url) {
        try {
            return URLDecoder.decode(url.replace("+", "%2B"), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return url;
        }
    }

    private void markers(JsonNode item, double at, double rate) {
        WrittenTime start = time(item.path("source_range").path("start_time"));
        for (JsonNode marker : item.path("markers")) {
            WrittenTime place = time(marker.path("marked_range").path("start_time"));
            if (place == null) {
                troubles.add("Marker “" + text(marker, "name") + "” has no place.");
                continue;
            }
            double seconds = at + secondsOf(place) - (start == null ? 0 : secondsOf(start));
            markers.add(new LaidMarker(
                    text(marker, "name").isEmpty() ? "Mark" : text(marker, "name"),
                    WrittenTime.ticks(Math.max(0, seconds) * rate, rate)));
        }
    }

    private static WrittenTime time(JsonNode node) {
        double rate = node.path("rate").asDouble(0);
        double value = node.path("value").asDouble(Double.NaN);
        return rate > 0 && Double.isFinite(value) && Double.isFinite(rate) ? WrittenTime.ticks(value, rate) : null;
    }

    private static double secondsOf(WrittenTime place) {
        return place.value() / place.rate();
    }

    private static String seconds(WrittenTime place) {
        return String.format(java.util.Locale.ROOT, "%.2f", secondsOf(place));
    }
}
