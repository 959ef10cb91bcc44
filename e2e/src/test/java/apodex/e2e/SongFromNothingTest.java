package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import apodex.audio.OutsideTools;
import apodex.audio.SoundBytes;
import com.fasterxml.jackson.databind.JsonNode;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A small song made from nothing with the page alone; the printed samples obey. */
final class SongFromNothingTest extends InTheBrowser {
    private static final int SECOND = 48_000;
    private static final int RULER = 62;
    private static final int ROW = 37;

    @TempDir
    private Path folder;

    private String id;

    /** Whole numbers of 24 bits that come and go gently, so that nothing needs putting right but what the test does. */
    private static long[] tone(int frames, double amplitude, double hertz) {
        long[] samples = new long[frames];
        for (int i = 0; i < frames; i++) {
            double gentle = Math.min(1, Math.min(i, frames - 1 - i) / 2_400.0);
            samples[i] = Math.round(8_388_608 * amplitude * gentle * Math.sin(2 * Math.PI * hertz * i / SECOND));
        }
        return samples;
    }

    private static FilePayload file(String name, long[] samples) {
        List<Long> values = new ArrayList<>();
        for (long sample : samples) {
            values.add(sample);
        }
        return new FilePayload(
                name,
                "audio/wav",
                SoundBytes.riff()
                        .format(1, 1, SECOND, 24)
                        .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, values))
                        .wave());
    }

    private final long[] tuba = tone(2 * SECOND, 0.3, 110);
    private final long[] harp = tone(2 * SECOND, 0.25, 330);
    private final long[] voice = tone(2 * SECOND, 0.2, 550);
    private final long[] better = tone(2 * SECOND, 0.22, 660);

    private String bus;

    @Test
    void aSmallSongIsBuiltPreparedAndPrinted() throws Exception {
        page.navigate(server.client().uri("/").toString());
        page.getByTestId("files")
                .setInputFiles(
                        new FilePayload[] {file("Tuba.wav", tuba), file("Harp.wav", harp), file("Voice.wav", voice)});
        page.getByText("Make the session").click();
        page.waitForURL("**/#/s/*");
        id = page.url().replaceAll(".*/s/", "");
        facts();
        moveAClip();
        makeABus();
        addAnInsert();
        drawAMove();
        chooseATake();
        prepare();
        Path unpacked = printAndFetch();
        obeys(unpacked);
    }

    private JsonNode session() throws Exception {
        return server.client().get("/api/sessions/" + id).json().get("session");
    }

    private void facts() {
        page.getByLabel("Tempo", new Page.GetByLabelOptions().setExact(true)).fill("120");
        page.getByLabel("Meter", new Page.GetByLabelOptions().setExact(true)).fill("4/4");
        page.getByLabel("Key", new Page.GetByLabelOptions().setExact(true)).fill("C major");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Keep").setExact(true))
                .click();
        assertThat(page.locator(".facts")).containsText("4/4 ♩ 120");
    }

    /** From bar 1 to its third beat: a second later at 120. Row by row, by the mouse. */
    private void moveAClip() throws Exception {
        BoundingBox box = page.getByLabel("Timeline").locator("canvas").boundingBox();
        double perSecond = (box.width - 16) / 4;
        for (int row = 0; row < 3; row++) {
            double y = box.y + RULER + row * ROW + 20;
            page.mouse().move(box.x + 0.8 * perSecond, y);
            page.mouse().down();
            page.mouse().move(box.x + 1.4 * perSecond, y, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
            page.waitForResponse("**/edits", () -> {
                page.mouse()
                        .move(
                                box.x + 1.77 * perSecond,
                                y,
                                new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
                page.mouse().up();
            });
        }
        for (int row = 0; row < 3; row++) {
            assertThat(session()
                            .get("rows")
                            .get(row)
                            .get("takes")
                            .get(0)
                            .get("clips")
                            .get(0)
                            .get("position")
                            .asLong())
                    .as("snapped to a beat")
                    .isEqualTo(SECOND);
        }
        page.waitForResponse("**/undo", () -> page.keyboard().press("Control+z"));
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Redo")))
                .isEnabled();
        page.waitForResponse("**/redo", () -> page.keyboard().press("Control+Shift+Z"));
    }

    private void makeABus() throws Exception {
        page.locator("button[data-row=r1]").click();
        page.locator("button[data-row=r2]")
                .click(new Locator.ClickOptions()
                        .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.CONTROL)));
        page.getByText("+ Add").click();
        page.waitForResponse(
                "**/edits", () -> page.getByText("Bus for 2 chosen rows").click());
        assertThat(session().get("rows").findValuesAsText("name").get(0)).isEqualTo("New bus");
        bus = session().get("rows").get(0).get("id").asText();
        assertThat(session()
                        .get("rows")
                        .get(1)
                        .get("strip")
                        .get("outputs")
                        .get(0)
                        .asText())
                .isEqualTo(bus);
        page.locator("button[data-row=" + bus + "]").press("Enter");
        page.getByLabel("Name of row 1", new Page.GetByLabelOptions().setExact(true))
                .fill("Band");
        page.waitForResponse("**/edits", () -> page.keyboard().press("Enter"));
    }

    private void addAnInsert() throws Exception {
        page.locator("button[data-row=" + bus + "]").click();
        page.waitForResponse("**/edits", () -> page.getByLabel("Add an insert").selectOption("gain"));
        Locator side = page.getByLabel("Selected row and song");
        Locator gain = side.locator(".settings label")
                .filter(new Locator.FilterOptions().setHasText("Gain"))
                .getByRole(AriaRole.TEXTBOX);
        gain.fill("−6,0");
        page.waitForResponse("**/edits", () -> gain.press("Enter"));
        JsonNode insert =
                session().get("rows").get(0).get("strip").get("inserts").get(0);
        assertThat(insert.get("effect").asText()).isEqualTo("gain");
        assertThat(insert.get("settings").elements().next().asDouble()).isEqualTo(-6);
    }

    /** One point of the voice's fader: it stays there all through the song. */
    private void drawAMove() throws Exception {
        page.locator("button[data-row=r3]").click();
        Locator lane = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Fader moves"));
        lane.scrollIntoViewIfNeeded();
        BoundingBox box = lane.boundingBox();
        page.waitForResponse("**/edits", () -> page.mouse().click(box.x + box.width / 2, box.y + box.height / 2));
        assertThat(session().get("rows").get(3).get("strip").get("faderMoves")).hasSize(1);
        assertThat(lane.getByRole(AriaRole.BUTTON)).hasCount(1);
    }

    private void chooseATake() throws Exception {
        page.getByText("+ Add").click();
        com.microsoft.playwright.FileChooser chooser = page.waitForFileChooser(
                () -> page.getByText("New take of “Voice”…").click());
        page.waitForResponse("**/files/arrived", () -> chooser.setFiles(file("Voice again.wav", better)));
        Locator takes = page.getByLabel("Selected row and song");
        assertThat(takes.getByLabel("Take 2", new Locator.GetByLabelOptions().setExact(true)))
                .isChecked();
        page.waitForResponse(
                "**/edits", () -> takes.getByLabel("Take 1", new Locator.GetByLabelOptions().setExact(true))
                        .check());
        page.waitForResponse(
                "**/edits", () -> takes.getByLabel("Take 2", new Locator.GetByLabelOptions().setExact(true))
                        .check());
        assertThat(session().get("rows").get(3).get("active").asText()).isEqualTo("t2");
    }

    private void prepare() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("2 Prepare"))
                .click();
        Locator findings = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Findings"));
        Locator open = findings.locator(".list button:not(.left)");
        assertThat(open.first()).isVisible();
        page.waitForFunction("() => fetch('/api/sessions/" + id
                + "/findings').then(answer => answer.json()).then(report => report.unmeasured === 0)");
        assertThat(findings.locator("progress")).hasCount(0);
        for (int left = open.count(); left > 0; left = open.count()) {
            open.first().click();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Leave it").setExact(true))
                    .click();
            assertThat(open).hasCount(left - 1);
        }
        assertThat(page.getByText("This session is ready.")).isVisible();
    }

    private Path printAndFetch() throws Exception {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("3 Plan"))
                .click();
        Browsing.choose(page, "depth", "32-bit float");
        assertThat(page.getByText("Print 4 files")).isVisible();
        page.getByText("Print 4 files").click();
        page.getByLabel("Progress").getByText("See the proof").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("6 Parcel"))
                .click();
        Download download =
                page.waitForDownload(() -> page.getByText("Download the parcel").click());
        download.saveAs(folder.resolve("parcel.zip"));
        OutsideTools.run(folder, "unzip", "-q", "parcel.zip", "-d", "parcel");
        return folder.resolve("parcel");
    }

    private void obeys(Path unpacked) throws Exception {
        double db = session()
                .get("rows")
                .get(3)
                .get("strip")
                .get("faderMoves")
                .get(0)
                .get("value")
                .asDouble();
        double[] raw = samples(unpacked.resolve("Tracks/02_Tuba.wav"));
        double[] sung = samples(unpacked.resolve("Tracks/04_Voice.wav"));
        double[] mix = samples(unpacked.resolve("Reference/00_Reference Mix.wav"));
        double centre = Math.sqrt(0.5);
        for (int i = 0; i < 3 * SECOND; i++) {
            int in = i - SECOND;
            double t = in < 0 ? 0 : tuba[in] / 8_388_608.0;
            double h = in < 0 ? 0 : harp[in] / 8_388_608.0;
            // the new take came in at the mark, which stood at the start
            double v = i < better.length ? better[i] / 8_388_608.0 : 0;
            assertThat(raw[i]).isEqualTo(t, within(1e-7));
            assertThat(sung[i]).isEqualTo(v, within(1e-7));
            assertThat(mix[i])
                    .isEqualTo(centre * (Math.pow(10, -6 / 20.0) * (t + h) + Math.pow(10, db / 20) * v), within(1e-6));
        }
    }

    /** The first channel, decoded by sox, which knows nothing of us. */
    private static double[] samples(Path file) throws Exception {
        Path raw = file.resolveSibling("samples.raw");
        OutsideTools.run(
                file.getParent(),
                "sox",
                file.getFileName().toString(),
                "-t",
                "f64",
                "-L",
                raw.toString(),
                "remix",
                "1");
        double[] samples = new double[(int) (Files.size(raw) / 8)];
        ByteBuffer.wrap(Files.readAllBytes(raw))
                .order(ByteOrder.LITTLE_ENDIAN)
                .asDoubleBuffer()
                .get(samples);
        Files.delete(raw);
        return samples;
    }
}
