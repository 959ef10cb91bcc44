package apodex.audio;

import jakarta.annotation.Nullable;
import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * What an iXML chunk says that is of use here; the rest of it is passed over. What is written before the document breaks is kept.
 *
 * @param tracks names by channel, from 1
 * @param note   of the recording; empty when there is none
 * @param start  where its first frame lies; null when it does not say
 */
record IxmlFacts(Map<Integer, String> tracks, String note, @Nullable SoundFacts.Start start) {
    private static final int LONGEST = 500;

    /** @param document as the chunk holds it, in the encoding it says itself; zeros may follow */
    static IxmlFacts read(byte[] document) {
        int end = document.length;
        while (end > 0 && (document[end - 1] == 0 || Character.isWhitespace(document[end - 1]))) {
            end--;
        }
        int start = 0;
        while (start < end && Character.isWhitespace(document[start])) {
            start++;
        }
        Found found = new Found();
        try {
            XMLStreamReader reader =
                    factory().createXMLStreamReader(new ByteArrayInputStream(Arrays.copyOfRange(document, start, end)));
            found.read(reader);
        } catch (XMLStreamException e) {
            found.endTrack(); // what was understood until then holds
        }
        return new IxmlFacts(Map.copyOf(found.tracks), found.note, found.start());
    }

    /** It reads this document and no other: nothing outside is fetched or unfolded. */
    private static XMLInputFactory factory() {
        XMLInputFactory factory = XMLInputFactory.newFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        return factory;
    }

    private static final class Found {
        private final Map<Integer, String> tracks = new HashMap<>();
        private final Map<String, String> track = new HashMap<>();
        private final Map<String, String> speed = new HashMap<>();
        private final Deque<String> path = new ArrayDeque<>();
        private final StringBuilder text = new StringBuilder();
        private String note = "";

        void read(XMLStreamReader reader) throws XMLStreamException {
            while (reader.hasNext()) {
                switch (reader.next()) {
                    case XMLStreamConstants.START_ELEMENT -> {
                        path.push(reader.getLocalName());
                        text.setLength(0);
                        if (path.peek().equals("TRACK")) {
                            track.clear();
                        }
                    }
                    case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> text.append(reader.getText());
                    case XMLStreamConstants.END_ELEMENT -> end(path.pop());
                    default -> {}
                }
            }
        }

        private void end(String name) {
            String said = SoundFacts.tidy(text.length() > LONGEST ? text.substring(0, LONGEST) : text.toString());
            text.setLength(0);
            if (name.equals("TRACK")) {
                endTrack();
            } else if (path.contains("TRACK")) {
                track.put(name, said);
            } else if (path.contains("SPEED")) {
                speed.put(name, said);
            } else if (name.equals("NOTE")) {
                note = said;
            }
        }

        /** Samples since midnight in two halves of 32 bits, and by what rate they are counted (iXML, “SPEED”). */
        @Nullable
        SoundFacts.Start start() {
            String high = speed.getOrDefault("TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_HI", "0");
            String low = speed.getOrDefault("TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO", "");
            String rate = speed.getOrDefault("TIMESTAMP_SAMPLE_RATE", speed.getOrDefault("FILE_SAMPLE_RATE", ""));
            boolean whole = high.matches("\\d{1,9}") && low.matches("\\d{1,10}") && rate.matches("[1-9]\\d{3,6}");
            return whole
                    ? new SoundFacts.Start(Long.parseLong(high) << 32 | Long.parseLong(low), Integer.parseInt(rate))
                    : null;
        }

        void endTrack() {
            String index = track.getOrDefault("INTERLEAVE_INDEX", track.getOrDefault("CHANNEL_INDEX", ""));
            String name = track.getOrDefault("NAME", "");
            if (!name.isEmpty() && index.matches("[1-9]\\d{0,2}")) {
                tracks.put(Integer.parseInt(index), name);
            }
            track.clear();
        }
    }
}
