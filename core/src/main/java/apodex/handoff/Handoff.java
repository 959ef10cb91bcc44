package apodex.handoff;

import apodex.naming.NameStyle;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.signal.Station;
import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Map;

/**
 * One session prepared for one receiver. Whatever is null has its usual value.
 *
 * @param name        who or what it is for
 * @param depth       sample format of the files; null for the recordings' own
 * @param format      container of the files; WAV
 * @param rate        rate of the files; the session's
 * @param chosen      what to print; null for Raw, and Shaped where inserts are kept, of every row that has sound, and the
 *                    reference mix
 * @param returns     what becomes of returns at Bus and Mix; own files
 * @param dynamics    how shared effects act on one row at Bus and Mix; in place
 * @param range       what stretch of the song; all of it
 * @param leadInBars  bars of silence before it; 0
 * @param tailSeconds how long files go on after the range; until all is quiet
 * @param sides       channels by row; automatic
 * @param trimsDb     trims by row; a bus's trim goes for the bus and for what feeds it
 * @param notes       whether the notes of instrument rows come as Standard MIDI Files; yes, where there are any
 * @param listening   whether an MP3 of the reference mix comes with it; no
 * @param naming      how file names are put together; number, row and what it is
 */
public record Handoff(
        String name,
        @Nullable Depth depth,
        @Nullable Format format,
        @Nullable SampleRate rate,
        @Nullable List<Choice> chosen,
        @Nullable Returns returns,
        @Nullable Dynamics dynamics,
        @Nullable Stretch range,
        @Nullable Integer leadInBars,
        @Nullable Double tailSeconds,
        @Nullable Map<String, Sides> sides,
        @Nullable Map<String, Double> trimsDb,
        @Nullable Boolean notes,
        @Nullable Boolean listening,
        @Nullable NameStyle naming) {
    public Handoff {
        format = format == null ? Format.WAV : format;
        chosen = chosen == null ? null : List.copyOf(chosen);
        returns = returns == null ? Returns.OWN_FILES : returns;
        dynamics = dynamics == null ? Dynamics.IN_PLACE : dynamics;
        leadInBars = leadInBars == null ? 0 : leadInBars;
        sides = sides == null ? Map.of() : Map.copyOf(sides);
        trimsDb = trimsDb == null ? Map.of() : Map.copyOf(trimsDb);
        notes = notes == null || notes;
        listening = listening != null && listening;
        naming = naming == null ? NameStyle.USUAL : naming;
    }

    /** One with file names as usual. */
    public Handoff(String name, @Nullable Depth depth, @Nullable Format format, @Nullable SampleRate rate,
            @Nullable List<Choice> chosen, @Nullable Returns returns, @Nullable Dynamics dynamics, @Nullable Stretch range,
            @Nullable Integer leadInBars, @Nullable Double tailSeconds, @Nullable Map<String, Sides> sides,
            @Nullable Map<String, Double> trimsDb, @Nullable Boolean notes, @Nullable Boolean listening) {
        this(name, depth, format, rate, chosen, returns, dynamics, range, leadInBars, tailSeconds, sides, trimsDb, notes, listening, null);
    }

    /** A row at a station. */
    public record Choice(String row, Station station) {
        public Choice {
            if (row == null || station == null) {
                throw new IllegalArgumentException("A choice names a row and a station.");
            }
        }
    }

    /** Containers a print can have. */
    public enum Format {
        @JsonProperty("wav") WAV(".wav", "WAV"),
        @JsonProperty("aiff") AIFF(".aif", "AIFF"),
        @JsonProperty("flac") FLAC(".flac", "FLAC");

        private final String ending;
        private final String label;

        Format(String ending, String label) {
            this.ending = ending;
            this.label = label;
        }

        String ending() {
            return ending;
        }

        public String label() {
            return label;
        }
    }

    /** What of a row's channels is printed. */
    public enum Sides {
        /** Mono when both sides are alike or one is silent; otherwise stereo. */
        @JsonProperty("automatic") AUTOMATIC,
        @JsonProperty("mono") MONO,
        @JsonProperty("stereo") STEREO,
        /** Left and right as two mono files. */
        @JsonProperty("twoMono") TWO_MONO
    }

    public static Handoff named(String name) {
        return new Handoff(name, null, null, null, null, null, null, null, null, null, null, null, null, null);
    }

    /** Only these files, in this sample format. */
    public Handoff printing(@Nullable Depth newDepth, @Nullable List<Choice> choices) {
        return new Handoff(name, newDepth, format, rate, choices, returns, dynamics, range, leadInBars, tailSeconds, sides,
                trimsDb, notes, listening, naming);
    }
}
