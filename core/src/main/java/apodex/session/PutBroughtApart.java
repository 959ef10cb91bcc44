package apodex.session;

/** Gives what was rendered elsewhere for a station a row of its own again, below the row and fed where that feeds. */
public record PutBroughtApart(String row, Station station) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Row from = SessionEdit.row(session, row);
        Brought apart = from.strip().brought().stream()
                .filter(each -> each.station() == station)
                .findFirst()
                .orElseThrow(() -> new EditRefused(
                        "station", "“" + from.name() + "” has nothing rendered elsewhere at that station."));
        Session without = new SetBrought(
                        row,
                        from.strip().brought().stream()
                                .filter(each -> each != apart)
                                .toList())
                .change(session);
        AudioRow own = new AudioRow(
                        RowIds.fresh(),
                        NameRule.cut(from.name() + " " + station.label()),
                        apart.clips(),
                        Strip.PLAIN.withOutputs(from.strip().outputs()))
                .withAbout(from.about());
        String next = session.rows().get(session.place(from) + 1).id();
        return new AddRow(own, next).change(without);
    }

    @Override
    public String describe(Session before) {
        return "Put “" + station.label() + "” of " + SessionEdit.named(before, row) + " on a row of its own";
    }
}
