package apodex.audio;

import apodex.time.SampleRate;
import jakarta.annotation.Nullable;

/**
 * What a sound file is, read from its header.
 *
 * @param container what it is kept in
 * @param rate      frames per second
 * @param frames    length in frames
 * @param layout    where its samples lie; null for FLAC, which must be decoded first
 * @param channels  number of channels
 * @param sample    sample format as stored (for FLAC, as decoded)
 * @param broadcast the broadcast extension where there is one
 */
public record SoundInfo(
        Container container,
        SampleRate rate,
        long frames,
        @Nullable PcmLayout layout,
        int channels,
        SampleFormat sample,
        @Nullable BroadcastExtension broadcast) {

    /** The file types Apodex reads. */
    public enum Container {
        WAV("WAV"),
        RF64("RF64"),
        BW64("BW64"),
        AIFF("AIFF"),
        AIFC("AIFF-C"),
        FLAC("FLAC");

        private final String label;

        Container(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }
}
