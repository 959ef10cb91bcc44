package apodex.server.sessions;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.session.NameRule;
import java.util.List;
import org.junit.jupiter.api.Test;

class DuplicateTitleTest {
    @Test
    void takesTheNextFreeNumberAndStaysAName() {
        assertThat(DuplicateTitle.of("Waltz", List.of("Waltz"))).isEqualTo("Waltz (2)");
        assertThat(DuplicateTitle.of("Waltz (2)", List.of("Waltz (3)"))).isEqualTo("Waltz (4)");
        String longest = "x".repeat(NameRule.LONGEST);
        assertThat(NameRule.check("title", DuplicateTitle.of(longest, List.of())))
                .endsWith(" (2)");
        String numbered = "x".repeat(NameRule.LONGEST - 4) + " (9)";
        assertThat(NameRule.check("title", DuplicateTitle.of(numbered, List.of())))
                .as("one digit more")
                .endsWith(" (10)");
    }
}
