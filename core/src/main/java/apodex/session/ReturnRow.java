package apodex.session;

/** An effect that rows send to; what it gives back goes on like a row. */
public record ReturnRow(String id, String name, Strip strip) implements Row {
    @Override
    public ReturnRow withName(String newName) {
        return new ReturnRow(id, newName, strip);
    }

    @Override
    public ReturnRow withStrip(Strip newStrip) {
        return new ReturnRow(id, name, newStrip);
    }
}
