package apodex.check;

import apodex.effect.Effects;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.SetAbout;
import apodex.session.SetInserts;
import apodex.session.Station;
import apodex.session.Together;
import java.util.List;
import java.util.function.Consumer;

/** An insert of an effect that Apodex does not have. */
final class UnknownEffect extends Check {
    UnknownEffect() {
        super("unknownEffect");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Row row : at.session().rows()) {
            List<Insert> unknown = row.strip().insertsAt(Station.INSERTS).stream()
                    .filter(insert ->
                            insert.on() && Effects.find(insert.effect()).isEmpty())
                    .toList();
            if (!unknown.isEmpty()) {
                String names =
                        String.join(", ", unknown.stream().map(Insert::effect).toList());
                List<Insert> known = row.strip().inserts().stream()
                        .filter(insert -> !unknown.contains(insert))
                        .toList();
                String note = row.about()
                        .withMoreNote("had "
                                + String.join(
                                        ", ",
                                        unknown.stream()
                                                .map(UnknownEffect::words)
                                                .toList()))
                        .note();
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "An effect that is not here",
                                at.called(row) + " has " + names
                                        + ", which cannot be made here. It is skipped, and files sound without it, unless the sound"
                                        + " is brought as it was rendered elsewhere.",
                                List.of(row.id()))
                        .with("Skipped", names)
                        .offering(Remedy.harmless(
                                "Put it in the note and take it out",
                                new Together(
                                        "Take out " + names.substring(0, Math.min(60, names.length())),
                                        List.of(
                                                new SetInserts(row.id(), known),
                                                new SetAbout(
                                                        row.id(), row.about().role(), note))))));
            }
        }
    }

    private static String words(Insert insert) {
        return insert.effect() + (insert.said().isEmpty() ? "" : " (" + insert.said() + ")");
    }
}
