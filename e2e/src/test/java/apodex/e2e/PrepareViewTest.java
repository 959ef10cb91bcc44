package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Test;

/** The demo song, looked over and brought to ready. */
final class PrepareViewTest extends InTheBrowser {
    private static final int MOST_STEPS = 90;

    PrepareViewTest() {
        super("--apodex.demo=true");
    }

    @Test
    void theDemoSongIsBroughtToReadyWithTheKeyboardAlone() {
        page.navigate(server.client().uri("/#/s/low-tide-waltz/prepare").toString());
        Locator findings = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Findings"));
        assertThat(findings)
                .containsText(
                        "1 stops",
                        new com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions()
                                .setTimeout(30_000));
        assertThat(findings.locator("progress"))
                .hasCount(
                        0,
                        new com.microsoft.playwright.assertions.LocatorAssertions.HasCountOptions().setTimeout(30_000));
        Locator names = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Names"));
        assertThat(names.locator("mark").first()).isVisible();
        int steps = 0;
        for (Locator open = findings.locator(".list button:not(.left)");
                open.count() > 0 && steps < MOST_STEPS;
                steps++) {
            String before = findings.innerText();
            open.first().focus();
            page.keyboard().press("Enter");
            Locator remedy = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("What can be done"))
                    .getByRole(AriaRole.BUTTON)
                    .first();
            remedy.focus();
            page.keyboard().press("Enter");
            page.waitForFunction(
                    "before => document.querySelector('section[aria-label=\"Findings\"]').innerText !== before",
                    before);
        }
        assertThat(steps).isBetween(20, MOST_STEPS - 1);
        assertThat(page.getByText("This session is ready.")).isVisible();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("2 Prepare")))
                .containsText("ready");
        for (String sentence : new String[] {"Lead Voice", "Frame Drum", "Click"}) {
            page.getByLabel("all rows").check();
            nameIsThere(page, sentence, 1);
        }
        page.keyboard().press("Escape");
    }

    @Test
    void namesAreTypedOverRowByRowAndReplacedTogether() {
        page.navigate(server.client().uri("/#/s/low-tide-waltz/prepare").toString());
        page.getByLabel("all rows").check();
        Locator fields = page.locator("input.name");
        String first = fields.nth(3).inputValue();
        fields.nth(3).fill("Bodhran");
        fields.nth(3).press("Enter");
        assertThat(fields.nth(4)).isFocused();
        assertThat(fields.nth(3)).hasValue("Bodhran");
        page.getByText("Find and replace").click();
        page.getByLabel("Find", new Page.GetByLabelOptions().setExact(true)).fill("accordion");
        page.getByLabel("Replace with").fill("Squeezebox");
        page.getByText("Replace in 2 names").click();
        nameIsThere(page, "Squeezebox L", 1);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Undo").setExact(true))
                .click();
        nameIsThere(page, "Squeezebox L", 0);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Undo").setExact(true))
                .click();
        assertThat(fields.nth(3)).hasValue(first);
        page.getByText("File names:").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByText("+ song").click();
        assertThat(dialog).containsText("_Low Tide Waltz.wav");
        dialog.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("song"))
                .press("ArrowLeft");
        dialog.getByLabel("Capitals").selectOption("lower");
        assertThat(dialog).containsText("low tide waltz");
        Locator parts = dialog.getByRole(AriaRole.LISTITEM);
        assertThat(parts.first()).containsText("number");
        BoundingBox from = parts.first().boundingBox();
        BoundingBox to = parts.nth(1).boundingBox();
        page.mouse().move(from.x + 12, from.y + 12);
        page.mouse().down();
        page.mouse().move(to.x + to.width - 4, to.y + 12, new Mouse.MoveOptions().setSteps(12));
        page.waitForTimeout(200); // the others make room
        page.mouse().up();
        assertThat(parts.first()).not().containsText("number");
        assertThat(parts).hasCount(4);
    }

    private static void nameIsThere(Page page, String name, int times) {
        page.waitForFunction(
                "([name, times]) => [...document.querySelectorAll('input.name')].filter(field => field.value === name).length === times",
                java.util.List.of(name, times));
    }
}
