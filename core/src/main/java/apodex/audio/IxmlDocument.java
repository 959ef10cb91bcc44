package apodex.audio;

import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes the names of a WAV file as an iXML document (open specification, version 2.0): project, scene, take, note, tracks, start. */
final class IxmlDocument {
    private static final String VERSION = "2.0";

    private IxmlDocument() {}

    /** The document in UTF-8, a line end behind it where that makes its length even. */
    static byte[] of(SoundLabel label, SampleFormat sample, int hertz, int channels) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter out = XMLOutputFactory.newInstance().createXMLStreamWriter(text);
            out.writeStartDocument("UTF-8", "1.0");
            out.writeStartElement("BWFXML");
            put(out, "IXML_VERSION", VERSION);
            put(out, "PROJECT", label.song());
            put(out, "SCENE", label.scene());
            put(out, "TAKE", label.take());
            put(out, "NOTE", label.note());
            speed(out, label, sample, hertz);
            out.writeStartElement("TRACK_LIST");
            put(out, "TRACK_COUNT", Integer.toString(channels));
            for (int channel = 1; channel <= channels; channel++) {
                out.writeStartElement("TRACK");
                put(out, "CHANNEL_INDEX", Integer.toString(channel));
                put(out, "INTERLEAVE_INDEX", Integer.toString(channel));
                put(out, "NAME", label.title());
                put(out, "FUNCTION", channels == 1 ? "" : channel == 1 ? "LEFT" : "RIGHT");
                out.writeEndElement();
            }
            out.writeEndElement();
            out.writeEndElement();
            out.writeEndDocument();
            out.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("A label has no XML form.", e);
        }
        String document = text.toString();
        byte[] bytes = document.getBytes(StandardCharsets.UTF_8);
        return (bytes.length & 1) == 0 ? bytes : (document + "\n").getBytes(StandardCharsets.UTF_8);
    }

    private static void speed(XMLStreamWriter out, SoundLabel label, SampleFormat sample, int hertz)
            throws XMLStreamException {
        out.writeStartElement("SPEED");
        put(out, "FILE_SAMPLE_RATE", Integer.toString(hertz));
        put(out, "AUDIO_BIT_DEPTH", Integer.toString(sample.bits()));
        if (label.broadcast() != null) {
            long start = label.broadcast().timeReference();
            put(out, "TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_HI", Long.toString(start >>> 32));
            put(out, "TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO", Long.toString(start & 0xFFFFFFFFL));
            put(out, "TIMESTAMP_SAMPLE_RATE", Integer.toString(hertz));
        }
        out.writeEndElement();
    }

    /** Empty ones are left out; characters that XML does not know become blanks. */
    private static void put(XMLStreamWriter out, String name, String text) throws XMLStreamException {
        if (text.isBlank()) {
            return;
        }
        out.writeStartElement(name);
        out.writeCharacters(text.replaceAll("[^\\t\\n\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]", " "));
        out.writeEndElement();
    }
}
