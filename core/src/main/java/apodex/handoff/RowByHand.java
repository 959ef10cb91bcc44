package apodex.handoff;

import apodex.handoff.Handoff.Sides;
import apodex.session.AudioRow;
import apodex.session.Bounds;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.Station;
import apodex.session.Take;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What somebody set for one row of a handoff, beside the session.
 *
 * @param sides  its channels; null for what holds for all
 * @param trimDb gain on the way into its files, and for a bus into those of its members; null for none
 * @param kept   inserts that count as part of the sound here, whatever the session says
 * @param words  the word in the name of its file at a station, in place of the usual one; empty for none
 * @param takes  ids of the takes that are printed at Raw; null for the chosen one, and the others if all takes are asked for
 */
public record RowByHand(
        @Nullable Sides sides,
        @Nullable Double trimDb,
        @Nullable List<Kept> kept,
        @Nullable Map<Station, String> words,
        @Nullable List<String> takes) {
    public static final Bounds TRIM_DB = new Bounds(-48, 48);
    public static final RowByHand NOTHING = new RowByHand(null, null, null, null, null);

    public RowByHand {
        kept = kept == null ? List.of() : List.copyOf(kept);
        words = words == null ? Map.of() : Map.copyOf(words);
        takes = takes == null ? null : List.copyOf(takes);
    }

    /**
     * Whether an insert stays in the sound.
     *
     * @param effect name of the effect
     * @param nth    which of the row's inserts of this name, from 0
     */
    public record Kept(String effect, int nth, boolean kept) {}

    /** Null leaves it to the brief. */
    public RowByHand withSides(@Nullable Sides other) {
        return new RowByHand(other, trimDb, kept, words, takes);
    }

    /** In dB; null leaves it to the brief. */
    public RowByHand withTrim(@Nullable Double db) {
        return new RowByHand(sides, db, kept, words, takes);
    }

    /** Which inserts belong to the sound instead of to the mix. */
    public RowByHand withKept(List<Kept> other) {
        return new RowByHand(sides, trimDb, other, words, takes);
    }

    /**
     * An insert kept in the sound, or not, instead of what the session says; what it says anyway is not kept as set by hand.
     *
     * @param insert which of the row's inserts, from 0
     */
    RowByHand keeping(Row row, int insert, boolean keep) {
        List<Insert> inserts = row.strip().inserts();
        Insert it = inserts.get(insert);
        int nth = (int) inserts.subList(0, insert).stream()
                .filter(each -> each.effect().equals(it.effect()))
                .count();
        List<Kept> now = new ArrayList<>(kept);
        now.removeIf(each -> each.effect().equals(it.effect()) && each.nth() == nth);
        if (keep != it.kept()) {
            now.add(new Kept(it.effect(), nth, keep));
        }
        return withKept(now);
    }

    /**
     * A take printed at Raw, or not; what the brief has anyway is not kept as set by hand.
     *
     * @param printed  those that are now
     * @param asBriefed those that would be if nothing were set by hand
     */
    RowByHand including(AudioRow row, String take, boolean include, List<Take> printed, List<Take> asBriefed) {
        List<String> now = row.takes().stream()
                .filter(each -> each.id().equals(take) ? include : printed.contains(each))
                .map(Take::id)
                .toList();
        return withTakes(now.equals(asBriefed.stream().map(Take::id).toList()) ? null : now);
    }

    /** Words for the row's files at single stations, instead of the row's name. */
    public RowByHand withWords(Map<Station, String> other) {
        return new RowByHand(sides, trimDb, kept, other, takes);
    }

    /** Ids of takes to print; null leaves it to the brief. */
    public RowByHand withTakes(@Nullable List<String> other) {
        return new RowByHand(sides, trimDb, kept, words, other);
    }
}
