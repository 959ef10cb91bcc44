package apodex.audio;

import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/**
 * The kinds of sound file that Apodex makes, an entry each: how it ends, how it is written, what it says of itself and what it cannot
 * hold. Plain kinds are written while sound is made; packed ones are made from a plain file afterwards.
 */
public enum FileKind {
    /** EBU Tech 3285; names in iXML, the place in time in {@code bext}. */
    @JsonProperty("wav")
    WAV(".wav", "WAV", "audio/wav", ByteOrder.LITTLE_ENDIAN) {
        @Override
        public SoundWriter open(
                @Nullable Path file,
                SampleRate rate,
                int channels,
                SampleFormat sample,
                long frames,
                @Nullable SoundLabel label)
                throws IOException {
            return new WavWriter(file, rate, channels, sample, frames, label);
        }

        @Override
        public long bytes(SampleRate rate, int channels, SampleFormat sample, long frames, @Nullable SoundLabel label) {
            return WavWriter.fileBytes(rate, channels, sample, frames, label);
        }

        @Override
        public boolean isStamped() {
            return true;
        }
    },
    /** AIFF, or AIFF-C for floats; names in ID3. */
    @JsonProperty("aiff")
    AIFF(".aif", "AIFF", "audio/aiff", ByteOrder.BIG_ENDIAN) {
        @Override
        public SoundWriter open(
                @Nullable Path file,
                SampleRate rate,
                int channels,
                SampleFormat sample,
                long frames,
                @Nullable SoundLabel label)
                throws IOException {
            return new AiffWriter(file, rate, channels, sample, frames, label);
        }

        @Override
        public long bytes(SampleRate rate, int channels, SampleFormat sample, long frames, @Nullable SoundLabel label) {
            return AiffWriter.fileBytes(channels, sample, frames, label);
        }
    },
    /** RFC 9639; names in Vorbis comments. */
    @JsonProperty("flac")
    FLAC(".flac", "FLAC", "audio/flac", null) {
        @Override
        void encode(Path sound, Path packed, SoundLabel label) throws IOException {
            FlacWriter.encode(sound, packed, label);
        }

        @Override
        public Optional<String> cannotHold(SampleFormat sample) {
            return sample.isFloat() || sample.bits() > FlacWriter.DEEPEST.bits()
                    ? Optional.of("FLAC holds 16 or 24 bits here, not " + sample.label() + ".")
                    : Optional.empty();
        }
    },
    /** To listen to; names in ID3. */
    @JsonProperty("mp3")
    MP3(".mp3", "MP3", "audio/mpeg", null) {
        @Override
        void encode(Path sound, Path packed, SoundLabel label) throws IOException {
            Mp3Writer.encode(sound, packed, label);
        }

        @Override
        public boolean isLossy() {
            return true;
        }
    };

    private final String ending;
    private final String label;
    private final String mediaType;
    private final @Nullable ByteOrder order;

    FileKind(String ending, String label, String mediaType, @Nullable ByteOrder order) {
        this.ending = ending;
        this.label = label;
        this.mediaType = mediaType;
        this.order = order;
    }

    /** With its dot. */
    public String ending() {
        return ending;
    }

    public String label() {
        return label;
    }

    /** As the web names it (IANA media types). */
    public String mediaType() {
        return mediaType;
    }

    /** Whether a plain file is made first and this from it. */
    public boolean isPacked() {
        return order == null;
    }

    /** The kind that is written while sound is made: this, or the one it is packed from. */
    public FileKind plain() {
        return isPacked() ? WAV : this;
    }

    /** Whether it says where its first frame lies. */
    public boolean isStamped() {
        return false;
    }

    /** Whether it holds something like the sound, and not the sound. */
    public boolean isLossy() {
        return false;
    }

    /** Order of the bytes of a sample, in a plain kind. */
    public ByteOrder order() {
        return Optional.ofNullable(order)
                .orElseThrow(() -> new IllegalStateException(label + " holds no plain samples."));
    }

    /** Why samples of this format have no place in it, in a sentence; empty when they have. */
    public Optional<String> cannotHold(SampleFormat sample) {
        return Optional.empty();
    }

    /**
     * Opens a new file of a plain kind and writes its header.
     *
     * @param file   must not exist; null to write nothing, for whoever listens
     * @param frames frames that will be written, or the most there can be
     * @param label  what it says of itself; null for nothing
     * @throws IOException also when it would be larger than the kind can be
     */
    public SoundWriter open(
            @Nullable Path file,
            SampleRate rate,
            int channels,
            SampleFormat sample,
            long frames,
            @Nullable SoundLabel label)
            throws IOException {
        throw new IllegalStateException(this.label + " is packed from another file.");
    }

    /** Bytes of a file of a plain kind, header included; of a packed one those of the file it is made from. */
    public long bytes(SampleRate rate, int channels, SampleFormat sample, long frames, @Nullable SoundLabel label) {
        return plain().bytes(rate, channels, sample, frames, label);
    }

    /**
     * Makes a file of a packed kind.
     *
     * @param sound a plain file, or a FLAC
     * @param packed must not exist
     */
    public void pack(Path sound, Path packed, SoundLabel label) throws IOException {
        if (SoundFile.examine(sound).layout() != null) {
            encode(sound, packed, label);
            return;
        }
        Path unpacked = packed.resolveSibling(packed.getFileName() + ".wav");
        try {
            FlacFile.decode(sound, unpacked);
            encode(unpacked, packed, label);
        } finally {
            Files.deleteIfExists(unpacked);
        }
    }

    void encode(Path sound, Path packed, SoundLabel label) throws IOException {
        throw new IllegalStateException(this.label + " is not packed.");
    }
}
