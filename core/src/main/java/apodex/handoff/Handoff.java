package apodex.handoff;

import apodex.session.AudioRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Take;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * One session prepared for one receiver: what is asked for, and what was set by hand beside it. The session itself stays as
 * it is.
 *
 * @param name     who or what it is for
 * @param brief    what is asked for
 * @param settings what is set for all files of this handoff in place of what the brief says
 * @param added    files that are printed although the brief does not ask for them
 * @param leftOut  files that are not printed although it does
 * @param sections what stretches of the song; none for all of it
 * @param byRow    what is set for single rows, by their ids
 * @param order    rows in the receiver's order; those that are not named follow in the session's
 * @param message  what the sender says on the session sheet; null for nothing
 */
public record Handoff(
        String name,
        Brief brief,
        Settings settings,
        List<Choice> added,
        List<Choice> leftOut,
        List<Section> sections,
        Map<String, RowByHand> byRow,
        List<String> order,
        @Nullable String message) {
    private static final int LONGEST_MESSAGE = 4_000;

    public Handoff {
        brief = brief == null ? Brief.FOR_MIXING : brief;
        settings = settings == null ? Settings.OPEN : settings;
        added = added == null ? List.of() : List.copyOf(added);
        leftOut = leftOut == null ? List.of() : List.copyOf(leftOut);
        sections = sections == null ? List.of() : List.copyOf(sections);
        byRow = byRow == null ? Map.of() : Map.copyOf(byRow);
        order = order == null ? List.of() : List.copyOf(order);
        message = message == null || message.isBlank() ? null : message.strip();
        if (message != null && message.length() > LONGEST_MESSAGE) {
            throw new IllegalArgumentException(
                    "A message has " + LONGEST_MESSAGE + " letters at the most, not " + message.length() + ".");
        }
    }

    /** What holds for all files: this handoff's own settings, the brief's behind them, and then what is usual. */
    public Settings settled() {
        return settings.over(brief.settings()).over(Settings.USUAL);
    }

    /** What is set for one row. */
    public RowByHand row(String id) {
        return byRow.getOrDefault(id, RowByHand.NOTHING);
    }

    /** A row at a station. */
    public record Choice(String row, Station station) {
        public Choice {
            if (row == null || station == null) {
                throw new IllegalArgumentException("A choice names a row and a station.");
            }
        }
    }

    /** What of a row's channels is printed. */
    public enum Sides {
        /** Mono when both sides are alike or one is silent; otherwise stereo. */
        @JsonProperty("automatic")
        AUTOMATIC,
        @JsonProperty("mono")
        MONO,
        @JsonProperty("stereo")
        STEREO,
        /** Left and right as two mono files. */
        @JsonProperty("twoMono")
        TWO_MONO
    }

    /** What a mixer gets. */
    public static Handoff named(String name) {
        return new Handoff(name, null, null, null, null, null, null, null, null);
    }

    public Handoff named(String other, Brief asked) {
        return new Handoff(other, asked, settings, added, leftOut, sections, byRow, order, message);
    }

    /** By another brief; what was set by hand stays. */
    public Handoff with(Brief other) {
        return new Handoff(name, other, settings, added, leftOut, sections, byRow, order, message);
    }

    /** With other settings by hand: those that are null come from the brief. */
    public Handoff with(Settings other) {
        return new Handoff(name, brief, other, added, leftOut, sections, byRow, order, message);
    }

    /** With other files added to what the brief asks for, and others left out of it. */
    public Handoff withFiles(List<Choice> newAdded, List<Choice> newLeftOut) {
        return new Handoff(name, brief, settings, newAdded, newLeftOut, sections, byRow, order, message);
    }

    /** With other stretches of the song; none is the whole of it. */
    public Handoff withSections(List<Section> other) {
        return new Handoff(name, brief, settings, added, leftOut, other, byRow, order, message);
    }

    /** With the rows in another order, by id; those not named follow in the session's. */
    public Handoff withOrder(List<String> other) {
        return new Handoff(name, brief, settings, added, leftOut, sections, byRow, other, message);
    }

    /** With one row's choices changed. */
    public Handoff withRow(String id, UnaryOperator<RowByHand> change) {
        Map<String, RowByHand> rows = new LinkedHashMap<>(byRow);
        rows.put(id, change.apply(row(id)));
        rows.values().removeIf(RowByHand.NOTHING::equals);
        return new Handoff(name, brief, settings, added, leftOut, sections, rows, order, message);
    }

    /** With a message to the receiver; null takes it away. */
    public Handoff saying(@Nullable String words) {
        return new Handoff(name, brief, settings, added, leftOut, sections, byRow, order, words);
    }

    /** Only these files, in this sample format. */
    public Handoff printing(@Nullable Depth depth, @Nullable List<Choice> choices) {
        Handoff deep = with(settings.withDepth(depth));
        return choices == null ? deep : deep.with(Brief.BY_HAND).withFiles(choices, List.of());
    }

    /**
     * The same with every file louder or quieter by so many dB, the balance between them kept.
     *
     * @param session as it is
     */
    public Handoff turned(Session session, double db) {
        return Trims.turned(session, this, db);
    }

    /**
     * An insert of a row kept in the sound here, or not.
     *
     * @param insert which of the row's inserts, from 0
     * @throws IllegalArgumentException when there is no such row or insert
     */
    public Handoff keeping(Session session, String row, int insert, boolean keep) {
        Row found = row(session, row);
        if (insert < 0 || insert >= found.strip().inserts().size()) {
            throw new IllegalArgumentException("“" + found.name() + "” has no insert " + (insert + 1) + ".");
        }
        return withRow(row, byHand -> byHand.keeping(found, insert, keep));
    }

    /**
     * A take of an audio row printed at Raw, or not.
     *
     * @throws IllegalArgumentException when there is no such row or take
     */
    public Handoff including(Session session, String row, String take, boolean include) {
        if (!(row(session, row) instanceof AudioRow audio)
                || audio.takes().stream().noneMatch(each -> each.id().equals(take))) {
            throw new IllegalArgumentException("There is no take “" + take + "” of row “" + row + "”.");
        }
        List<Take> printed = AsPlanned.takes(audio, this);
        List<Take> asBriefed = AsPlanned.takes(audio, withRow(row, byHand -> byHand.withTakes(null)));
        return withRow(row, byHand -> byHand.including(audio, take, include, printed, asBriefed));
    }

    private static Row row(Session session, String id) {
        return session.row(id)
                .orElseThrow(() -> new IllegalArgumentException("There is no row “" + id + "” in this session."));
    }
}
