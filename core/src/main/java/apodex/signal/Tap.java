package apodex.signal;

import apodex.audio.BroadcastExtension;
import apodex.audio.SampleFormat;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.nio.file.Path;

/**
 * A file to be written during the walk.
 *
 * @param row        the row it is taken from
 * @param station    where on the row's path
 * @param channels   what of its sides
 * @param depth      sample format of the file
 * @param rate       its rate; the session's, or the walk resamples
 * @param container  what it is kept in
 * @param trimDb     gain on the way into the file
 * @param file       where it is written; must not exist
 * @param broadcast  its {@code bext} chunk, where the container has one
 * @param ditherSeed seed of its dither noise
 */
public record Tap(
        String row,
        Station station,
        Channels channels,
        SampleFormat depth,
        SampleRate rate,
        FileType container,
        double trimDb,
        Path file,
        @Nullable BroadcastExtension broadcast,
        long ditherSeed) {

    /** Uncompressed containers a walk can write. */
    public enum FileType {
        WAV,
        AIFF
    }
}
