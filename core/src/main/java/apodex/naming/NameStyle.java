package apodex.naming;

import apodex.session.Station;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * How file names are put together: which parts in which order, and how they are written.
 *
 * @param parts     each at most once; number and row, and what it is, when null
 * @param separator between parts; an underscore
 * @param letters   capitals; as written
 * @param longest   letters a name can have without its ending, 16 to 120; the row's own name is cut, its take and side never; 100
 * @param version   what stands for the version; {@code v1}
 * @param numbers   what rows are numbered by; the session
 * @param words     what files of a station are called instead of what is usual, by station; empty for nothing
 * @param left      what the name of a left side ends in; {@code .L}
 * @param right     what the name of a right side ends in; {@code .R}
 */
public record NameStyle(
        @Nullable List<Part> parts,
        @Nullable Separator separator,
        @Nullable Letters letters,
        @Nullable Integer longest,
        @Nullable String version,
        @Nullable Numbers numbers,
        @Nullable Map<Station, String> words,
        @Nullable String left,
        @Nullable String right) {
    public static final NameStyle USUAL = new NameStyle(null, null, null, null, null);
    private static final int SHORTEST = 16;
    private static final int LONGEST = 120;
    private static final int LONGEST_MARK = 12;

    /** What a name can be made of. */
    public enum Part {
        /** The row's number in the session. */
        @JsonProperty("number")
        NUMBER,
        @JsonProperty("song")
        SONG,
        /** The first bus the row feeds. */
        @JsonProperty("group")
        GROUP,
        @JsonProperty("row")
        ROW,
        /** Dry, DI, Amp, Wet, Bus...: nothing for a row's only file. */
        @JsonProperty("what")
        WHAT,
        @JsonProperty("version")
        VERSION,
        @JsonProperty("tempo")
        TEMPO,
        @JsonProperty("key")
        KEY,
        /** When it was recorded. */
        @JsonProperty("date")
        DATE
    }

    /** What stands between parts. */
    public enum Separator {
        @JsonProperty("underscore")
        UNDERSCORE("_"),
        @JsonProperty("hyphen")
        HYPHEN("-"),
        @JsonProperty("blank")
        BLANK(" "),
        @JsonProperty("spacedHyphen")
        SPACED_HYPHEN(" - ");

        private final String text;

        Separator(String text) {
            this.text = text;
        }
    }

    /** How capitals are written. */
    public enum Letters {
        @JsonProperty("asWritten")
        AS_WRITTEN,
        @JsonProperty("lower")
        LOWER,
        @JsonProperty("upper")
        UPPER
    }

    /** What a row's number is. */
    public enum Numbers {
        /** Its place in the receiver's order, the same in every folder. */
        @JsonProperty("session")
        SESSION,
        /** Its place in the folder, without holes. */
        @JsonProperty("folder")
        FOLDER
    }

    /** Which side of a row that is split into two files. */
    public enum Side {
        BOTH,
        LEFT,
        RIGHT
    }

    /** One that numbers, words and sides are usual in. */
    public NameStyle(
            @Nullable List<Part> parts,
            @Nullable Separator separator,
            @Nullable Letters letters,
            @Nullable Integer longest,
            @Nullable String version) {
        this(parts, separator, letters, longest, version, null, null, null, null);
    }

    public NameStyle {
        numbers = numbers == null ? Numbers.SESSION : numbers;
        words = words == null ? Map.of() : Map.copyOf(words);
        left = mark(left, ".L");
        right = mark(right, ".R");
        if (left.equalsIgnoreCase(right)) {
            throw new IllegalArgumentException("Left and right sides need different marks, not “" + left + "” twice.");
        }
        parts = parts == null ? List.of(Part.NUMBER, Part.ROW, Part.WHAT) : List.copyOf(parts);
        separator = separator == null ? Separator.UNDERSCORE : separator;
        letters = letters == null ? Letters.AS_WRITTEN : letters;
        longest = longest == null ? 100 : longest;
        version = version == null || version.isBlank() ? "v1" : SafeName.of(version.strip());
        if (!parts.contains(Part.ROW) && !parts.contains(Part.NUMBER)
                || parts.stream().distinct().count() != parts.size()) {
            throw new IllegalArgumentException("A file name holds the number or the row, and no part twice.");
        }
        if (longest < SHORTEST || longest > LONGEST) {
            throw new IllegalArgumentException("A file name is 16 to 120 letters long, not " + longest + ".");
        }
    }

    /** With another version in the names; empty for none. */
    public NameStyle withVersion(String other) {
        return new NameStyle(parts, separator, letters, longest, other, numbers, words, left, right);
    }

    /** With rows numbered by something else. */
    public NameStyle numberedBy(Numbers other) {
        return new NameStyle(parts, separator, letters, longest, version, other, words, left, right);
    }

    /** With another word for files of a station; empty for none. */
    public NameStyle calling(Station station, String word) {
        Map<Station, String> more = new EnumMap<>(Station.class);
        more.putAll(words);
        more.put(station, word);
        return new NameStyle(parts, separator, letters, longest, version, numbers, more, left, right);
    }

    private static String mark(@Nullable String written, String usual) {
        if (written == null || written.isBlank()) {
            return usual;
        }
        if (written.length() > LONGEST_MARK || !("x" + written + "x").equals(SafeName.of("x" + written + "x"))) {
            throw new IllegalArgumentException("A side’s mark is 1 to " + LONGEST_MARK
                    + " letters that a file name can hold, not “" + written + "”.");
        }
        return written;
    }

    private String mark(Side side) {
        return switch (side) {
            case BOTH -> "";
            case LEFT -> left;
            case RIGHT -> right;
        };
    }

    /** Joins what the parts are for one file; empty ones are left out. */
    String join(NameParts values) {
        int others = values.marks().length() + mark(values.side()).length();
        int shown = 0;
        for (Part part : parts) {
            String text = values.of(part, this);
            if (!text.isEmpty()) {
                shown++;
                others += part == Part.ROW ? 0 : text.length();
            }
        }
        int room = Math.max(4, longest - others - Math.max(0, shown - 1) * separator.text.length());
        StringBuilder name = new StringBuilder();
        for (Part part : parts) {
            String text = values.of(part, this);
            if (part == Part.ROW && text.length() > room) {
                int end = Character.isHighSurrogate(text.charAt(room - 1)) ? room - 1 : room;
                text = text.substring(0, end).strip();
            }
            text += part == Part.ROW ? values.marks() : "";
            if (!text.isEmpty()) {
                name.append(name.isEmpty() ? "" : separator.text).append(text);
            }
        }
        name.append(mark(values.side()));
        return switch (letters) {
            case AS_WRITTEN -> name.toString();
            case LOWER -> name.toString().toLowerCase(Locale.ROOT);
            case UPPER -> name.toString().toUpperCase(Locale.ROOT);
        };
    }
}
