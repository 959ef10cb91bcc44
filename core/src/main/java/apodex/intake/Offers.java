package apodex.intake;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.NamedBy;
import apodex.session.RemoveRow;
import apodex.session.RenameRow;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.SetTakes;
import apodex.session.Take;
import apodex.session.Together;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Rows that look as if they were parts of one: a left and a right of one sound, numbered parts of one name. Nothing is done
 * unless somebody says so.
 */
public final class Offers {
    private static final Pattern SIDE = Pattern.compile(
            "(.*?)[\\s._-]*(?:[\\s._-](l|left|lft|r|right|rgt)|\\((l|r|left|right)\\)|\\.(l|r))",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern NUMBERED = Pattern.compile("(.*\\D)[\\s._-]+(0*\\d{1,3})");

    /**
     * One offer.
     *
     * @param kind  what would be made
     * @param words what it is about, in a sentence
     * @param rows  the rows it is about
     * @param edit  what makes it; null for a pair, whose recording has to be made first
     */
    public record Offer(Kind kind, String words, List<String> rows, @Nullable SessionEdit edit) {}

    /** What rows can become. */
    public enum Kind {
        @JsonProperty("stereoRow")
        STEREO_ROW,
        @JsonProperty("clipsOfOneRow")
        CLIPS_OF_ONE_ROW,
        @JsonProperty("takesOfOneRow")
        TAKES_OF_ONE_ROW
    }

    private Offers() {}

    public static List<Offer> of(Session session) {
        List<Offer> offers = new ArrayList<>();
        pairs(session, offers);
        numbered(session, offers);
        return offers;
    }

    private static void pairs(Session session, List<Offer> offers) {
        Map<String, AudioRow> lefts = new LinkedHashMap<>();
        Map<String, AudioRow> rights = new LinkedHashMap<>();
        for (AudioRow row : session.audioRows()) {
            Matcher side = SIDE.matcher(row.name());
            if (side.matches() && StereoPair.isHalf(row)) {
                String letter = (side.group(2) != null
                                ? side.group(2)
                                : side.group(3) != null ? side.group(3) : side.group(4))
                        .toLowerCase(Locale.ROOT);
                (letter.startsWith("l") ? lefts : rights)
                        .putIfAbsent(side.group(1).strip().toLowerCase(Locale.ROOT), row);
            }
        }
        lefts.forEach((stem, left) -> {
            AudioRow right = rights.get(stem);
            if (right != null && StereoPair.fit(session, left, right)) {
                offers.add(new Offer(
                        Kind.STEREO_ROW,
                        left.name() + " and " + right.name() + " look like the two sides of one stereo row.",
                        List.of(left.id(), right.id()),
                        null));
            }
        });
    }

    private static void numbered(Session session, List<Offer> offers) {
        Map<String, List<AudioRow>> byStem = new LinkedHashMap<>();
        for (AudioRow row : session.audioRows()) {
            Matcher matcher = NUMBERED.matcher(row.name());
            if (matcher.matches()
                    && row.takes().size() == 1
                    && row.clips().size() == 1
                    && matcher.group(2).length() > 1) {
                byStem.computeIfAbsent(matcher.group(1).strip().replaceAll("[\\s._-]+$", ""), stem -> new ArrayList<>())
                        .add(row);
            }
        }
        byStem.forEach((stem, rows) -> {
            if (rows.size() > 1
                    && rows.stream()
                                    .map(row -> row.clips().get(0).channels())
                                    .distinct()
                                    .count()
                            == 1) {
                offers.add(
                        overlap(rows.stream().map(row -> row.clips().get(0)).toList())
                                ? takes(stem, rows)
                                : clips(stem, rows));
            }
        });
    }

    /** Whether any two clips lie over each other. */
    static boolean overlap(List<Clip> clips) {
        List<Clip> sorted =
                clips.stream().sorted(Comparator.comparingLong(Clip::position)).toList();
        for (int i = 1; i < sorted.size(); i++) {
            if (sorted.get(i).range().overlaps(sorted.get(i - 1).range())) {
                return true;
            }
        }
        return false;
    }

    private static Offer clips(String stem, List<AudioRow> rows) {
        List<Clip> clips = rows.stream()
                .map(row -> row.clips().get(0))
                .sorted(Comparator.comparingLong(Clip::position))
                .toList();
        return new Offer(
                Kind.CLIPS_OF_ONE_ROW,
                rows.size() + " parts called “" + stem + "” follow each other: clips of one row.",
                ids(rows),
                merged(stem, rows, List.of(new Take("t1", "Take 1", clips))));
    }

    private static Offer takes(String stem, List<AudioRow> rows) {
        List<Take> takes = new ArrayList<>();
        for (AudioRow row : rows) {
            takes.add(new Take("t" + (takes.size() + 1), "Take " + (takes.size() + 1), row.clips()));
        }
        return new Offer(
                Kind.TAKES_OF_ONE_ROW,
                rows.size() + " parts called “" + stem + "” lie over each other: takes of one row.",
                ids(rows),
                merged(stem, rows, takes));
    }

    private static SessionEdit merged(String stem, List<AudioRow> rows, List<Take> takes) {
        List<SessionEdit> edits = new ArrayList<>();
        edits.add(new SetTakes(rows.get(0).id(), takes, "t1"));
        edits.add(new RenameRow(rows.get(0).id(), stem, NamedBy.PROPOSAL));
        rows.stream().skip(1).forEach(row -> edits.add(new RemoveRow(row.id())));
        return new Together("Make one row of “" + (stem.length() > 80 ? stem.substring(0, 80) : stem) + "”", edits);
    }

    private static List<String> ids(List<AudioRow> rows) {
        return rows.stream().map(AudioRow::id).toList();
    }
}
