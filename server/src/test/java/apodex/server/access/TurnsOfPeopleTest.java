package apodex.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.Apodex;
import apodex.server.TestServer.Client;
import apodex.server.accounts.AccountCommand;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whose turn it is, where several people ask at the same time: the promise itself is tested by {@code TurnsTest}. */
class TurnsOfPeopleTest {
    @TempDir
    private Path data;

    @Test
    void whoAsksForOneComesBeforeTheRestOfWhoAsksForManyAndHousesShare() throws Exception {
        try (House house = new House(data)) {
            for (String name : List.of("Ann", "Pat")) {
                Apodex.command(
                        AccountCommand.class,
                        context -> AccountCommand.run(context, List.of("house", name, "pier")),
                        "--apodex.data=" + data);
            }
            Client ann = house.people.get("Ann");
            Client pat = house.people.get("Pat");
            Client cho = house.people.get("Cho"); // of no house in particular
            // what has the machine while the others ask
            String first = ann.run(longOne(ann), "{\"everything\": true}");
            // what is short would else come before it
            Awaitility.await().atMost(Duration.ofMinutes(2)).until(() -> "printing".equals(state(ann, first)));
            List<String> asked = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                asked.add(ann.run(house.handoff, "{\"everything\": true}"));
            }
            String pats = pat.run(house.handoff, "{\"everything\": true}");
            String chos = cho.run(house.handoff, "{\"everything\": true}");
            List<String> waiting = ann.get("/api/queue").json().findValuesAsText("id");
            // all cost the same; two of a house have half a turn each, and Cho a whole one
            assertThat(waiting).startsWith(first).containsAll(asked).contains(pats, chos);
            assertThat(waiting.indexOf(chos)).isLessThan(waiting.indexOf(pats));
            assertThat(waiting.indexOf(pats)).isLessThan(waiting.indexOf(asked.get(2)));
            assertThat(waiting.stream().filter(asked::contains)).containsExactlyElementsOf(asked);
            ann.post("/api/runs/" + first + "/cancel", "");
            ann.await(asked.get(3));
        }
    }

    private static String state(Client client, String run) throws Exception {
        return client.get("/api/runs/" + run).json().get("state").asText();
    }

    private static String longOne(Client ann) throws Exception {
        byte[] file = SoundBytes.mono24(
                new SplittableRandom(1).ints(60 * 48_000L, -400_000, 400_000).toArray());
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int row = 0; row < 12; row++) {
            file[file.length - 1] = (byte) row;
            files.put("Row " + row + ".wav", file.clone());
        }
        return ann.handoff(ann.bringIn("Long", files).json().get("id").asText());
    }
}
