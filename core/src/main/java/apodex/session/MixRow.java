package apodex.session;

/**
 * The sum of everything. Every session has one, at the end.
 *
 * @param strip inserts and fader; it feeds nothing
 */
public record MixRow(String id, String name, Strip strip, About about) implements Row {
    public static final String ID = "mix";
    public static final MixRow DEFAULT = new MixRow(ID, "Mix", Strip.feeding());

    public MixRow {
        about = about == null ? About.NOTHING : about;
        strip = strip == null ? Strip.feeding() : strip;
    }

    /** One that nobody has said anything about. */
    public MixRow(String id, String name, Strip strip) {
        this(id, name, strip, About.NOTHING);
    }

    @Override
    public RowKind kind() {
        return RowKind.MIX;
    }

    @Override
    public MixRow withName(String newName) {
        return new MixRow(id, newName, strip, about);
    }

    @Override
    public MixRow withStrip(Strip newStrip) {
        return new MixRow(id, name, newStrip, about);
    }

    @Override
    public MixRow withAbout(About newAbout) {
        return new MixRow(id, name, strip, newAbout);
    }
}
