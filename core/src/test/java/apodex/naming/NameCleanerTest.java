package apodex.naming;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.session.Role;
import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;

final class NameCleanerTest {
    /** The table was written before the code: what an engineer would write on the sheet. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvFileSource(resources = "/names/dirty-names.csv", delimiter = ';')
    void everyDirtyNameReadsAsAnEngineerWouldWriteIt(String role, String written, String reads, String note) {
        NameCleaner.Cleaned cleaned = NameCleaner.clean(written, Role.valueOf(role.toUpperCase(Locale.ROOT)));
        assertThat(cleaned.name()).isEqualTo(reads);
        assertThat(cleaned.note()).isEqualTo(note == null ? "" : note);
        boolean kept = cleaned.name().equals(written);
        assertThat(NameCleaner.clean(reads, Role.valueOf(role.toUpperCase(Locale.ROOT)))
                        .name())
                .as("a clean name stays")
                .isEqualTo(kept ? written : reads);
    }

    /** Made-up names as strangers send them, with nobody to say what is what; written before the code as well. */
    @ParameterizedTest(name = "{0}")
    @CsvFileSource(resources = "/names/strangers-names.csv", delimiter = ';')
    void everyStrangersNameIsWrittenOutWithNothingHalf(String written, String reads, String note) {
        NameCleaner.Cleaned cleaned =
                NameCleaner.clean(written, RoleGuess.of(written).orElse(Role.OTHER));
        assertThat(cleaned.name()).isEqualTo(reads);
        assertThat(cleaned.note()).isEqualTo(note == null ? "" : note);
        assertThat(NameCleaner.clean(reads, RoleGuess.of(reads).orElse(Role.OTHER)))
                .as("a clean name stays")
                .isEqualTo(new NameCleaner.Cleaned(reads, ""));
    }

    @ParameterizedTest
    @CsvSource({
        "Baritone Guitar,GUITARS",
        "kik in,DRUMS",
        "LD VOX,VOICES",
        "Bass Clarinet,WINDS",
        "clk,CLICK",
        "Guide Vox,GUIDE",
        "Zither,",
        "Sub bass DI,BASS"
    })
    void aNameTellsItsRole(String name, Role role) {
        assertThat(RoleGuess.of(name).orElse(null)).isEqualTo(role);
    }
}
