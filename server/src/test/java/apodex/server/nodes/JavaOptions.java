package apodex.server.nodes;

import java.util.List;

/** How a Java program is started. */
enum JavaOptions {
    /** Soon there, which is what most tests wait for. */
    SOON_THERE("-Xmx400m", "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC"),
    /** As people start it, where it is measured. */
    AS_SERVED("-Xmx1g");

    private final List<String> words;

    JavaOptions(String... words) {
        this.words = List.of(words);
    }

    List<String> words() {
        return words;
    }
}
