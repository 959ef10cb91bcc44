package apodex.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Client;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** No view has a serious finding of an outside checker of the Web Content Accessibility Guidelines, by day or by night. */
class AccessibilityTest extends InTheBrowser {
    AccessibilityTest() {
        super("--apodex.demo=true");
    }

    @Test
    void everyViewCanBeReadAndReached() throws Exception {
        Client client = server.client();
        String session = client.bringIn(
                        "Small",
                        Map.of("Tuba.wav", SoundBytes.mono24(1_000_000, 2, 3), "Bass.wav", SoundBytes.mono24(9, 8)))
                .json()
                .get("id")
                .asText();
        String run = client.run(client.handoff(session));
        client.await(run);
        String pickup = client.post(
                        "/api/runs/" + run + "/pickups", "{\"days\": 3, \"mail\": \"mix@quayside.example\"}")
                .json()
                .get("path")
                .asText();
        Map<String, String> views = new java.util.LinkedHashMap<>();
        views.put(intake(), "Make the session");
        views.put("/", "On the shelf");
        views.put("/guide", "The first day");
        views.put("/space", "the largest first");
        views.put("/outbox", "Files for you");
        views.put("/account", "What receivers do");
        views.put("/s/low-tide-waltz", "Rhythm bus");
        views.put("/s/low-tide-waltz/prepare", "Would sound doubled");
        views.put("/s/low-tide-waltz/plan", "Print 29 files");
        views.put("/s/" + session + "/print", "The first run");
        views.put("/s/" + session + "/proof", "All start together");
        views.put("/s/" + session + "/parcel", "Make a link");
        views.put("/pickup/" + pickup.substring(pickup.lastIndexOf('/') + 1), "Tuba");
        List<String> found = new ArrayList<>();
        for (String theme : List.of("Paper", "Night")) {
            for (Map.Entry<String, String> view : views.entrySet()) {
                go(view.getKey());
                page.getByText(view.getValue()).first().waitFor();
                check(theme + " " + view.getKey(), found);
                if (view.getKey().startsWith("/intake")) {
                    page.getByText("is the same sound as").first().click();
                    check(theme + " intake with a question", found);
                    page.getByText("Reply to the sender").first().click();
                    page.getByText("What arrived").waitFor();
                    check(theme + " reply to the sender", found);
                    page.keyboard().press("Escape");
                }
                if (view.getKey().endsWith("/plan")) {
                    page.getByRole(
                                    AriaRole.RADIO,
                                    new Page.GetByRoleOptions().setName("Files").setExact(true))
                            .click();
                    check(theme + " " + view.getKey() + " as files", found);
                    page.locator("[data-part=depth]").click();
                    check(theme + " " + view.getKey() + " with a menu", found);
                    page.keyboard().press("Escape");
                }
            }
            if (theme.equals("Paper")) {
                go("/");
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Night"))
                        .click();
                page.waitForTimeout(300); // colours fade into each other
            }
        }
        assertThat(found).isEmpty();
    }

    /** What came with a question, and with something that cannot be used. */
    private String intake() {
        go("/");
        byte[] sound = SoundBytes.mono24(1_000_000, 2, 3, 4);
        page.getByTestId("files").setInputFiles(new FilePayload[] {
            new FilePayload("01 Tba T39.wav", "audio/wav", sound),
            new FilePayload("02 Tba copy.wav", "audio/wav", sound),
            new FilePayload("rough mix.wav", "audio/wav", SoundBytes.mono24(5, 6, 7, 8)),
            new FilePayload("letter.wav", "audio/wav", "Dear mixer".getBytes())
        });
        page.waitForURL("**/#/intake/*");
        return page.url().replaceAll(".*#", "");
    }

    private void check(String where, List<String> found) {
        Readable.check(page, where, found);
    }
}
