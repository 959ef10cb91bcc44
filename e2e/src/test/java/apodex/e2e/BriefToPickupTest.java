package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.OutsideTools;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;

/** The demo song from a brief to somebody's hands: plan, print, proof, parcel, pickup. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
final class BriefToPickupTest extends InTheBrowser {
    @TempDir
    private static Path folder;

    BriefToPickupTest() {
        super("--apodex.demo=true");
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    @Order(99)
    void aBriefThatSomebodySentLaysOutAPlan() {
        String document =
                "{\"form\":\"apodex-brief\",\"version\":1,\"brief\":{\"name\":\"Pier stems\",\"rows\":\"top\","
                        + "\"stations\":{\"bus\":[\"mix\"],\"mix\":[\"fader\"]},\"settings\":{\"format\":\"flac\"}}}";
        go("/brief/" + Base64.getUrlEncoder().withoutPadding().encodeToString(document.getBytes(UTF_8)));
        assertThat(page.getByText("Pier stems").first()).isVisible();
        page.getByLabel("Who it is for").fill("Quayside Mix Room");
        button("Lay out its plan").click();
        assertThat(page.locator("[data-part=brief]")).hasText("Pier stems");
        assertThat(page.locator("[data-part=format]")).hasText("FLAC");
        go("/brief/cut-off");
        assertThat(page.getByText("No brief here")).isVisible();
    }

    @Test
    @Order(1)
    void aBriefIsCopiedChangedAndUsedAndHandsKeepTheirSay() {
        go("/s/low-tide-waltz/plan");
        page.getByText("Print 29 files").waitFor();
        page.locator("[data-part=brief]").click();
        button("Briefs…").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByText("For mixing").click();
        dialog.getByText("Save as your own").click();
        assertThat(dialog.getByLabel("Name")).hasValue("For mixing, ours");
        dialog.getByLabel("Returns at Fader").check();
        dialog.getByLabel("Sample format").selectOption("int16");
        dialog.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Save").setExact(true))
                .click();
        dialog.getByText("Use for The mixer").click();
        assertThat(page.getByText("Planned again: For mixing, ours. Kept as you set it:"))
                .isVisible();
        assertThat(page.locator("footer")).containsText("31 files");
        assertThat(page.locator("[data-part=depth]")).hasText("16-bit");
        button("Undo").click();
        assertThat(page.getByText("Print 29 files")).isVisible();
    }

    @Test
    @Order(2)
    void theGridIsFilteredStampedByGroupAndPutInOrder() {
        go("/s/low-tide-waltz/plan");
        page.getByText("Print 29 files").waitFor();
        Locator rows = page.getByRole(AriaRole.ROW);
        page.getByLabel("Filter rows").fill("voices bus");
        assertThat(rows).hasCount(2);
        page.getByText("Voices bus").first().click();
        Locator panel = page.getByLabel("Selected row");
        panel.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Mix"))
                .click();
        assertThat(page.getByText("Print 29 files")).isHidden();
        button("Undo").click();
        page.getByLabel("Filter rows").fill("nothing like it");
        button("Show all rows").click();
        Locator second = page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Hand Perc OH at Raw"));
        second.focus();
        page.waitForResponse("**/handoffs/*", () -> second.press("Alt+ArrowUp"));
        assertThat(rows.nth(2)).containsText("Hand Perc OH");
        assertThat(rows.nth(2)).containsText("02");
        button("Undo").click();
        assertThat(rows.nth(2)).containsText("HandPerc_close");
        assertThat(page.locator("footer")).containsText("free");
        assertThat(page.getByText("1 doubling")).isVisible();
    }

    @Test
    @Order(3)
    void groupsWithACountedLeadInAddUpAndAreHeard() {
        go("/s/low-tide-waltz/plan");
        page.getByText("Print 29 files").waitFor();
        page.locator("[data-part=receiver]").click();
        button("New handoff…").click();
        page.getByPlaceholder("The singer").fill("Alternative mixes");
        button("Begin it").click();
        assertThat(page.locator("[data-part=receiver]")).hasText("Alternative mixes");
        Browsing.choose(page, "brief", "Groups");
        assertThat(page.locator("footer")).containsText("files");
        Browsing.choose(page, "click", "first");
        page.waitForResponse("**/handoffs/*", () -> Browsing.leadIn(page, 1));
        page.waitForResponse(
                "**/handoffs/*", () -> page.getByLabel("counted in").check());
        page.keyboard().press("Escape");
        assertThat(page.locator(".sentence"))
                .hasText(Pattern.compile(
                        "Groups ?, to Alternative mixes ?: .*1 bar counted in ?, tail until quiet ?, a click first"));
        page.getByLabel("Version").fill("first go");
        page.locator("footer .button.main").click();
        page.getByLabel("Progress").getByText("See the proof").click(new Locator.ClickOptions().setTimeout(150_000));
        Locator verdicts = page.getByLabel("Verdicts");
        assertThat(verdicts).containsText("Adds up: −1");
        assertThat(verdicts).containsText("Received as sent");
        assertThat(page.getByLabel("Leftover over time")).isVisible();
        button("Listen").click();
        assertThat(button("Stop")).isVisible();
        page.waitForFunction("() => parseFloat(document.querySelector('.bar .mono').textContent.slice(2)) > 0.3");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Reference mix"))
                .click();
        assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Reference mix")))
                .isChecked();
        button("Stop").click();
        page.getByLabel("Hear 00_Click.wav").click();
        assertThat(button("Hear all again")).isVisible();
    }

    @Test
    @Order(4)
    void theParcelGoesOutUnderALinkAndAnAnswerComesBack() throws Exception {
        go("/s/low-tide-waltz/plan");
        Browsing.choose(page, "receiver", "Alternative mixes · Groups");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("6 Parcel"))
                .click();
        Locator panel = page.getByLabel("The parcel");
        assertThat(panel).containsText("Low Tide Waltz_Groups_first go_48k_24bit_96bpm_Gmaj.zip");
        assertThat(page.frameLocator("iframe").locator("body")).containsText("counted in the click’s file");
        panel.getByLabel("Pass phrase").fill("low tide");
        panel.getByLabel("Message").fill("Here it is.");
        panel.getByText("Make a link").click();
        assertThat(panel).containsText("not opened yet");
        String link = panel.locator("a[target=_blank]").first().getAttribute("href");
        try (Page phone = page.context()
                .browser()
                .newPage(new com.microsoft.playwright.Browser.NewPageOptions().setViewportSize(390, 844))) {
            phone.navigate(server.client().uri(link).toString());
            phone.getByLabel("Pass phrase").fill("high tide");
            phone.getByText("Open", new Page.GetByTextOptions().setExact(true)).click();
            assertThat(phone.getByRole(AriaRole.ALERT)).containsText("not the pass phrase");
            phone.getByLabel("Pass phrase").fill("low tide");
            phone.getByText("Open", new Page.GetByTextOptions().setExact(true)).click();
            assertThat(phone.getByText("Here it is.")).isVisible();
            assertThat((Boolean) phone.evaluate("() => document.documentElement.scrollWidth <= 390"))
                    .as("nothing is wider than the phone")
                    .isTrue();
            assertThat(((Number)
                                    phone.evaluate(
                                            """
                                    () => performance.getEntriesByType('resource')
                                      .filter(each => /assets.*(js|css)$/.test(each.name))
                                      .reduce((sum, each) => sum + each.encodedBodySize, 0)"""))
                            .intValue())
                    .as("bytes of script and style that a receiver waits for on a slow line")
                    .isBetween(40_000, 120_000);
            phone.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Hear the mix"))
                    .click();
            phone.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Stop").setExact(true))
                    .click();
            Download download = phone.waitForDownload(
                    () -> phone.getByText("Download everything").click());
            download.saveAs(folder.resolve("parcel.zip"));
            phone.getByText("Something is wrong").click();
            phone.getByLabel("What is wrong, or missing?").fill("Where is the tuba?");
            phone.getByText("Tell them").click();
            assertThat(phone.getByText("now reads what you wrote")).isVisible();
        }
        OutsideTools.run(folder, "unzip", "-q", "parcel.zip", "-d", "parcel");
        OutsideTools.run(folder.resolve("parcel"), "sha256sum", "--strict", "-c", "checksums.sha256");
        List<Path> groups;
        try (var files = Files.list(folder.resolve("parcel/Groups"))) {
            groups = files.toList();
        }
        assertThat(groups).isNotEmpty();
        assertThat(OutsideTools.run(
                                folder.resolve("parcel"),
                                "soxi",
                                "-r",
                                groups.get(0).toString())
                        .trim())
                .isEqualTo("48000");
        page.reload();
        assertThat(panel).containsText("problem: Where is the tuba?");
        assertThat(panel).containsText("fetched 1×");
        panel.getByText("Withdraw").click();
        assertThat(panel).containsText("withdrawn");
        page.navigate(server.client().uri(link).toString());
        assertThat(page.getByText("This link was withdrawn.")).isVisible();
    }

    @Test
    @Order(5)
    void aSecondRunTakesOverWhatDidNotChange() throws Exception {
        go("/s/low-tide-waltz/plan");
        page.getByText("Print 29 files").click();
        page.getByLabel("Progress")
                .getByText("See the proof")
                .waitFor(new Locator.WaitForOptions().setTimeout(150_000));
        int revision = server.client()
                .get("/api/sessions/low-tide-waltz")
                .json()
                .get("revision")
                .asInt();
        server.client()
                .post(
                        "/api/sessions/low-tide-waltz/edits",
                        "{\"revision\": " + revision
                                + ", \"edit\": {\"type\": \"setFader\", \"row\": \"r7\", \"faderDb\": -11.0, \"pan\": 0.0, \"muted\": false, \"soloed\": false}}");
        go("/s/low-tide-waltz/plan");
        page.reload();
        Locator print = page.locator("footer .button.main");
        assertThat(print).containsText(java.util.regex.Pattern.compile("Print \\d changed"));
        print.click();
        page.getByLabel("Progress")
                .getByText("See the proof")
                .waitFor(new Locator.WaitForOptions().setTimeout(150_000));
        assertThat(page.getByText("taken over as they were.")).isVisible();
        assertThat(page.getByText("Since run 1")).isVisible();
        assertThat(page.getByText("as it was").first()).isVisible();
    }
}
