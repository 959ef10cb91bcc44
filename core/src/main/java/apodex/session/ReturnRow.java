package apodex.session;

/** An effect that rows send to; what it gives back goes on like a row. */
public record ReturnRow(String id, String name, Strip strip, About about) implements Row {
    public ReturnRow {
        about = about == null ? About.NOTHING : about;
    }

    /** One that nobody has said anything about. */
    public ReturnRow(String id, String name, Strip strip) {
        this(id, name, strip, About.NOTHING);
    }

    @Override
    public RowKind kind() {
        return RowKind.RETURN;
    }

    @Override
    public ReturnRow withName(String newName) {
        return new ReturnRow(id, newName, strip, about);
    }

    @Override
    public ReturnRow withStrip(Strip newStrip) {
        return new ReturnRow(id, name, newStrip, about);
    }

    @Override
    public ReturnRow withAbout(About newAbout) {
        return new ReturnRow(id, name, strip, newAbout);
    }
}
