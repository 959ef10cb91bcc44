package apodex.server.access;

import apodex.audio.SoundBytes;
import apodex.server.Apodex;
import apodex.server.TestServer;
import apodex.server.TestServer.Answer;
import apodex.server.TestServer.Client;
import apodex.server.accounts.AccountCommand;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A server that people sign in to: Ann owns a session, Lee may listen to it, Pat print, Cho change; Odd is none of it. */
final class House implements AutoCloseable {
    static final String PHRASE = "six herrings in a barrel";

    final TestServer server;
    final Client stranger;
    final Map<String, Client> people = new LinkedHashMap<>();
    final String session;
    final String sha256;
    final String handoff;
    final String run;
    final String pickup;
    final String token;
    final String intake;
    final String brief;
    final String shared;

    House(Path data, String... more) throws Exception {
        String[] settings = with(more, "--apodex.accounts=true");
        List<String> names = List.of("Ann", "Lee", "Pat", "Cho", "Odd");
        Map<String, String> welcome = new LinkedHashMap<>();
        for (String name : names) {
            String said = Apodex.command(
                    AccountCommand.class,
                    context -> AccountCommand.run(context, List.of("add", name)),
                    "--apodex.data=" + data);
            welcome.put(name, said.substring(said.lastIndexOf('/') + 1));
        }
        server = TestServer.start(data, settings);
        stranger = server.client();
        stranger.get("/api/me");
        for (String name : names) {
            Client client = stranger.another();
            client.get("/api/me");
            Answer settled = client.post("/api/welcome/" + welcome.get(name), "{\"passPhrase\": \"" + PHRASE + "\"}");
            if (settled.status() != 200) {
                throw new AssertionError(settled.text());
            }
            people.put(name, client);
        }
        Client ann = people.get("Ann");
        session = ann.bringIn("Low Tide Waltz", "Tuba.wav", SoundBytes.mono24(1, 200, 3000, -4000))
                .json()
                .get("id")
                .asText();
        sha256 = ann.get("/api/sessions/" + session)
                .json()
                .at("/session/recordings/0/sha256")
                .asText();
        handoff = ann.handoff(session);
        run = ann.run(handoff);
        ann.await(run);
        JsonNode link =
                ann.post("/api/runs/" + run + "/pickups", "{\"days\": 3}").json();
        pickup = link.get("id").asText();
        token = link.get("path").asText().substring("/p/".length());
        intake = ann.post("/api/intakes", "{\"uploads\": [\"" + arrived(ann, "Bass.wav") + "\"]}")
                .json()
                .get("id")
                .asText();
        brief = newBrief(ann, "Ann's");
        shared = newBrief(ann, "The house's");
        ann.put("/api/briefs/" + shared + "/shared", "{\"shared\": true}");
        letIn("Lee", "listen");
        letIn("Pat", "print");
        letIn("Cho", "change");
    }

    private static String[] with(String[] more, String another) {
        String[] all = java.util.Arrays.copyOf(more, more.length + 1);
        all[more.length] = another;
        return all;
    }

    private String newBrief(Client client, String name) throws Exception {
        com.fasterxml.jackson.databind.node.ObjectNode brief = (com.fasterxml.jackson.databind.node.ObjectNode)
                client.get("/api/briefs").json().get(0).get("brief");
        return client.post("/api/briefs", brief.put("name", name).toString())
                .json()
                .get("id")
                .asText();
    }

    void letIn(String name, String may) throws Exception {
        String path = people.get("Ann")
                .post("/api/sessions/" + session + "/invitations", "{\"may\": \"" + may + "\", \"days\": 3}")
                .json()
                .get("path")
                .asText();
        Answer joined = people.get(name).post("/api/invitations/" + path.substring(path.lastIndexOf('/') + 1), "{}");
        if (joined.status() != 200) {
            throw new AssertionError(joined.text());
        }
    }

    /** A file of somebody that has arrived whole; its id. */
    static String arrived(Client client, String name) throws Exception {
        return client.arrive("", name, SoundBytes.mono24(5, 600, 70, 8));
    }

    @Override
    public void close() {
        server.close();
    }
}
