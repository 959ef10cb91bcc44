package apodex.server.pickups;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ByteArrayResource;

class FetchingTest {
    @Test
    void isFetchedOnceItsLastByteHasGoneOut() throws Exception {
        AtomicInteger fetched = new AtomicInteger();
        Fetching resource = new Fetching(new ByteArrayResource(new byte[100]), fetched::incrementAndGet);
        try (InputStream broken = resource.getInputStream()) {
            broken.readNBytes(99);
        }
        assertThat(fetched).hasValue(0);
        try (InputStream goesOn = resource.getInputStream()) {
            goesOn.skipNBytes(99);
            assertThat(fetched).hasValue(0);
            assertThat(goesOn.read()).isZero();
            assertThat(fetched).hasValue(1);
            assertThat(goesOn.read()).isNegative();
        }
        assertThat(fetched).as("once for each").hasValue(1);
    }
}
