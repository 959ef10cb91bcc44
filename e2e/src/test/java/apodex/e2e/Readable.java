package apodex.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Set;

/** What an outside checker of the Web Content Accessibility Guidelines finds serious on a page. */
final class Readable {
    private static final Set<String> SERIOUS = Set.of("serious", "critical");

    private Readable() {}

    static void check(Page page, String where, List<String> found) {
        for (Rule rule : new AxeBuilder(page).setLegacyMode(true).analyze().getViolations()) {
            if (SERIOUS.contains(rule.getImpact())) {
                found.add(where + ": " + rule.getHelp() + ": "
                        + rule.getNodes().stream()
                                .limit(4)
                                .map(node -> node.getTarget() + " " + node.getHtml())
                                .toList());
            }
        }
    }
}
