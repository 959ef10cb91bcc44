package apodex.session;

/**
 * The sum of everything. Every session has one, at the end.
 *
 * @param strip inserts and fader; it feeds nothing
 */
public record MixRow(String id, String name, Strip strip) implements Row {
    public static final String ID = "mix";
    public static final MixRow DEFAULT = new MixRow(ID, "Mix", Strip.feeding());

    public MixRow {
        strip = strip == null ? Strip.feeding() : strip;
    }

    @Override
    public MixRow withName(String newName) {
        return new MixRow(id, newName, strip);
    }

    @Override
    public MixRow withStrip(Strip newStrip) {
        return new MixRow(id, name, newStrip);
    }
}
