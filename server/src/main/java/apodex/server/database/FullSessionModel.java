package apodex.server.database;

import apodex.session.PanLaw;
import apodex.session.SessionDocument;
import apodex.session.Strip;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;

/**
 * Brings documents of the first version, in which a row had clips and nothing else, to the full model: clips become the
 * one take of their row, every row goes straight to the mix at unity. The pan law becomes 0 dB at the centre, with which
 * the mix sounds as it did.
 */
final class FullSessionModel {
    private static final ObjectMapper JSON = SessionDocument.JSON;

    private FullSessionModel() {}

    static String session(String old) {
        ObjectNode session = read(old);
        session.set("panLaw", JSON.valueToTree(PanLaw.ZERO));
        for (JsonNode each : session.withArray("rows")) {
            ObjectNode row = (ObjectNode) each;
            if (row.path("type").asText().equals("audio") && row.has("clips")) {
                ArrayNode clips = (ArrayNode) row.remove("clips");
                clips.forEach(clip -> fades((ObjectNode) clip));
                ObjectNode take = JSON.createObjectNode().put("id", "t1").put("name", "Take 1");
                take.set("clips", clips);
                row.set("takes", JSON.createArrayNode().add(take));
                row.put("active", "t1");
                row.set("strip", JSON.valueToTree(Strip.PLAIN));
            }
        }
        return session.toString();
    }

    private static void fades(ObjectNode clip) {
        for (String fade : new String[] {"fadeIn", "fadeOut"}) {
            JsonNode frames = clip.remove(fade + "Frames");
            clip.set(
                    fade, JSON.createObjectNode().put("frames", frames.asLong()).put("curve", "straight"));
        }
        clip.put("muted", false);
    }

    static String plan(String old) {
        ObjectNode plan = read(old);
        plan.withArray("prints").forEach(print -> ((ObjectNode) print).put("trimDb", 0.0));
        plan.withArray("rows").forEach(row -> {
            ((ObjectNode) row).put("kind", row.path("image").isNull() ? "mix" : "audio");
            ((ObjectNode) row).set("unknown", JSON.createArrayNode());
        });
        plan.set("notes", JSON.createArrayNode());
        plan.put("listening", "").put("format", "wav").put("ringsOut", 0.0);
        plan.putObject("sharing").put("returns", "ownFiles").put("dynamics", "inPlace");
        ObjectNode passage = plan.putObject("passage").put("leadInFrames", 0);
        passage.putObject("range")
                .put("start", 0)
                .put("end", plan.path("frames").asLong());
        passage.putObject("tail").put("seconds", 0.0);
        return plan.toString();
    }

    private static ObjectNode read(String json) {
        try {
            return (ObjectNode) JSON.readTree(json);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A stored document is no JSON.", e);
        }
    }
}
