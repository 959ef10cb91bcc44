package apodex.session;

/** Sets level, position, mute and solo of a row. */
public record SetFader(String row, double faderDb, double pan, boolean muted, boolean soloed) implements SessionEdit {
    @Override
    public Session change(Session session) {
        SessionEdit.row(session, row);
        return session.withRow(
                row,
                before ->
                        before.withStrip(before.strip().withFader(faderDb, pan).withMuteAndSolo(muted, soloed)));
    }

    @Override
    public String describe(Session before) {
        return "Set the fader of " + SessionEdit.named(before, row);
    }
}
