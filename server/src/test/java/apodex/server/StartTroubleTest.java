package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class StartTroubleTest {
    @TempDir
    private Path folder;

    @Test
    void aStartThatFailsSaysWhatToDoWithoutAStackTrace() throws Exception {
        Path file = Files.writeString(folder.resolve("data"), "a file where the data folder is to be");
        PrintStream before = System.out;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        try {
            assertThatThrownBy(() -> TestServer.start(file)).isInstanceOf(CannotStart.class);
        } finally {
            System.setOut(before);
        }
        assertThat(said.toString(StandardCharsets.UTF_8))
                .contains(
                        "The data folder " + file + " cannot be made or written to",
                        "Set APODEX_DATA to another folder, or let this user write there.")
                .doesNotContain("\tat ");
    }
}
