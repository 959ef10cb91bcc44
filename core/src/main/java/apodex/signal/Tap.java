package apodex.signal;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.audio.SoundLabel;
import apodex.session.Station;
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
 * @param kind       what kind of file is written; a plain one
 * @param trimDb     gain on the way into the file
 * @param file       where it is written; must not exist; null when it is only measured
 * @param label      what it says of itself, as far as its kind has a place for it
 * @param ditherSeed seed of its dither noise
 */
public record Tap(
        String row,
        Station station,
        Channels channels,
        SampleFormat depth,
        SampleRate rate,
        FileKind kind,
        double trimDb,
        @Nullable Path file,
        @Nullable SoundLabel label,
        long ditherSeed) {

    /** The same, measured but not written: as floats, so that what passes full scale is told by how much. */
    public Tap withoutFile() {
        return new Tap(
                row, station, channels, SampleFormat.FLOAT32, rate, FileKind.WAV, trimDb, null, label, ditherSeed);
    }
}
