package apodex.check;

import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.SessionEdit;
import apodex.session.SetFader;
import apodex.session.SetOutputs;
import apodex.session.SetSends;
import apodex.session.Together;
import java.util.List;
import java.util.function.Consumer;

/** Sends to a return that nobody hears, because it is muted or goes nowhere. */
final class UnheardSend extends Check {
    UnheardSend() {
        super("unheardSend");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            if (row.kind() != RowKind.RETURN || at.feeding(row).isEmpty()) {
                continue;
            }
            boolean arrives = Routing.downstream(at.session(), row, Routing.Through.OUTPUTS_AND_SENDS)
                    .contains(at.session().mix());
            if (row.strip().muted() || !arrives) {
                List<Row> senders = at.feeding(row);
                Remedy mend = row.strip().muted()
                        ? Remedy.changing(
                                "Unmute " + row.name(),
                                new SetFader(
                                        row.id(),
                                        row.strip().faderDb(),
                                        row.strip().pan(),
                                        false,
                                        row.strip().soloed()))
                        : Remedy.changing(
                                "Feed the mix",
                                new SetOutputs(
                                        row.id(), List.of(at.session().mix().id())));
                List<SessionEdit> without = senders.stream()
                        .map(sender -> (SessionEdit) new SetSends(
                                sender.id(),
                                sender.strip().sends().stream()
                                        .filter(send -> !send.to().equals(row.id()))
                                        .toList()))
                        .toList();
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Sends nobody hears",
                                RowNames.of(senders) + " send to " + row.name() + ", which "
                                        + (row.strip().muted() ? "is muted." : "feeds nothing."),
                                Look.ids(List.of(row)))
                        .showing(Evidence.route(List.of(senders.get(0).id(), row.id())))
                        .offering(mend)
                        .offering(Remedy.harmless(
                                "Take the sends out", new Together("Take out sends to " + row.name(), without))));
            }
        }
    }
}
