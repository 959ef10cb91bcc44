package apodex.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.server.TestServer;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;

/** A server of its own and a browser for each class, a fresh page for each test, and no complaints from the page at its end. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class InTheBrowser {
    @TempDir
    private static Path data;

    private final String[] settings;
    TestServer server;
    Browsing browsing;
    Page page;

    /** @param settings of the server */
    InTheBrowser(String... settings) {
        this.settings = settings;
    }

    @BeforeAll
    void start() {
        server = TestServer.start(data, settings);
        browsing = new Browsing();
    }

    @AfterAll
    void stop() {
        browsing.close();
        server.close();
    }

    @BeforeEach
    void open() {
        page = browsing.page();
    }

    @AfterEach
    void noComplaints() {
        assertThat(browsing.complaints()).isEmpty();
        page.context().close();
    }

    void go(String path) {
        page.navigate(server.client().uri("/#" + path).toString());
    }
}
