package apodex.e2e;

import apodex.server.Apodex;
import apodex.server.TestServer;
import apodex.server.accounts.AccountCommand;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
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
                            "{\"days\": 14, \"mail\": \"mix@quayside.example\", \"message\": \"Hello! Dry tracks, groups as a guide, and the mix we like.\"}")
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
            Path[] messy = MessyDrop.of(server.run(run), Files.createDirectories(data.resolve("Low Tide Waltz")));
            page.navigate(server.client().uri("/#/").toString());
            page.locator("input[webkitdirectory]").setInputFiles(messy[0].getParent());
            page.waitForURL("**/#/intake/*", new Page.WaitForURLOptions().setTimeout(180_000));
            String intake = page.url().replaceAll(".*#", "");
            shoot(page, server, intake, "intake", () -> page.getByText("says nothing of its place")
                    .first()
                    .click());
            String other = server.client().run(handoff, "{\"everything\": true}");
            server.client().await(other);
            server.client().delete("/api/runs/" + other);
            server.client().post("/api/sessions/low-tide-waltz/duplicate", "");
            shoot(page, server, "/space", "space", () -> page.getByText("Bring back")
                    .waitFor());
            shoot(page, server, "/outbox", "outbox", () -> page.getByText("You need no account")
                    .waitFor());
            shoot(page, server, "/s/low-tide-waltz", "session-night", () -> {
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Night"))
                        .click();
                page.getByText("Tuba").first().click();
            });
        }
    }

    /** Where others come: the way in, and who is. */
    @Test
    void takeTheDoor() throws Exception {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        String url = "--apodex.url=http://localhost:" + port;
        String said = Apodex.command(
                AccountCommand.class,
                context -> AccountCommand.run(context, List.of("add", "Ann Tide")),
                "--apodex.data=" + data,
                url);
        String invited = Apodex.command(
                AccountCommand.class,
                context -> AccountCommand.run(context, List.of("add", "Bo Reed")),
                "--apodex.data=" + data,
                url);
        try (TestServer server = TestServer.startOn(port, data, url, "--apodex.demo=true");
                Browsing browsing = new Browsing()) {
            Page bo = browsing.page();
            bo.navigate("http://localhost:" + port + "/#/sign-in");
            bo.getByLabel("Name").fill("Bo Reed");
            bo.waitForTimeout(700);
            bo.screenshot(new Page.ScreenshotOptions().setPath(TARGET.resolve("sign-in.png")));
            come(bo, invited);
            Page page = browsing.page();
            come(page, said);
            share(page);
            bo.navigate(page.locator("code").innerText());
            click(bo, "Take it");
            bo.waitForURL("**/s/**");
            page.reload();
            share(page);
            page.getByText("came in").waitFor();
            page.waitForTimeout(700);
            page.screenshot(new Page.ScreenshotOptions().setPath(TARGET.resolve("sharing.png")));
        }
    }

    private static void come(Page page, String link) {
        page.navigate(link.substring(link.indexOf("http")));
        page.getByLabel("Pass phrase").fill("six herrings in a barrel");
        page.getByLabel("Once more").fill("six herrings in a barrel");
        click(page, "Come in");
        page.getByText("How it goes").waitFor();
    }

    private static void share(Page page) {
        click(page, "Share Low Tide Waltz");
        click(page, "Make a link");
        page.locator("code").waitFor();
    }

    private static void click(Page page, String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
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
