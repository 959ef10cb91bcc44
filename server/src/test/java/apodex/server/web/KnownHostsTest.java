package apodex.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class KnownHostsTest {
    @Test
    void namesThatWereToldAreKnownWhateverThePortAndTheCase() {
        KnownHosts hosts = new KnownHosts(List.of(" Studio.Example ", ""), List.of("", "https://Pickup.Example/"));
        assertThat(List.of("studio.example", "STUDIO.example:8443", "localhost:1", "pickup.example"))
                .allMatch(hosts::know);
        assertThat(List.of(
                        "other.example",
                        "x.studio.example",
                        "studio.example@evil.example",
                        "",
                        "999",
                        "studio.example:x"))
                .noneMatch(hosts::know);
    }
}
