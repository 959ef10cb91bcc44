package apodex.session;

/** The sum of the rows that feed it. */
public record BusRow(String id, String name, Strip strip) implements Row {
    @Override
    public BusRow withName(String newName) {
        return new BusRow(id, newName, strip);
    }

    @Override
    public BusRow withStrip(Strip newStrip) {
        return new BusRow(id, name, newStrip);
    }
}
