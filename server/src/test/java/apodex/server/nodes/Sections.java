package apodex.server.nodes;

import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;

/** A handoff of a session in sections that follow each other. */
final class Sections {
    private Sections() {}

    /** @param ends bars at which they end; the first begins with the first bar */
    static String of(Client client, String session, int... ends) throws Exception {
        String handoff = client.handoff(session);
        ObjectNode asked =
                (ObjectNode) client.get("/api/handoffs/" + handoff).json().get("handoff");
        StringBuilder sections = new StringBuilder();
        int from = 1;
        for (int end : ends) {
            sections.append(sections.isEmpty() ? "[" : ",")
                    .append(
                            """
                            {"name": "Until %d", "stretch": {"from": {"unit": "bars", "at": %d},
                             "to": {"unit": "bars", "at": %d}}}"""
                                    .formatted(end, from, end));
            from = end;
        }
        asked.set("sections", new ObjectMapper().readTree(sections + "]"));
        Answer put = client.put("/api/handoffs/" + handoff, "{\"revision\": 1, \"handoff\": " + asked + "}");
        if (put.status() != 200) {
            throw new AssertionError(put.text());
        }
        return handoff;
    }
}
