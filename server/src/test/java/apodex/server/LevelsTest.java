package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Client;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Levels of files are known before one is printed, and are those that printing finds. */
final class LevelsTest {
    private final Client client = client();

    private static Client client() {
        try {
            return TestServer.shared().client();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void levelsAreThoseThatPrintingFindsAndAllFilesComeDownTogether() throws Exception {
        int[] tuba = sine(7_000_000);
        String handoff = handoff(tuba, 9, 0);
        JsonNode levels = await(handoff);
        assertThat(levels.get("levels")).hasSize(2);
        double raw = 20 * Math.log10(7_000_000 / 8_388_608.0);
        assertThat(peak(levels, 0)).isCloseTo(raw, within(0.001));
        assertThat(peak(levels, 1))
                .as("past full scale, by how much: 9 dB up, and 3 dB down in the middle")
                .isCloseTo(raw + 9 - 10 * Math.log10(2), within(0.01));
        double down = -Math.ceil(10 * peak(levels, 1)) / 10;
        JsonNode turned = client.post(
                        "/api/handoffs/" + handoff + "/turn",
                        "{\"revision\": " + levels.get("revision").asInt() + ", \"db\": " + down + "}")
                .json();
        assertThat(turned.get("plan").get("prints").findValues("trimDb").stream()
                        .map(JsonNode::asDouble))
                .containsExactly(down, down);
        levels = await(handoff);
        int loudest = IntStream.of(tuba).map(Math::abs).max().orElseThrow();
        int[] first = IntStream.range(0, tuba.length)
                .filter(frame -> Math.abs(tuba[frame]) == loudest)
                .toArray();
        assertThat(levels.get("levels").get(0).get("at").asInt()).isEqualTo(first[0]);
        assertThat(levels.get("exact").get("seconds").get(0).asDouble()).isEqualTo(9_000 / 48_000.0);
        JsonNode run = client.await(client.run(handoff));
        List<Double> printed = new ArrayList<>();
        run.get("files").forEach(file -> printed.add(file.get("peakDbfs").asDouble()));
        for (int i = 0; i < 2; i++) {
            assertThat(peak(levels, i)).isCloseTo(printed.get(i), within(0.001)).isLessThan(0);
        }
        assertThat(levels.get("exact").get("bytes").asLong())
                .isEqualTo(run.get("files").findValues("bytes").stream()
                        .mapToLong(JsonNode::asLong)
                        .sum());
        assertThat(client.get("/api/handoffs/none/levels").status()).isEqualTo(404);
    }

    @Test
    void filesComeIntoTheWindowThatTheBriefAsksFor() throws Exception {
        String handoff = handoff(sine(7_000_000), -60, 0);
        TestServer.Answer asked = client.put(
                "/api/handoffs/" + handoff,
                "{\"handoff\": {\"name\": \"Window\", \"settings\": {\"levels\": \"window\"}}}");
        assertThat(asked.status()).isEqualTo(200);
        JsonNode levels = await(handoff);
        assertThat(peak(levels, 0)).as("too loud").isCloseTo(-6, within(0.011));
        assertThat(peak(levels, 1)).as("too soft").isCloseTo(-24, within(0.011));
        JsonNode run = client.await(client.run(handoff));
        for (int i = 0; i < 2; i++) {
            assertThat(run.get("files").get(i).get("peakDbfs").asDouble()).isCloseTo(peak(levels, i), within(0.001));
        }
        assertThat(run.get("verdicts").findValuesAsText("grade")).doesNotContain("wrong");
        JsonNode after = client.get("/api/handoffs/" + handoff + "/levels").json();
        assertThat(peak(after, 0))
                .as("what was printed turned is not turned twice")
                .isCloseTo(-6, within(0.011));
    }

    @Test
    void whatIsNotPrintedIsLookedAtAfterwards() throws Exception {
        String handoff = handoff(sine(2_000_000), -6, -100);
        JsonNode levels = await(handoff);
        for (int i = 0; i < 400 && levels.get("othersPending").asInt() > 0; i++, Thread.sleep(50)) {
            levels = client.get("/api/handoffs/" + handoff + "/levels").json();
        }
        assertThat(levels.get("levels").findValues("peakDbfs")).hasSize(2);
        assertThat(levels.get("others"))
                .filteredOn(each -> each.get("station").asText().equals("fader"))
                .singleElement()
                .satisfies(fader -> assertThat(fader.get("peakDbfs").asDouble())
                        .isCloseTo(20 * Math.log10(2_000_000 / 8_388_608.0) - 6, within(0.001)));
    }

    @Test
    void whatARunMeasuredIsNotLookedForAgain() throws Exception {
        int[] horn = IntStream.range(0, 9_000).map(i -> 100 * i).toArray();
        String session = client.bringIn("Quiet", "horn.wav", SoundBytes.mono24(horn))
                .json()
                .get("id")
                .asText();
        String handoff = client.handoff(session);
        client.await(client.run(handoff));
        JsonNode levels = client.get("/api/handoffs/" + handoff + "/levels").json();
        assertThat(levels.get("pending").asInt()).isZero();
        assertThat(levels.get("levels").get(0).get("at").asLong()).isEqualTo(8_999);
    }

    private static int[] sine(int amplitude) {
        return IntStream.range(0, 9_000)
                .map(i -> (int) (amplitude * Math.sin(i * 0.05)))
                .toArray();
    }

    /** Of a session with one row, its fader and pan set. */
    private String handoff(int[] tuba, double faderDb, double pan) throws Exception {
        String session = client.bringIn("Tuba alone", "tuba.wav", SoundBytes.mono24(tuba))
                .json()
                .get("id")
                .asText();
        String row = client.get("/api/sessions/" + session)
                .json()
                .get("session")
                .get("rows")
                .get(0)
                .get("id")
                .asText();
        client.post(
                "/api/sessions/" + session + "/edits",
                "{\"revision\": 1, \"edit\": {\"type\": \"setFader\", \"row\": \"" + row + "\", \"faderDb\": " + faderDb
                        + ", \"pan\": " + pan + ", \"muted\": false, \"soloed\": false}}");
        return client.handoff(session);
    }

    private static double peak(JsonNode levels, int file) {
        return levels.get("levels").get(file).get("level").get("peakDbfs").asDouble();
    }

    private JsonNode await(String handoff) throws Exception {
        for (int i = 0; i < 400; i++, Thread.sleep(50)) {
            JsonNode levels = client.get("/api/handoffs/" + handoff + "/levels").json();
            if (levels.get("pending").asInt() == 0) {
                assertThat(levels.get("failure").isNull()).as(levels.toString()).isTrue();
                return levels;
            }
        }
        throw new AssertionError("The levels do not come.");
    }
}
