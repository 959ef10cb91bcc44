package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer;
import com.fasterxml.jackson.databind.JsonNode;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A bad zip from somebody else becomes a clean, aligned, named session, with mouse and keyboard. */
final class IntakeTest {
    private static final int SECOND = 48_000;
    private static final int CUT = 2 * SECOND + 11;

    private Browsing browsing;
    private Page page;
    private TestServer server;

    @BeforeEach
    void open() throws Exception {
        server = TestServer.shared();
        browsing = new Browsing();
        page = browsing.page();
    }

    @AfterEach
    void close() {
        browsing.close();
    }

    /** Notes at random times, of random pitches: as much alike as music is. */
    private static long[] notes(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        long[] out = new long[20 * SECOND];
        for (int at = random.nextInt(SECOND); at < out.length - SECOND; at += random.nextInt(SECOND / 4, SECOND)) {
            double hertz = random.nextDouble(80, 900);
            for (int i = 0; i < SECOND / 3; i++) {
                double value = 0;
                for (int harmonic = 1; harmonic < 12; harmonic++) {
                    value += Math.sin(2 * Math.PI * harmonic * hertz * i / SECOND) / harmonic;
                }
                out[at + i] += Math.round(700_000 * value * Math.exp(-i / 6_000.0) * Math.min(1, i / 50.0));
            }
        }
        return out;
    }

    private static byte[] wave(int channels, long... samples) {
        List<Long> values = new ArrayList<>();
        for (long sample : samples) {
            for (int c = 0; c < channels; c++) {
                values.add(sample);
            }
        }
        return SoundBytes.riff()
                .format(1, channels, SECOND, 24)
                .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, values))
                .wave();
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void aMessyZipBecomesACleanSession() throws Exception {
        long[] voice = notes(1);
        long[] bass = notes(2);
        long[] mix = new long[voice.length];
        Arrays.setAll(mix, i -> voice[i] / 2 + bass[i] / 2);
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("Harbour/03 Ld vox FINAL2.wav", wave(1, Arrays.copyOfRange(voice, CUT, voice.length)));
        files.put("Harbour/01 Bs_DI.wav", wave(2, bass));
        files.put("Harbour/02 Bs_DI copy.wav", wave(2, bass));
        files.put("Harbour/rough mix.wav", wave(2, mix));
        files.put("Harbour/broken.wav", Arrays.copyOf(wave(1, voice), 2_000));
        files.put("Harbour/read me.txt", "The voice is late.".getBytes(StandardCharsets.UTF_8));
        page.navigate(server.client().uri("/").toString());
        page.getByTestId("files").setInputFiles(new FilePayload("Low tide.zip", "application/zip", zip(files)));

        Locator questions = page.getByLabel("Questions", new Page.GetByLabelOptions().setExact(true));
        assertThat(questions).containsText("2 questions");
        assertThat(questions).containsText("In the mix it lies 0:02.000 later, to the sample.");
        assertThat(questions)
                .containsText("“02 Bs_DI copy.wav” is the same sound as “01 Bs_DI.wav”, sample for sample.");
        assertThat(questions).containsText("the file was cut short");

        questions.getByText("says nothing of its place").click();
        Locator chosen = page.getByLabel("The chosen files", new Page.GetByLabelOptions().setExact(true));
        assertThat(chosen).containsText("03 Ld vox FINAL2.wav");
        assertThat(chosen).containsText("The mix has it at 0:02.000, to the sample");
        chosen.getByLabel("Row", new Locator.GetByLabelOptions().setExact(true)).fill("Singer");
        chosen.getByLabel("Row", new Locator.GetByLabelOptions().setExact(true)).press("Enter");
        assertThat(page.getByRole(AriaRole.TABLE)).containsText("Singer");

        button("Does it add up?").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("of the mix");
        page.keyboard().press("Escape");
        assertThat(dialog).hasCount(0);

        button("All that is safe (2)").click();
        assertThat(questions).containsText("No questions");
        page.keyboard().press("Escape");
        page.keyboard().press("Control+z");
        assertThat(questions).containsText("2 questions");
        page.keyboard().press("Control+Shift+z");
        assertThat(questions).containsText("No questions");

        button("Reply to the sender").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("“broken.wav” cannot be used.");
        page.keyboard().press("Escape");

        button("Make the session").click();
        page.waitForURL("**/#/s/*");
        JsonNode session = server.client()
                .get("/api/sessions/" + page.url().replaceAll(".*/s/", ""))
                .json()
                .get("session");
        org.assertj.core.api.Assertions.assertThat(session.at("/song/title").asText())
                .isEqualTo("Low tide");
        List<String> rows = new ArrayList<>();
        session.get("rows").forEach(row -> rows.add(row.get("name").asText()));
        org.assertj.core.api.Assertions.assertThat(rows).containsExactly("Bass DI", "Singer", "Rough Mix", "Mix");
        org.assertj.core.api.Assertions.assertThat(
                        session.at("/rows/1/takes/0/clips/0/position").asLong())
                .isEqualTo(CUT);
    }

    @Test
    void whatIsLeftWaitsOnTheShelfAndCanBeGivenUp() throws Exception {
        page.navigate(server.client().uri("/").toString());
        page.getByTestId("files")
                .setInputFiles(new FilePayload(
                        "Tuba alone.zip", "application/zip", zip(Map.of("Tuba.wav", wave(1, notes(5))))));
        button("Make the session").waitFor();
        page.navigate(server.client().uri("/#/").toString());
        Locator waiting = page.getByLabel("Came in, and no session yet").getByText("Tuba alone");
        waiting.click();
        button("Give up…").click();
        button("Give it up").click();
        page.getByText("Drop recordings, a folder or a zip").waitFor();
        assertThat(waiting).hasCount(0);
    }

    @Test
    void whatComesToAnOpenSessionIsAskedAboutBeforeItIsThere() throws Exception {
        String id = server.client()
                .bringIn("Quay", "Tuba.wav", wave(1, notes(11)))
                .json()
                .get("id")
                .asText();
        page.navigate(server.client().uri("/#/s/" + id).toString());
        page.getByText("+ Add").click();
        page.waitForFileChooser(() -> page.getByText("Recordings or files…").click())
                .setFiles(new FilePayload[] {
                    new FilePayload("Harp.wav", "audio/wav", wave(1, Arrays.copyOf(notes(12), 90_000))),
                    new FilePayload("Oboe.wav", "audio/wav", wave(1, Arrays.copyOf(notes(13), 60_000)))
                });
        page.waitForURL("**/#/intake/*");
        assertThat(page.getByText("For Quay")).isVisible();
        Locator questions = page.getByLabel("Questions", new Page.GetByLabelOptions().setExact(true));
        assertThat(questions).containsText("“Oboe.wav” says nothing of its place");
        questions.getByText("It starts with the others").click();
        button("Add to the session").click();
        page.waitForURL("**/#/s/" + id);
        assertThat(page.getByLabel("Rows").getByRole(AriaRole.LISTITEM)).hasCount(4);
        page.keyboard().press("Control+z");
        assertThat(page.getByLabel("Rows").getByRole(AriaRole.LISTITEM)).hasCount(2);
    }

    @Test
    void dryAndRenderedBecomeOneRowAndAForeignListIsReadAsTold() throws Exception {
        long[] guitar = notes(7);
        long[] amplified = new long[guitar.length];
        Arrays.setAll(amplified, i -> Math.round(1_500_000 * Math.tanh(guitar[i] / 400_000.0)));
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("Quay/Gtr_DI.wav", wave(1, guitar));
        files.put("Quay/Gtr_Amp.wav", wave(1, amplified));
        files.put("Quay/harp_7.wav", wave(1, notes(8)));
        files.put(
                "Quay/schnitt.csv",
                "Spur;Wo;Wie lang;Was\nHarfe;1,5;4;harp_7.wav\nHarfe;12;3,25;harp_7.wav\n"
                        .getBytes(StandardCharsets.UTF_8));
        page.navigate(server.client().uri("/").toString());
        page.getByTestId("files").setInputFiles(new FilePayload("Quay.zip", "application/zip", zip(files)));

        button("Say what it is…").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("harp_7.wav");
        dialog.getByLabel("What “Wo” holds").selectOption("position");
        dialog.getByLabel("What bare numbers of “Wo” count").selectOption("seconds");
        dialog.getByLabel("What “Wie lang” holds").selectOption("length");
        dialog.getByLabel("What bare numbers of “Wie lang” count").selectOption("seconds");
        assertThat(dialog).containsText("2 clips on 1 row");
        assertThat(dialog).containsText("0:12.000");
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Read it so"))
                .click();
        assertThat(dialog).hasCount(0);

        button("One row each, heard as rendered").click();
        Locator questions = page.getByLabel("Questions", new Page.GetByLabelOptions().setExact(true));
        assertThat(questions).containsText("No questions");
        assertThat(page.getByRole(AriaRole.TABLE)).containsText("beside the row");
        button("Make the session").click();
        page.waitForURL("**/#/s/*");
        page.getByText("Guitar", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        assertThat(page.getByText("rendered elsewhere: Gtr_Amp.wav")).isVisible();
        button("Put on a row of its own").click();
        assertThat(page.getByText("Guitar Inserts").first()).isVisible();
        button("Undo").click();
        assertThat(page.getByText("Guitar Inserts")).hasCount(0);

        page.getByLabel("Add an insert").selectOption("+");
        page.getByLabel("Effect", new Page.GetByLabelOptions().setExact(true)).fill("Quayside Valve");
        page.getByLabel("How it was set, in words").fill("drive 4, mix 30 %");
        button("Add to the chain").click();
        assertThat(page.getByText("Quayside Valve – not here")).isVisible();
        JsonNode session = server.client()
                .get("/api/sessions/" + page.url().replaceAll(".*/s/", ""))
                .json()
                .get("session");
        JsonNode guitarRow = session.at("/rows/1");
        org.assertj.core.api.Assertions.assertThat(
                        guitarRow.at("/strip/brought/0/station").asText())
                .isEqualTo("inserts");
        org.assertj.core.api.Assertions.assertThat(
                        guitarRow.at("/strip/inserts/0/said").asText())
                .isEqualTo("drive 4, mix 30 %");
        org.assertj.core.api.Assertions.assertThat(
                        session.at("/rows/0/takes/0/clips/1/position").asLong())
                .isEqualTo(12L * SECOND);
    }
}
