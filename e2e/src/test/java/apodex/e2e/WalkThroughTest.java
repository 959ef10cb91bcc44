package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.OutsideTools;
import apodex.audio.SoundBytes;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From 40 dropped recordings to the samples in the downloaded parcel, with nothing but the page. */
final class WalkThroughTest extends InTheBrowser {
    private static final int FRAMES = 24_000;
    private static final long FIRST_STAMP = 48_000L * 3_600;

    @TempDir
    private Path folder;

    @Test
    void fortyRecordingsBecomeAParcel() throws Exception {
        page.navigate(server.client().uri("/").toString());
        assertThat(page.getByText("The shelf is empty")).isVisible();

        List<List<Long>> samples = new ArrayList<>();
        page.getByTestId("files").setInputFiles(forty(samples));
        page.waitForURL(
                "**/#/intake/*",
                new Page.WaitForURLOptions().setTimeout(90_000)); // forty uploads take as long as the disk does
        Locator asked = page.getByLabel("Questions", new Page.GetByLabelOptions().setExact(true));
        assertThat(asked.getByText("refused")).hasCount(2);
        assertThat(asked.getByText("It is empty.")).isVisible();
        assertThat(asked.getByText("the file was cut short")).isVisible();
        assertThat(asked.getByText("No questions")).isVisible();
        page.getByText("Make the session").click();

        Locator rows = page.getByLabel("Rows").getByRole(AriaRole.LISTITEM);
        assertThat(rows).hasCount(39);
        renameAndTellFacts(page, rows);
        plan(page);
        Path unpacked = printAndFetch(page);
        check(unpacked, samples);
        comesBack();
    }

    /** The parcel that went out is dropped on the shelf, and is known for what it is. */
    private void comesBack() {
        page.navigate(server.client().uri("/").toString());
        page.getByTestId("files").setInputFiles(folder.resolve("parcel.zip"));
        page.waitForURL("**/#/intake/*", new Page.WaitForURLOptions().setTimeout(90_000));
        Locator asked = page.getByLabel("Questions", new Page.GetByLabelOptions().setExact(true));
        assertThat(asked).containsText("All as it was sent");
        assertThat(asked).containsText("a parcel of “Low Tide Waltz” for");
        assertThat(asked.getByText("No questions")).isVisible();
        page.getByText("Make the session").click();
        Locator rows = page.getByLabel("Rows").getByRole(AriaRole.LISTITEM);
        assertThat(rows).hasCount(4);
        assertThat(rows.nth(0)).containsText("Tuba");
        assertThat(rows.nth(2)).containsText("Reference Mix");
        assertThat(page.locator(".facts")).containsText("3/4 ♩ 96");
    }

    private FilePayload[] forty(List<List<Long>> samples) {
        SplittableRandom random = new SplittableRandom(40);
        FilePayload[] files = new FilePayload[40];
        for (int i = 0; i < 40; i++) {
            List<Long> values = random.longs(FRAMES, -3_000_000 / 40, 3_000_000 / 40)
                    .boxed()
                    .toList();
            samples.add(values);
            byte[] bytes = SoundBytes.riff()
                    .broadcast(FIRST_STAMP + i * 100L, "2026-05-17")
                    .format(1, 1, 48_000, 24)
                    .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, 3, values))
                    .wave();
            byte[] sent = i == 4 ? new byte[0] : i == 9 ? Arrays.copyOf(bytes, 10_000) : bytes;
            files[i] = new FilePayload(String.format("Take %02d.wav", i), "audio/wav", sent);
        }
        return files;
    }

    private void renameAndTellFacts(Page page, Locator rows) {
        rows.nth(0).locator("button.name").dblclick();
        Locator field = page.getByLabel("Name of row 1", new Page.GetByLabelOptions().setExact(true));
        field.fill("Tuba: close?");
        field.press("Enter");
        assertThat(rows.nth(0)).containsText("Tuba: close?");
        field(page, "Title").fill("Low Tide Waltz");
        field(page, "Artist").fill("Salt Harbour Players");
        field(page, "Tempo").fill("2000");
        field(page, "Meter").fill("3/4");
        field(page, "Key").fill("g major");
        page.getByText("Keep").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("10 to 999");
        field(page, "Tempo").fill("96");
        page.getByText("Keep").click();
        assertThat(page.locator(".facts")).containsText("3/4 ♩ 96");
        page.reload();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(field(page, "Key")).hasValue("");
        page.keyboard().press("Control+z");
        assertThat(rows.nth(0)).containsText("Take 00");
        page.reload();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Redo"))
                .click();
        assertThat(rows.nth(0)).containsText("Tuba: close?");
        page.keyboard().press("Control+Shift+Z");
        assertThat(field(page, "Key")).hasValue("G major");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Redo")))
                .isDisabled();
    }

    private static Locator field(Page page, String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    private void plan(Page page) {
        page.getByText("Plan").click();
        assertThat(page.getByText("Print 39 files")).isVisible();
        assertThat(page.locator("footer")).containsText("38 mono · 1 stereo");
        Locator raw = page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Raw clips only"));
        raw.click();
        assertThat(page.getByText("Print 1 file")).isVisible();
        // A drag over three rows stamps all of them.
        Locator cells = page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("at Raw"));
        cells.nth(0).hover();
        page.mouse().down();
        cells.nth(1).hover();
        cells.nth(2).hover();
        page.mouse().up();
        assertThat(page.getByText("Print 4 files")).isVisible();
        // The keyboard takes one of them away again, and another one in.
        cells.nth(2).press("Enter");
        assertThat(page.getByText("Print 3 files")).isVisible();
        cells.nth(2).press("ArrowDown");
        page.keyboard().press("Enter");
        assertThat(cells.nth(3)).isChecked();
        assertThat(page.getByText("Print 4 files")).isVisible();
        assertThat(page.getByLabel("Selected row")).containsText("04_Take 03.wav");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(page.getByText("Print 3 files")).isVisible();
        Browsing.choose(page, "depth", "32-bit float");
        page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText("Tuba: close?"))
                .getByText("Tuba: close?")
                .click();
        assertThat(page.getByLabel("Selected row")).containsText("01_Tuba- close-.wav");
        assertThat(page.locator("footer")).containsText("450 kB");
    }

    private Path printAndFetch(Page page) throws Exception {
        page.getByText("Print 3 files").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("3 files printed")))
                .isVisible();
        page.getByLabel("Progress").getByText("See the proof").click();
        Locator verdicts = page.getByLabel("Verdicts").getByRole(AriaRole.LISTITEM);
        assertThat(verdicts).containsText(new String[] {
            "All start together", "All in place", "All one length", "All 48 kHz 32-bit float", "Received as sent"
        });
        assertThat(page.getByLabel("Selected file"))
                .containsText("27 900 samples".replace(' ', '\u202f').replace("\u202fsamples", " samples"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("6 Parcel"))
                .click();
        assertThat(page.frameLocator("iframe").locator("body")).containsText("96 quarter notes a minute");
        Download download =
                page.waitForDownload(() -> page.getByText("Download the parcel").click());
        assertThat(download.suggestedFilename())
                .isEqualTo("Low Tide Waltz_For mixing_v1_48k_32bitfloat_96bpm_Gmaj.zip");
        download.saveAs(folder.resolve("parcel.zip"));
        OutsideTools.run(folder, "unzip", "-q", "parcel.zip", "-d", "parcel");
        Path unpacked = folder.resolve("parcel");
        OutsideTools.run(unpacked, "sha256sum", "-c", "checksums.sha256");
        return unpacked;
    }

    /** Every sample of a Raw file, and of the mix, computed here from what was dropped. */
    private static void check(Path unpacked, List<List<Long>> dropped) throws Exception {
        int frames = 39 * 100 + FRAMES;
        double[] mix = new double[frames];
        for (int take = 0; take < 40; take++) {
            for (int i = 0; take != 4 && take != 9 && i < FRAMES; i++) {
                mix[take * 100 + i] +=
                        Math.sqrt(0.5) * dropped.get(take).get(i) / 8_388_608.0; // the pan law at the centre
            }
        }
        double[] first = new double[frames];
        for (int i = 0; i < FRAMES; i++) {
            first[100 + i] = dropped.get(1).get(i) / 8_388_608.0;
        }
        assertThat(samples(unpacked.resolve("Tracks"), "02_Take 01.wav", 1, frames))
                .isEqualTo(first);
        for (int side = 1; side <= 2; side++) {
            assertThat(samples(unpacked.resolve("Reference"), "00_Reference Mix.wav", side, frames))
                    .usingComparatorWithPrecision(1e-6)
                    .containsExactly(mix);
        }
        assertThat(Files.list(unpacked.resolve("Tracks"))
                        .map(path -> path.getFileName().toString()))
                .containsExactlyInAnyOrder("01_Tuba- close-.wav", "02_Take 01.wav");
    }

    /** One side, decoded by sox, which knows nothing of us. */
    private static double[] samples(Path folder, String file, int side, int frames) throws Exception {
        Path raw = folder.resolveSibling("samples.raw");
        OutsideTools.run(folder, "sox", file, "-t", "f64", "-L", raw.toString(), "remix", String.valueOf(side));
        double[] samples = new double[frames];
        java.nio.ByteBuffer.wrap(Files.readAllBytes(raw))
                .order(ByteOrder.LITTLE_ENDIAN)
                .asDoubleBuffer()
                .get(samples);
        assertThat(Files.size(raw)).isEqualTo(8L * frames);
        Files.delete(raw);
        return samples;
    }
}
