package apodex.session;

/** The sum of the rows that feed it. */
public record BusRow(String id, String name, Strip strip, About about) implements Row {
    public BusRow {
        about = about == null ? About.NOTHING : about;
    }

    /** One that nobody has said anything about. */
    public BusRow(String id, String name, Strip strip) {
        this(id, name, strip, About.NOTHING);
    }

    @Override
    public RowKind kind() {
        return RowKind.BUS;
    }

    @Override
    public BusRow withName(String newName) {
        return new BusRow(id, newName, strip, about);
    }

    @Override
    public BusRow withStrip(Strip newStrip) {
        return new BusRow(id, name, newStrip, about);
    }

    @Override
    public BusRow withAbout(About newAbout) {
        return new BusRow(id, name, strip, newAbout);
    }
}
