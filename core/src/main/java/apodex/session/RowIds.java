package apodex.session;

import java.util.UUID;

/** Ids for new rows. */
public final class RowIds {
    private static final int DIGITS = 10;

    private RowIds() {}

    /**
     * One that no row of any session ever had: what a handoff says of a row that was removed must not come to another that was made
     * later, not even after undo.
     */
    public static String fresh() {
        return "r" + UUID.randomUUID().toString().replace("-", "").substring(0, DIGITS);
    }

    /** A row under another id; there is one mix, and a part goes with its row. */
    public static Row under(String id, Row source) {
        if (source instanceof AudioRow audio) {
            return new AudioRow(id, audio.name(), audio.takes(), audio.active(), audio.strip(), audio.about());
        }
        if (source instanceof InstrumentRow player) {
            return new InstrumentRow(
                    id,
                    player.name(),
                    player.instrument(),
                    player.notes(),
                    player.strip(),
                    player.about(),
                    player.soundFrom(),
                    player.messages());
        }
        return source.kind() == RowKind.BUS
                ? new BusRow(id, source.name(), source.strip(), source.about())
                : new ReturnRow(id, source.name(), source.strip(), source.about());
    }
}
