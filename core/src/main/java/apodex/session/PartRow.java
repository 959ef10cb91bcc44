package apodex.session;

/**
 * One part of an instrument, such as a drum of a kit, on a row of its own.
 *
 * @param instrument id of the instrument row
 * @param part       name of the part
 */
public record PartRow(String id, String name, String instrument, String part, Strip strip) implements Row {
    @Override
    public PartRow withName(String newName) {
        return new PartRow(id, newName, instrument, part, strip);
    }

    @Override
    public PartRow withStrip(Strip newStrip) {
        return new PartRow(id, name, instrument, part, newStrip);
    }
}
