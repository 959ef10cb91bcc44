package apodex.audio;

import static apodex.audio.SoundBytes.integers;
import static java.nio.ByteOrder.LITTLE_ENDIAN;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/** Files that are broken in the ways files are broken. Each must be refused with a sentence. */
public final class BadFiles {
    private BadFiles() {}

    /**
     * @param name  what is wrong with it
     * @param bytes the file
     * @param words a word its refusal must hold
     */
    public record Bad(String name, byte[] bytes, String words) {
        @Override
        public String toString() {
            return name;
        }
    }

    public static List<Bad> all() {
        byte[] good = SoundBytes.mono24(1, 2, 3, 4, 5, 6, 7, 8);
        List<Bad> bad = new ArrayList<>(List.of(
                new Bad("empty", new byte[0], "empty"),
                new Bad("five bytes", new byte[] {1, 2, 3, 4, 5}, "short"),
                new Bad(
                        "text",
                        "This is no sound but a letter to the mixer.".getBytes(StandardCharsets.UTF_8),
                        "not a sound file"),
                new Bad("cut in its sound", Arrays.copyOf(good, good.length - 7), "cut short"),
                new Bad("cut in its header", Arrays.copyOf(good, 30), "“fmt”"),
                new Bad("nothing after RIFF", Arrays.copyOf(good, 12), "no “fmt”"),
                new Bad(
                        "no data chunk",
                        SoundBytes.riff().format(1, 1, 48_000, 16).wave(),
                        "no “data”"),
                new Bad(
                        "no fmt chunk",
                        SoundBytes.riff().chunk("data", new byte[8]).wave(),
                        "no “fmt”"),
                new Bad(
                        "header without one frame",
                        SoundBytes.riff()
                                .format(1, 1, 48_000, 16)
                                .chunk("data", new byte[0])
                                .wave(),
                        "not one frame"),
                new Bad(
                        "no channels",
                        SoundBytes.riff()
                                .format(1, 0, 48_000, 16)
                                .chunk("data", new byte[8])
                                .wave(),
                        "no channels"),
                new Bad(
                        "too many channels",
                        SoundBytes.riff()
                                .format(1, 65, 48_000, 8)
                                .chunk("data", new byte[650])
                                .wave(),
                        "65 channels"),
                new Bad(
                        "rate of zero",
                        SoundBytes.riff()
                                .format(1, 1, 0, 16)
                                .chunk("data", new byte[8])
                                .wave(),
                        "rate"),
                new Bad(
                        "rate beyond reason",
                        SoundBytes.riff()
                                .format(1, 1, 2_000_000_000, 16)
                                .chunk("data", new byte[8])
                                .wave(),
                        "rate"),
                new Bad(
                        "rate with its sign bit set",
                        SoundBytes.riff()
                                .format(1, 1, -48_000, 16)
                                .chunk("data", new byte[8])
                                .wave(),
                        "rate"),
                new Bad(
                        "zero bits",
                        SoundBytes.riff()
                                .format(1, 1, 48_000, 0)
                                .chunk("data", new byte[8])
                                .wave(),
                        "kind"),
                new Bad(
                        "unknown coding",
                        SoundBytes.riff()
                                .format(0x55, 1, 48_000, 16)
                                .chunk("data", new byte[8])
                                .wave(),
                        "kind"),
                new Bad(
                        "frame size that contradicts",
                        SoundBytes.riff()
                                .chunk("fmt ", SoundBytes.formatBody(1, 2, 48_000, 16, 5))
                                .chunk("data", new byte[20])
                                .wave(),
                        "contradicts"),
                new Bad(
                        "data size beyond the file",
                        SoundBytes.riff()
                                .format(1, 1, 48_000, 16)
                                .chunk("data", 0x7FFFFFFFL, new byte[8])
                                .wave(),
                        "cut short"),
                new Bad(
                        "data size of all ones",
                        SoundBytes.riff()
                                .format(1, 1, 48_000, 16)
                                .chunk("data", 0xFFFFFFFFL, new byte[8])
                                .wave(),
                        "cut short"),
                new Bad(
                        "chunk size beyond the file",
                        SoundBytes.riff()
                                .chunk("LIST", 0xFFFFFFF0L, new byte[4])
                                .format(1, 1, 48_000, 16)
                                .chunk("data", new byte[8])
                                .wave(),
                        "LIST"),
                new Bad(
                        "fmt of ten bytes",
                        SoundBytes.riff()
                                .chunk("fmt ", new byte[10])
                                .chunk("data", new byte[8])
                                .wave(),
                        "short"),
                new Bad(
                        "AIFF that promises too much",
                        SoundBytes.aiff()
                                .common(1, 1_000_000, 16, 48_000, null)
                                .sound(new byte[8])
                                .aiffFile("AIFF"),
                        "cut short"),
                new Bad(
                        "AIFF-C packed",
                        SoundBytes.aiff()
                                .common(1, 4, 16, 48_000, "ima4")
                                .sound(new byte[8])
                                .aiffFile("AIFC"),
                        "ima4"),
                new Bad(
                        "AIFF without COMM",
                        SoundBytes.aiff().sound(new byte[8]).aiffFile("AIFF"),
                        "COMM"),
                new Bad(
                        "AIFF without SSND",
                        SoundBytes.aiff().common(1, 4, 16, 48_000, null).aiffFile("AIFF"),
                        "SSND"),
                new Bad("FLAC's four letters alone", "fLaC".getBytes(StandardCharsets.US_ASCII), "short"),
                new Bad(
                        "FLAC cut in its stream info",
                        "fLaC\0\0\0\"0123456789".getBytes(StandardCharsets.US_ASCII),
                        "stream information"),
                new Bad("noise", noise(4_000), "not a sound file"),
                new Bad(
                        "float that is no number",
                        SoundBytes.riff()
                                .format(3, 1, 48_000, 32)
                                .chunk("data", SoundBytes.floats(LITTLE_ENDIAN, 0, Double.NaN, 0))
                                .wave(),
                        "not a number"),
                new Bad(
                        "float beyond all sound",
                        SoundBytes.riff()
                                .format(3, 1, 48_000, 32)
                                .chunk("data", SoundBytes.floats(LITTLE_ENDIAN, 0, 1e30))
                                .wave(),
                        "no sound"),
                new Bad(
                        "float without end",
                        SoundBytes.riff()
                                .format(3, 1, 48_000, 32)
                                .chunk("data", SoundBytes.floats(LITTLE_ENDIAN, Double.POSITIVE_INFINITY))
                                .wave(),
                        "not a number"),
                new Bad(
                        "picture",
                        SoundBytes.join(
                                new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10},
                                integers(LITTLE_ENDIAN, 4, List.of(1L, 2L))),
                        "not a sound file")));
        return bad;
    }

    private static byte[] noise(int length) {
        byte[] bytes = new byte[length];
        new SplittableRandom(7).nextBytes(bytes);
        return bytes;
    }
}
