package apodex.server.database;

import apodex.handoff.Brief;
import apodex.session.SessionDocument;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;

/** Turns handoffs that named every file, and plans of one stretch, into those of briefs and sections. */
final class HandoffsByBrief {
    private static final ObjectMapper JSON = SessionDocument.JSON;
    private static final String[] SETTINGS = {
        "depth", "format", "rate", "returns", "dynamics", "leadInBars", "tailSeconds", "notes", "listening", "naming"
    };

    private HandoffsByBrief() {}

    static String handoff(String old) {
        ObjectNode handoff = read(old);
        if (handoff.has("brief")) {
            return old;
        }
        ObjectNode made = JSON.createObjectNode();
        made.set("name", handoff.get("name"));
        boolean byHand = handoff.path("chosen").isArray();
        made.set("brief", JSON.valueToTree(byHand ? Brief.BY_HAND : Brief.FOR_MIXING));
        ObjectNode settings = made.putObject("settings");
        for (String name : SETTINGS) {
            if (handoff.hasNonNull(name)) {
                settings.set(name, handoff.get(name));
            }
        }
        if (byHand) {
            made.set("added", handoff.get("chosen"));
        }
        if (handoff.hasNonNull("range")) {
            made.putArray("sections").addObject().put("name", "").set("stretch", handoff.get("range"));
        }
        ObjectNode rows = made.putObject("byRow");
        handoff.path("sides").fields().forEachRemaining(each -> row(rows, each.getKey())
                .set("sides", each.getValue()));
        handoff.path("trimsDb").fields().forEachRemaining(each -> row(rows, each.getKey())
                .set("trimDb", each.getValue()));
        return made.toString();
    }

    private static ObjectNode row(ObjectNode rows, String id) {
        return rows.has(id) ? (ObjectNode) rows.get(id) : rows.putObject(id);
    }

    static String plan(String old) {
        ObjectNode plan = read(old);
        if (plan.has("sections")) {
            return old;
        }
        ObjectNode section =
                plan.putArray("sections").addObject().put("name", "").put("folder", "");
        section.set("passage", plan.remove("passage"));
        section.set("frames", plan.remove("frames"));
        section.set("startReference", plan.remove("startReference"));
        for (JsonNode print : plan.path("prints")) {
            ((ObjectNode) print).set("source", print.get("row"));
            ((ObjectNode) print).put("section", 0);
        }
        for (JsonNode row : plan.path("rows")) {
            ((ObjectNode) row).put("trimDb", 0.0);
        }
        String mp3 = plan.path("listening").asText("");
        ArrayNode listening = plan.putArray("listening");
        listening.add(mp3.isEmpty() ? "" : "Reference/" + mp3);
        plan.put("sheet", "").put("document", false);
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
