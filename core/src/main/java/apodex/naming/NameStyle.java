package apodex.naming;

import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Locale;

/**
 * How file names are put together: which parts in which order, and how they are written.
 *
 * @param parts     each at most once; number and row, and what it is, when null
 * @param separator between parts; an underscore
 * @param letters   capitals; as written
 * @param longest   letters a name can have without its ending, 16 to 120; the row's part is cut first; 100
 * @param version   what stands for the version; {@code v1}
 */
public record NameStyle(
        @Nullable List<Part> parts,
        @Nullable Separator separator,
        @Nullable Letters letters,
        @Nullable Integer longest,
        @Nullable String version) {
    public static final NameStyle USUAL = new NameStyle(null, null, null, null, null);
    private static final int SHORTEST = 16;
    private static final int LONGEST = 120;

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

    public NameStyle {
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
        return new NameStyle(parts, separator, letters, longest, other);
    }

    /** Joins what the parts are for one file; empty ones are left out. */
    String join(NameParts values) {
        int others = 0;
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
            if (!text.isEmpty()) {
                name.append(name.isEmpty() ? "" : separator.text).append(text);
            }
        }
        return switch (letters) {
            case AS_WRITTEN -> name.toString();
            case LOWER -> name.toString().toLowerCase(Locale.ROOT);
            case UPPER -> name.toString().toUpperCase(Locale.ROOT);
        };
    }
}
