package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.sun.net.httpserver.HttpServer;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Views with the demo song: empty and error states, keys, zoom, night, two windows, cancelling. */
final class ViewsTest extends InTheBrowser {
    ViewsTest() {
        super("--apodex.demo=true");
    }

    @Test
    void theDemoSongStandsOnTheShelf() {
        go("/");
        Locator card = page.getByRole(AriaRole.LINK).filter(new Locator.FilterOptions().setHasText("Low Tide Waltz"));
        assertThat(card).containsText("Salt Harbour Players");
        assertThat(card).containsText("1:14.4");
        card.click();
        assertThat(page.locator("h1")).hasText("Low Tide Waltz");
    }

    @Test
    void aDropThatCannotBeUsedSaysWhyAndKeepsNothing() {
        go("/");
        Locator shelf = page.getByRole(AriaRole.LINK).filter(new Locator.FilterOptions().setHasText("kHz"));
        shelf.first().waitFor();
        int before = shelf.count();
        page.getByTestId("files").setInputFiles(new FilePayload("letter.wav", "audio/wav", "Dear mixer".getBytes()));
        assertThat(page.getByLabel("Arriving files"))
                .containsText("“letter.wav” cannot be used. It is too short to be a sound file.");
        assertThat(shelf).hasCount(before);
    }

    @Test
    void filesDroppedAnywhereOnThePageComeIn() {
        go("/");
        page.getByText("Drop recordings, a folder or a zip").waitFor();
        page.evaluate(
                """
                () => {
                  const transfer = new DataTransfer();
                  transfer.items.add(new File([new Uint8Array(0)], 'nothing.wav'));
                  document.querySelector('section').dispatchEvent(new DragEvent('drop', {dataTransfer: transfer, bubbles: true, cancelable: true}));
                }""");
        assertThat(page.getByLabel("Arriving files")).containsText("“nothing.wav” cannot be used. It is empty.");
    }

    @Test
    void aPageOfAnotherSiteCannotMakeUsDoAnything() throws Exception {
        String ours = server.client().uri("").toString();
        String session = server.client()
                .bringIn("Ours", "a.wav", apodex.audio.SoundBytes.mono24(5, 6, 7))
                .json()
                .get("id")
                .asText();
        int before = server.client().get("/api/sessions").json().get("sessions").size();
        HttpServer theirs = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        theirs.createContext("/", exchange -> {
            byte[] html = "<title>theirs</title>".getBytes(StandardCharsets.UTF_8);
            exchange.sendResponseHeaders(200, html.length);
            exchange.getResponseBody().write(html);
            exchange.close();
        });
        theirs.start();
        try {
            page.navigate("http://127.0.0.1:" + theirs.getAddress().getPort() + "/");
            page.evaluate(
                    """
                    async ([ours, session]) => {
                      const form = new FormData();
                      form.append('file', new File([new Uint8Array(2000)], 'planted.wav'));
                      const send = (path, body) => fetch(ours + path, {method: 'POST', mode: 'no-cors', body}).catch(() => 0);
                      await send('/api/sessions/import', form);
                      await send(`/api/sessions/${session}/handoffs`, '{"name": "theirs"}');
                      await send(`/api/sessions/${session}/edits`, '{"revision": 1, "edit": {"type": "renameRow", "row": "r1", "name": "theirs"}}');
                      const image = new Image();
                      await new Promise(done => { image.onload = image.onerror = done; image.src = ours + '/icon.svg'; });
                      if (image.width) throw new Error('even our pictures are ours');
                    }""",
                    List.of(ours, session));
        } finally {
            theirs.stop(0);
        }
        assertThat(server.client().get("/api/sessions").json().get("sessions").size())
                .isEqualTo(before);
        assertThat(server.client()
                        .get("/api/sessions/" + session)
                        .json()
                        .get("revision")
                        .asInt())
                .isEqualTo(1);
        assertThat(server.client().get("/api/sessions/" + session + "/handoffs").json())
                .isEmpty();
    }

    @Test
    void whatIsNotThereIsSaidInAllViews() {
        for (String view : new String[] {"", "/prepare", "/plan", "/print", "/proof", "/parcel"}) {
            go("/s/none" + view);
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("There is no session “none”.");
        }
    }

    @Test
    void everyStepBeforeItsTimePointsToThePlan() throws Exception {
        String id = server.client()
                .bringIn("Young", "a.wav", apodex.audio.SoundBytes.mono24(1, 2, 3))
                .json()
                .get("id")
                .asText();
        for (String[] view : new String[][] {
            {"/print", "Nothing printed yet"}, {"/proof", "Nothing to prove yet"}, {"/parcel", "No parcel yet"}
        }) {
            go("/s/" + id + view[0]);
            assertThat(page.getByText(view[1])).isVisible();
            assertThat(page.getByText("Go to the plan")).isVisible();
        }
    }

    @Test
    void theTimelineDrawsZoomsAndTellsPlaces() {
        go("/s/low-tide-waltz");
        Locator canvas = page.getByLabel("Timeline").locator("canvas");
        canvas.waitFor();
        page.waitForFunction(
                "() => { const c = document.querySelector('.scroller canvas'); const d = c.getContext('2d').getImageData(0, 60, c.width, 300).data;"
                        + " let dark = 0; for (let i = 0; i < d.length; i += 4) if (d[i + 3] > 200 && d[i] < 60) dark++; return dark > 2000; }");
        canvas.hover(new Locator.HoverOptions().setPosition(300, 200));
        assertThat(page.locator(".where")).containsText("bar ");
        Locator whole = page.getByText("Whole song");
        assertThat(whole).isDisabled();
        page.keyboard().press("+");
        assertThat(whole).isEnabled();
        double zoomed = ((Number) page.evaluate("() => document.querySelector('.scroller').scrollWidth")).doubleValue();
        assertThat(zoomed).isGreaterThan(1_200);
        whole.click();
        assertThat(whole).isDisabled();
    }

    @Test
    void rowsAreRenamedFromTheKeyboardAndAnEscapeLeavesThem() {
        go("/s/low-tide-waltz");
        Locator rows = page.getByLabel("Rows").locator("button.name");
        rows.nth(0).focus();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        assertThat(rows.nth(2)).isFocused();
        assertThat(page.getByLabel("Selected row and song")).containsText("Hand Perc OH");
        page.keyboard().press("Enter");
        page.keyboard().type("Something else");
        page.keyboard().press("Escape");
        assertThat(rows.nth(2)).hasText("Hand Perc OH");
        page.keyboard().press("Enter");
        page.keyboard().press("Control+a");
        page.keyboard().type("Drum/Kit");
        page.keyboard().press("Enter");
        assertThat(page.getByText("it holds a slash")).isVisible();
        page.keyboard().press("Escape");
        assertThat(rows.nth(2)).hasText("Hand Perc OH");
    }

    @Test
    void theSecondOfTwoWindowsIsToldAndShownTheNewerState() {
        go("/s/low-tide-waltz");
        Page other = page.context().newPage();
        other.navigate(page.url());
        rename(other, 3, "Helicon");
        rename(page, 4, "Hammered Dulcimer");
        assertThat(page.getByText("your change was made on top of it")).isVisible();
        assertThat(page.getByLabel("Rows")).containsText("Helicon");
        assertThat(page.getByLabel("Rows")).containsText("Hammered Dulcimer");
        rename(other, 5, "Small kit");
        rename(page, 5, "Tiny kit");
        assertThat(page.getByText("changed in another window meanwhile.").last())
                .isVisible();
        assertThat(page.getByLabel("Name of row 6")).hasValue("Tiny kit");
        page.getByLabel("Name of row 6").press("Enter");
        assertThat(page.getByLabel("Rows")).containsText("Tiny kit");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(page.getByLabel("Rows")).not().containsText("Tiny");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(page.getByLabel("Rows")).not().containsText("Small kit");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(page.getByLabel("Rows")).not().containsText("Hammered");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(page.getByLabel("Rows")).containsText("frame drum CLIPS??");
    }

    private static void rename(Page in, int row, String name) {
        in.getByLabel("Rows")
                .getByRole(AriaRole.LISTITEM)
                .nth(row)
                .locator("button.name")
                .dblclick();
        Locator field = in.getByLabel("Name of row " + (row + 1), new Page.GetByLabelOptions().setExact(true));
        field.fill(name);
        field.press("Enter");
    }

    @Test
    void theQuestionMarkListsTheKeysOfTheView() {
        go("/s/low-tide-waltz/plan");
        page.getByText("Print 29 files").waitFor();
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Walk the grid");
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    }

    @Test
    void thePlanOffersSixStationsAndSaysWhatReturnsAndDynamicsMean() {
        go("/s/low-tide-waltz/plan");
        page.getByText("Print 29 files").waitFor();
        Locator footer = page.locator("footer");
        page.getByText("More…").click();
        Locator more = page.getByRole(AriaRole.DIALOG);
        more.getByLabel("Returns at Bus and Mix").selectOption("sharedOut");
        assertThat(more.getByText("Rows alone add up to the mix.")).isVisible();
        more.getByLabel("Shared dynamics").selectOption("alone");
        assertThat(more.getByText("the files do not add up.")).isVisible();
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Mix through the mix"))
                .click();
        assertThat(page.getByText("Print 57 files")).isVisible();
        range("5", "3");
        assertThat(page.getByText("it ends where it starts, or before")).isVisible();
        page.locator("[data-part=range]").click();
        page.getByText("A part of it").click();
        page.getByLabel("From, section 1").fill("somewhere");
        assertThat(page.getByText("From and to are bars")).isVisible();
        page.keyboard().press("Escape");
        range("Verse", "21");
        assertThat(footer).containsText("each 0:30.0");
        assertThat(page.getByRole(AriaRole.DIALOG)).isHidden(); // until it has gone, what lies behind it takes no keys
        Browsing.leadIn(page, 2);
        assertThat(footer).containsText("each 0:33.8");
        page.getByText("bari ribbon").first().click();
        Locator panel = page.getByLabel("Selected row");
        panel.getByLabel("Trim").fill("-3");
        page.keyboard().press("Tab");
        panel.getByLabel("Channels of this row").selectOption("twoMono");
        assertThat(panel).containsText("16_bari ribbon preC take4 FINAL_Amp.L.wav");
        page.waitForResponse("**/keep", () -> panel.getByLabel("Spring reverb").check());
        assertThat(panel).containsText("Ticked inserts are in Shaped.");
        go("/s/low-tide-waltz");
        page.locator("button[data-row=r9]").click();
        Locator line = page.getByLabel("Selected row and song");
        assertThat(line.getByText("kept", new Locator.GetByTextOptions().setExact(true)))
                .hasCount(1);
        page.locator("button[data-row=r10]").click();
        assertThat(line).containsText("Comp of three");
        line.getByLabel("Take 1", new Locator.GetByLabelOptions().setExact(true))
                .check();
        assertThat(line).containsText("LD VOX take_01_1.wav");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        assertThat(line).containsText("LD VOX comp_03_1.wav");
    }

    @Test
    void ofManyRowsOnlyThoseInSightAreDrawnAndKeysReachThemAll() throws Exception {
        String id = apodex.server.LongSessions.make(server, 400, 10);
        go("/s/" + id + "/plan");
        Locator first = page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Row 0 at Raw"));
        first.focus();
        org.assertj.core.api.Assertions.assertThat(page.getByRole(AriaRole.ROW).count())
                .isLessThan(80);
        for (int i = 0; i < 60; i++) {
            page.keyboard().press("ArrowDown");
        }
        assertThat(page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Row 60 at Raw")))
                .isFocused();
        page.locator(".grid .body").evaluate("body => body.scrollTo(0, body.scrollHeight)");
        assertThat(page.getByText("Row 399", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(page.getByText("Row 30", new Page.GetByTextOptions().setExact(true)))
                .hasCount(0);
        assertThat(page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Mix at Fader")))
                .isVisible();
    }

    private void range(String from, String to) {
        page.locator("[data-part=range]").click();
        page.getByText("A part of it").click();
        page.getByLabel("From, section 1").fill(from);
        page.getByLabel("To, section 1").fill(to);
        page.getByText("Set the range").click();
    }

    @Test
    void nightIsRemembered() {
        go("/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Night"))
                .click();
        page.reload();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Paper")))
                .isVisible();
        String ground = (String) page.evaluate("() => getComputedStyle(document.body).backgroundColor");
        assertThat(ground).isEqualTo("rgb(20, 29, 39)");
    }

    @Test
    void aRunCanBeCancelledAndPrintedAgain() throws Exception {
        String id = apodex.server.LongSessions.make(server, 16, 600);
        go("/s/" + id + "/plan");
        page.getByText("Print 17 files").click();
        Locator progress = page.getByLabel("Progress");
        assertThat(progress).containsText("real time");
        progress.getByText("Cancel").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Cancelled")))
                .isVisible();
        assertThat(progress).containsText("What was printed of it was removed.");
        assertThat(progress.getByText("Print as planned now")).isVisible();
        go("/s/" + id + "/proof");
        assertThat(page.getByText("Nothing to prove yet")).isVisible();
    }
}
