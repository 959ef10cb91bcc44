package apodex.audio;

import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Named places in Vorbis comments, as the chapter extension of that form has them ({@code CHAPTER001=00:00:12.000},
 * {@code CHAPTER001NAME=Verse}): to the millisecond, since that is what it counts.
 */
final class FlacChapters {
    private static final Pattern KEY = Pattern.compile("CHAPTER(\\d{1,3})");
    private static final Pattern TIME = Pattern.compile("(\\d{1,2}):(\\d{2}):(\\d{2}(?:\\.\\d{1,9})?)");

    private FlacChapters() {}

    static String key(int index) {
        return String.format(Locale.ROOT, "CHAPTER%03d", index + 1);
    }

    static String nameKey(int index) {
        return key(index) + "NAME";
    }

    static String time(double seconds) {
        long millis = Math.round(seconds * 1_000);
        return String.format(
                Locale.ROOT,
                "%02d:%02d:%02d.%03d",
                millis / 3_600_000,
                millis / 60_000 % 60,
                millis / 1_000 % 60,
                millis % 1_000);
    }

    /** In the order of their numbers. @param comments by their names in capitals */
    static List<SoundFacts.Mark> read(Map<String, String> comments, SampleRate rate) {
        List<SoundFacts.Mark> marks = new ArrayList<>();
        comments.keySet().stream().sorted().forEach(key -> {
            Matcher time = TIME.matcher(comments.get(key).strip());
            if (KEY.matcher(key).matches() && time.matches()) {
                double seconds = 3_600 * Integer.parseInt(time.group(1))
                        + 60 * Integer.parseInt(time.group(2))
                        + Double.parseDouble(time.group(3));
                String name = comments.getOrDefault(key + "NAME", "");
                marks.add(new SoundFacts.Mark(Math.round(seconds * rate.hertz()), SoundFacts.tidy(name)));
            }
        });
        return marks;
    }
}
