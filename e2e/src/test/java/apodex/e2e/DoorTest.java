package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.server.Apodex;
import apodex.server.TestServer;
import apodex.server.accounts.AccountCommand;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.sun.net.httpserver.HttpServer;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;

/** Two people share a session in two browsers, a third fetches by a link without an account, a fourth gets nowhere. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
final class DoorTest {
    private static final String PHRASE = "six herrings in a barrel";

    @TempDir
    static Path data;

    private static TestServer server;
    private static Browsing browsing;
    private static String house;
    private static Page ann;
    private static Page bo;

    @BeforeAll
    static void open() throws Exception {
        int port = freePort();
        house = "http://localhost:" + port; // passkeys belong to a name, not to an address in numbers
        String[] settings = {"--apodex.data=" + data, "--apodex.url=" + house};
        String toAnn = account(settings, "Ann Tide");
        String toBo = account(settings, "Bo Reed");
        server = TestServer.startOn(port, data, "--apodex.url=" + house);
        browsing = new Browsing();
        ann = welcomed(toAnn);
        bo = welcomed(toBo);
    }

    @AfterAll
    static void close() {
        browsing.close();
        server.close();
    }

    private static int freePort() throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            return free.getLocalPort();
        }
    }

    private static String account(String[] settings, String name) {
        String said = Apodex.command(
                AccountCommand.class, context -> AccountCommand.run(context, List.of("add", name)), settings);
        return said.substring(said.indexOf("http"));
    }

    private static Page welcomed(String link) {
        Page page = browsing.page();
        page.navigate(link);
        page.getByLabel("Pass phrase").fill(PHRASE);
        page.getByLabel("Once more").fill(PHRASE);
        button(page, "Come in").click();
        assertThat(page.getByText("The shelf is empty")).isVisible();
        return page;
    }

    private static com.microsoft.playwright.Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    @Order(1)
    void whoIsUnknownIsTakenToSignInAndBack() {
        Page page = browsing.page();
        page.navigate(house + "/#/outbox");
        page.getByLabel("Name").fill("Bo Reed");
        readable(page, "sign in");
        page.getByLabel("Pass phrase").fill("seven herrings in a barrel");
        button(page, "Sign in").click();
        assertThat(page.getByRole(AriaRole.ALERT)).hasText("Name and pass phrase do not belong together.");
        page.getByLabel("Pass phrase").fill(PHRASE);
        button(page, "Sign in").click();
        assertThat(page.getByText("Nothing lies here")).isVisible();
    }

    @Test
    @Order(2)
    void twoShareASessionByALinkForOne() {
        ann.locator("input[type=file]")
                .first()
                .setInputFiles(new FilePayload("Tuba.wav", "audio/wav", SoundBytes.mono24(1_000_000, 2, 3)));
        button(ann, "Make the session").click();
        ann.waitForURL("**/s/**");
        ann.navigate(house + "/#/");
        ann.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Rename"))
                .click();
        ann.getByLabel("Title of the session").fill("Tuba");
        ann.keyboard().press("Enter");
        button(ann, "Share Tuba").click();
        ann.getByLabel("What they may").selectOption("listen");
        button(ann, "Make a link").click();
        String link = ann.locator("code").innerText();
        readable(ann, "sharing");
        bo.navigate(link);
        assertThat(bo.getByText("Ann Tide lets you in to Tuba. You may listen and fetch."))
                .isVisible();
        button(bo, "Take it").click();
        bo.waitForURL("**/s/**");
        bo.navigate(house + "/#/");
        assertThat(bo.getByText("Ann Tide’s: you may listen and fetch")).isVisible();
        assertThat(button(bo, "Remove Tuba")).hasCount(0);
        ann.reload();
        button(ann, "Share Tuba").click();
        ann.getByLabel("What Bo Reed may").selectOption("change");
        bo.reload();
        assertThat(button(bo, "Rename Tuba")).isVisible();
        Page fourth = browsing.page();
        fourth.navigate(link);
        assertThat(fourth.getByLabel("Pass phrase")).isVisible();
        assertThat(fourth.getByText("Tuba")).hasCount(0);
        ann.keyboard().press("Escape");
    }

    @Test
    @Order(3)
    void aThirdFetchesByLinkWithoutAnAccountAndTheOwnerIsToldByMail() {
        ann.navigate(house + "/#/account");
        ann.getByLabel("Mail to").fill("ann@salt-harbour.example");
        button(ann, "Keep it").click();
        ann.getByText("News go to ann@salt-harbour.example.").waitFor();
        bo.locator("a", new Page.LocatorOptions().setHasText("Tuba")).first().click();
        tab("3 Plan");
        bo.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Print \\d file")))
                .click();
        bo.getByLabel("Progress").getByText("See the proof").waitFor();
        tab("6 Parcel");
        bo.getByLabel("Mail it to").fill("mix@quayside.example");
        button(bo, "Make a link").click();
        bo.getByText("not opened yet").waitFor();
        String pickup = bo.locator("a.mono").first().getAttribute("href");
        Page third = browsing.page();
        third.navigate(house + pickup);
        third.getByText("Tuba").first().waitFor();
        third.waitForDownload(() -> third.locator("a[download]").first().click());
        bo.navigate(house + "/#/outbox");
        bo.getByLabel("Messages").getByText("Files for you: Tuba, v1").click();
        assertThat(bo.getByLabel("Message", new Page.GetByLabelOptions().setExact(true)))
                .containsText(house + pickup);
    }

    private static void readable(Page page, String where) {
        List<String> found = new ArrayList<>();
        Readable.check(page, where, found);
        assertThat(found).isEmpty();
    }

    private static void tab(String name) {
        bo.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name)).click();
    }

    @Test
    @Order(4)
    void aPasskeyOfTheDeviceSignsIn() {
        CDPSession device = ann.context().newCDPSession(ann);
        device.send("WebAuthn.enable");
        JsonObject options = new JsonObject();
        options.addProperty("protocol", "ctap2");
        options.addProperty("transport", "internal");
        options.addProperty("hasResidentKey", true);
        options.addProperty("hasUserVerification", true);
        options.addProperty("isUserVerified", true);
        options.addProperty("automaticPresenceSimulation", true);
        JsonObject authenticator = new JsonObject();
        authenticator.add("options", options);
        device.send("WebAuthn.addVirtualAuthenticator", authenticator);

        ann.navigate(house + "/#/account");
        ann.getByLabel("Called").fill("Harbour laptop");
        readable(ann, "account");
        button(ann, "Add a passkey").click();
        button(ann, "Remove passkey Harbour laptop").waitFor();
        button(ann, "Sign out").click();
        ann.getByLabel("Pass phrase").waitFor();
        button(ann, "With a passkey").click();
        assertThat(button(ann, "Share Tuba")).isVisible();

        ann.navigate(house + "/#/account");
        button(ann, "Remove passkey Harbour laptop").click();
        ann.getByText("None yet.").waitFor();
        button(ann, "Sign out").click();
        ann.getByLabel("Pass phrase").waitFor();
        button(ann, "With a passkey").click();
        assertThat(ann.locator("form [role=alert]")).hasText("This passkey is not known here.");
        ann.getByLabel("Name").fill("Ann Tide");
        ann.getByLabel("Pass phrase").fill(PHRASE);
        button(ann, "Sign in").click();
        button(ann, "Share Tuba").waitFor();
    }

    /** On another port of the same name: the same site to a browser, which sends cookies along. */
    @Test
    @Order(5)
    void aPageFromElsewhereGetsAndDoesNothing() throws Exception {
        HttpServer elsewhere = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        elsewhere.createContext("/", exchange -> {
            byte[] page = "<!doctype html><title>elsewhere</title>".getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", "text/html");
            exchange.sendResponseHeaders(200, page.length);
            exchange.getResponseBody().write(page);
            exchange.close();
        });
        elsewhere.start();
        try {
            Page page = ann.context().newPage();
            page.navigate("http://localhost:" + elsewhere.getAddress().getPort() + "/");
            String ask =
                    """
                    async ([url, method, mode]) => {
                      try {
                        const answer = await fetch(url, { method, mode, credentials: 'include' });
                        return answer.type === 'opaque' ? 'opaque' : String(answer.status);
                      } catch { return 'refused'; }
                    }""";
            Object session = ann.evaluate("async () => (await (await fetch('/api/sessions')).json()).sessions[0].id");
            assertThat(page.evaluate(ask, List.of(house + "/api/sessions", "GET", "cors")))
                    .isEqualTo("refused");
            page.evaluate(ask, List.of(house + "/api/me/sign-out-everywhere", "POST", "no-cors"));
            page.evaluate(ask, List.of(house + "/api/sessions/" + session + "/duplicate", "POST", "no-cors"));
            page.setContent("<form method=post action='" + house + "/api/sessions/" + session
                    + "/duplicate'><button>go</button></form>");
            page.getByText("go").click();
            page.waitForLoadState();
            assertThat(ann.evaluate("async () => (await (await fetch('/api/sessions')).json()).sessions.length"))
                    .as("still signed in, and nothing was made")
                    .isEqualTo(1);
            page.navigate("http://localhost:" + elsewhere.getAddress().getPort() + "/");
            page.setContent("<iframe src='" + house + "/'></iframe>");
            page.waitForTimeout(800);
            assertThat(page.frames().get(1).content()).doesNotContain("apodex");
            page.close();
        } finally {
            elsewhere.stop(0);
        }
        assertThat(browsing.complaints().stream().filter(line -> !line.contains("frame")))
                .isEmpty();
    }
}
