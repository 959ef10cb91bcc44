package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.TestServer;
import com.google.gson.JsonObject;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two sessions in two windows, and a server that goes away under them and comes back. */
class ServerAwayTest {
    @TempDir
    private Path data;

    private static Locator stop(Page page, int row) {
        return page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Row " + row + " at Raw"));
    }

    @Test
    void whatIsOpenSaysSoAndGoesOnWhenItIsBack() throws Exception {
        try (Browsing browsing = new Browsing()) {
            Page one = browsing.page();
            Page other = browsing.page();
            String first;
            int port;
            try (TestServer server = TestServer.start(data)) {
                port = server.client().uri("/").getPort();
                first = apodex.server.LongSessions.make(server, 3, 10);
                String second = apodex.server.LongSessions.make(server, 5, 10);
                one.navigate(server.client().uri("/#/s/" + first + "/plan").toString());
                other.navigate(server.client().uri("/#/s/" + second + "/plan").toString());
                assertThat(one.getByText("Print 4 files")).isVisible();
                assertThat(other.getByText("Print 6 files")).isVisible();
                stop(one, 1).press("Enter");
                assertThat(one.getByText("Print 3 files")).isVisible();
                other.waitForTimeout(2_500); // the other views of a session are fetched a while after the first
            }
            stop(one, 0).press("Enter");
            assertThat(one.getByText("The server does not answer").first()).isVisible();
            assertThat(stop(one, 0)).isChecked();
            other.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("2 Prepare"))
                    .click();
            assertThat(other.getByText("The server does not answer").first()).isVisible();
            other.getByText("Guide").click();
            assertThat(other.getByText("This view could not be loaded.")).isVisible();
            try (TestServer server = TestServer.startOn(port, data)) {
                stop(one, 0).press("Enter");
                assertThat(one.getByText("Print 2 files")).isVisible();
                assertThat(stop(one, 1)).not().isChecked();
                other.getByText("Try again").click();
                assertThat(other.getByText("The first day with Apodex")).isVisible();
                other.goBack();
                other.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("3 Plan"))
                        .click();
                assertThat(other.getByText("Print 6 files")).isVisible();
                other.navigate(server.client().uri("/#/s/" + first + "/plan").toString());
                assertThat(other.getByText("Print 2 files")).isVisible();
            }
            org.assertj.core.api.Assertions.assertThat(browsing.complaints()).isEmpty();
        }
    }

    @Test
    void whatIsLookedAtComesByItselfWhenTheServerIsBack() throws Exception {
        try (Browsing browsing = new Browsing()) {
            Page page = browsing.page();
            int port;
            String session;
            try (TestServer server = TestServer.start(data)) {
                port = server.client().uri("/").getPort();
                session = apodex.server.LongSessions.make(server, 3, 10);
                page.navigate(server.client().uri("/#/s/" + session).toString());
                assertThat(page.getByText("Row 1").first()).isVisible();
                page.waitForTimeout(2_500);
            }
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("2 Prepare"))
                    .click();
            assertThat(page.getByText("The server does not answer").first()).isVisible();
            try (TestServer server = TestServer.startOn(port, data)) {
                assertThat(page.getByLabel("Names")).isVisible();
            }
        }
    }

    @Test
    void anUploadGoesOnWhereItWasWhenTheServerIsBack() throws Exception {
        byte[] sound = SoundBytes.mono24(
                new Random(3).ints(4_000_000, -8_000_000, 8_000_000).toArray());
        List<String> offsets = new CopyOnWriteArrayList<>();
        try (Browsing browsing = new Browsing()) {
            Page page = browsing.page();
            page.onRequest(request -> {
                if (request.method().equals("PATCH")) {
                    offsets.add(request.headers().get("upload-offset"));
                }
            });
            int port;
            try (TestServer server = TestServer.start(data)) {
                port = server.client().uri("/").getPort();
                page.navigate(server.client().uri("/").toString());
                page.getByTestId("files").waitFor(attached());
                slow(page, 1_000_000);
                page.getByTestId("files").setInputFiles(new FilePayload("Tuba.wav", "audio/wav", sound));
                page.waitForFunction(
                        "() => parseFloat(document.querySelector('li.arriving .bar span')?.style.width) > 12");
            }
            assertThat(page.getByText("The line is away")).isVisible();
            slow(page, -1);
            try (TestServer server = TestServer.startOn(port, data)) {
                page.getByText("Make the session").click();
                page.waitForURL("**/#/s/*");
                assertThat(page.getByText("Tuba").first()).isVisible();
                String id = page.url().replaceAll(".*/s/", "");
                org.assertj.core.api.Assertions.assertThat(server.client()
                                .get("/api/sessions/" + id)
                                .json()
                                .at("/session/recordings/0/sha256")
                                .asText())
                        .isEqualTo(HexFormat.of()
                                .formatHex(MessageDigest.getInstance("SHA-256").digest(sound)));
            }
            org.assertj.core.api.Assertions.assertThat(offsets.get(0)).isEqualTo("0");
            org.assertj.core.api.Assertions.assertThat(Long.parseLong(offsets.get(offsets.size() - 1)))
                    .as("what had come was not sent again")
                    .isGreaterThan(sound.length / 10);
        }
    }

    private static Locator.WaitForOptions attached() {
        return new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED);
    }

    /** @param bytesPerSecond that leave the page; as many as can when negative */
    private static void slow(Page page, int bytesPerSecond) {
        JsonObject how = new JsonObject();
        how.addProperty("offline", false);
        how.addProperty("latency", 0);
        how.addProperty("downloadThroughput", -1);
        how.addProperty("uploadThroughput", bytesPerSecond);
        page.context().newCDPSession(page).send("Network.emulateNetworkConditions", how);
    }
}
