package apodex.e2e;

import apodex.server.DataFolder;
import apodex.server.TestServer;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Makes docs/screenshots anew from the demo song; run by {@code ./apodex shots}, not with the tests. */
final class Screenshots {
    private static final Path TARGET = Path.of("../docs/screenshots");

    @TempDir
    private Path data;

    @Test
    void take() throws Exception {
        Files.createDirectories(TARGET);
        try (TestServer server = TestServer.start(data, "--apodex.demo=true");
                Browsing browsing = new Browsing()) {
            String handoff = server.client()
                    .get("/api/sessions/low-tide-waltz/handoffs")
                    .json()
                    .get(0)
                    .get("id")
                    .asText();
            String run = server.client()
                    .await(server.client().run(handoff))
                    .get("id")
                    .asText();
            String link = server.client()
                    .post(
                            "/api/runs/" + run + "/pickups",
                            "{\"days\": 14, \"message\": \"Hello! Dry tracks, groups as a guide, and the mix we like.\"}")
                    .json()
                    .get("path")
                    .asText()
                    .replace("/p/", "/pickup/");
            shootPhone(browsing, server, link);
            Page page = browsing.page();
            shoot(page, server, "/", "sessions", () -> {});
            shoot(page, server, "/s/low-tide-waltz", "session", () -> page.getByText("bari ribbon")
                    .first()
                    .click());
            shoot(page, server, "/s/low-tide-waltz/prepare", "prepare", () -> page.getByText("Clipped recording")
                    .first()
                    .click());
            shoot(page, server, "/s/low-tide-waltz/prepare", "names", () -> page.getByText("File names:")
                    .first()
                    .click());
            page.reload();
            shoot(page, server, "/s/low-tide-waltz/plan", "plan", () -> {
                page.getByText("bari ribbon").first().click();
                page.getByText("true peak") // levels come a while after the plan
                        .first()
                        .waitFor(new Locator.WaitForOptions().setTimeout(120_000));
            });
            shoot(page, server, "/s/low-tide-waltz/plan", "plan-files", () -> {
                page.getByRole(
                                AriaRole.RADIO,
                                new Page.GetByRoleOptions().setName("Files").setExact(true))
                        .click();
                page.locator(".sentence [data-part=depth]").click();
            });
            shoot(page, server, "/s/low-tide-waltz/print", "print", () -> {});
            shoot(page, server, "/s/low-tide-waltz/proof", "proof", () -> page.getByText("16_bari")
                    .first()
                    .click());
            shoot(page, server, "/s/low-tide-waltz/parcel", "parcel", () -> {});
            shoot(page, server, link, "pickup", () -> {});
            Path[] messy = MessyDrop.of(
                    server.bean(DataFolder.class).run(run), Files.createDirectories(data.resolve("Low Tide Waltz")));
            page.navigate(server.client().uri("/#/").toString());
            page.locator("input[webkitdirectory]").setInputFiles(messy[0].getParent());
            page.waitForURL("**/#/intake/*", new Page.WaitForURLOptions().setTimeout(180_000));
            String intake = page.url().replaceAll(".*#", "");
            shoot(page, server, intake, "intake", () -> page.getByText("says nothing of its place")
                    .first()
                    .click());
            shoot(page, server, "/s/low-tide-waltz", "session-night", () -> {
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Night"))
                        .click();
                page.getByText("Tuba").first().click();
            });
        }
    }

    private static void shootPhone(Browsing browsing, TestServer server, String path) {
        Page phone = browsing.page();
        phone.setViewportSize(390, 844);
        shoot(phone, server, path, "pickup-phone", () -> {});
        phone.context().close();
    }

    private static void shoot(Page page, TestServer server, String path, String name, Runnable first) {
        page.navigate(server.client().uri("/#" + path).toString());
        page.waitForTimeout(1_200);
        first.run();
        page.mouse().move(1_000, 790);
        page.waitForTimeout(700);
        page.screenshot(new Page.ScreenshotOptions().setPath(TARGET.resolve(name + ".png")));
    }
}
