package apodex.signal;

import apodex.audio.BroadcastExtension;
import apodex.audio.SampleFormat;
import java.nio.file.Path;

/**
 * A file to be written during the walk.
 *
 * @param row        the row it is taken from
 * @param station    where on the row's path
 * @param channels   what of its sides
 * @param depth      sample format of the file
 * @param file       where it is written; must not exist
 * @param broadcast  its {@code bext} chunk
 * @param ditherSeed seed of its dither noise
 */
public record Tap(
        String row,
        Station station,
        Channels channels,
        SampleFormat depth,
        Path file,
        BroadcastExtension broadcast,
        long ditherSeed) {}
