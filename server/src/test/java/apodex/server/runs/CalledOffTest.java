package apodex.server.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CalledOffTest {
    @Test
    void aFailureIsOneAndACallIsNone(@TempDir Path folder) throws Exception {
        assertThatCode(() -> CalledOff.refuse(new IOException("The disk is broken.")))
                .doesNotThrowAnyException();
        Exception streams = new RuntimeException(new InterruptedException()); // as streams of the storage do
        assertThatThrownBy(() -> CalledOff.refuse(streams)).isInstanceOf(CancellationException.class);

        Path file = Files.write(folder.resolve("file"), new byte[10]);
        Thread.currentThread().interrupt();
        try (FileChannel channel = FileChannel.open(file)) {
            channel.read(ByteBuffer.allocate(1));
            throw new AssertionError("It read on.");
        } catch (IOException e) {
            assertThat(CalledOff.isIn(e)).isTrue();
            assertThat(Thread.interrupted()).isTrue();
            assertThat(CalledOff.isIn(new IOException(e)))
                    .as("whoever forgot the call on the way")
                    .isTrue();
        }
    }
}
