package apodex.handoff;

import apodex.audio.BroadcastExtension;
import apodex.audio.Digests;
import apodex.audio.SampleFormat;
import apodex.session.Session;
import apodex.session.Station;
import apodex.time.SampleRate;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;

/**
 * Fills the {@code bext} chunk of a print. Everything in it comes from the session, nothing from the clock, so that
 * printing twice gives the same bytes.
 */
final class BroadcastInfo {
    private BroadcastInfo() {}

    static BroadcastExtension of(
            Session session,
            String file,
            String rowName,
            Station station,
            SampleFormat depth,
            int channels,
            SampleRate rate,
            long startReference) {
        String description = session.song().title() + ": " + rowName + " (" + station.label() + ")";
        byte[] hash = Digests.sha256().digest((session.song().title() + "|" + file).getBytes(StandardCharsets.UTF_8));
        String reference = "APODEX" + HexFormat.of().withUpperCase().formatHex(hash, 0, 13);
        return new BroadcastExtension(
                description,
                "Apodex",
                reference,
                session.originated(),
                "00:00:00",
                startReference,
                codingHistory(rate.hertz(), depth, channels));
    }

    /** EBU R 98: algorithm, rate, word length, mode, free text. */
    private static String codingHistory(int hertz, SampleFormat depth, int channels) {
        return "A=PCM,F=" + hertz + ",W=" + depth.bits() + ",M=" + (channels == 1 ? "mono" : "stereo")
                + ",T=Apodex\r\n";
    }
}
