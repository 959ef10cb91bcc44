package apodex.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Debian's Chromium without a display. Collects what pages complain about, so that tests can insist on silence. */
final class Browsing implements AutoCloseable {
    private final Playwright playwright;
    private final Browser browser;
    private final List<String> complaints = new ArrayList<>();

    Browsing() {
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(chromium())
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
    }

    private static Path chromium() {
        return List.of(Path.of("/usr/bin/chromium"), Path.of("/usr/bin/chromium-browser")).stream()
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("Debian's package chromium is missing."));
    }

    /** A fresh page of the design size. */
    Page page() {
        BrowserContext context = browser.newContext(
                new Browser.NewContextOptions().setViewportSize(1280, 800).setAcceptDownloads(true));
        Page page = context.newPage();
        page.setDefaultTimeout(20_000);
        PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
        page.onPageError(complaints::add);
        page.onConsoleMessage(message -> {
            if (message.type().equals("error") && !message.text().startsWith("Failed to load resource")) {
                complaints.add(message.text());
            }
        });
        return page;
    }

    /** Opens a part of the plan's sentence and takes one of its choices. */
    static void choose(Page page, String part, String option) {
        page.locator("[data-part=" + part + "]").click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(option))
                .click();
    }

    /** Opens the part of the plan's sentence that is about the lead-in, and sets it. */
    static void leadIn(Page page, int bars) {
        page.locator("[data-part=leadIn]").click();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Lead-in"))
                .fill(String.valueOf(bars));
        page.keyboard().press("Enter");
    }

    /** Errors that scripts of the pages threw or logged. */
    List<String> complaints() {
        return complaints;
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
