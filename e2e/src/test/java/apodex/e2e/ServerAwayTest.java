package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import apodex.server.TestServer;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
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
}
