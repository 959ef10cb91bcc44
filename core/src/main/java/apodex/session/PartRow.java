package apodex.session;

import java.util.Optional;

/**
 * One part of an instrument, such as a drum of a kit, on a row of its own.
 *
 * @param instrument id of the instrument row
 * @param part       name of the part
 */
public record PartRow(String id, String name, String instrument, String part, Strip strip, About about) implements Row {
    public PartRow {
        about = about == null ? About.NOTHING : about;
    }

    /** One that nobody has said anything about. */
    public PartRow(String id, String name, String instrument, String part, Strip strip) {
        this(id, name, instrument, part, strip, About.NOTHING);
    }

    @Override
    public RowKind kind() {
        return RowKind.PART;
    }

    @Override
    public Optional<Playing> playing(Session session) {
        return session.row(instrument).map(player -> Playing.of((InstrumentRow) player, part));
    }

    @Override
    public PartRow withName(String newName) {
        return new PartRow(id, newName, instrument, part, strip, about);
    }

    @Override
    public PartRow withStrip(Strip newStrip) {
        return new PartRow(id, name, instrument, part, newStrip, about);
    }

    @Override
    public PartRow withAbout(About newAbout) {
        return new PartRow(id, name, instrument, part, strip, newAbout);
    }
}
