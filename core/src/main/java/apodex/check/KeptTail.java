package apodex.check;

import apodex.effect.Conditions;
import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Values;
import apodex.handoff.Adjustment;
import apodex.handoff.Stations;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.SetInserts;
import apodex.session.Station;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** A kept insert that rings on, such as a reverb, or moves with the beat, such as a delay: the mixer gets it for good. */
final class KeptTail extends Check {
    /** Filters and detectors ring for less. */
    private static final double AUDIBLE_SECONDS = 0.15;

    KeptTail() {
        super("keptTail");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        Conditions place =
                new Conditions(at.session().rate(), at.session().song().timeline(), 2);
        for (Row row : at.session().rows()) {
            if (row.kind() == RowKind.MIX || !at.isPrinted(row, Station.SHAPED)) {
                continue;
            }
            for (Insert insert : Stations.active(row.strip().inserts())) {
                Effect effect = Effects.find(insert.effect()).orElseThrow();
                double seconds = at.session().rate().seconds(effect.tailFrames(new Values(insert.settings()), place));
                String note = effect.name() + " is part of the sound";
                boolean rings = seconds > AUDIBLE_SECONDS;
                if (insert.kept() && (rings || followsTempo(effect)) && !Notes.says(row, note)) {
                    Finding finding = Finding.of(
                                    this,
                                    Severity.LOOK,
                                    rings ? "A kept effect rings on" : "A kept effect moves with the beat",
                                    effect.name() + " of "
                                            + at.called(row) + " is kept: Shaped carries "
                                            + (rings
                                                    ? String.format(Locale.ROOT, "%.1f", seconds) + " s of its tail"
                                                    : "its rhythm at this tempo")
                                            + ", and no mixer can take it out.",
                                    List.of(row.id()))
                            .with("Tail", String.format(Locale.ROOT, "%.1f s", seconds))
                            .offering(
                                    Remedy.changing("Do not keep it", new SetInserts(row.id(), without(row, insert))));
                    if (!at.isPrinted(row, Station.RAW)) {
                        finding = finding.offering(Remedy.printing(
                                "Print Raw beside it", Adjustment.adding(Choices.at(Station.RAW, List.of(row)))));
                    }
                    found.accept(finding.offering(Notes.add("Say that it belongs", row, note)));
                }
            }
        }
    }

    private static boolean followsTempo(Effect effect) {
        return effect.settings().stream().anyMatch(setting -> setting.unit().equals("quarters"));
    }

    private static List<Insert> without(Row row, Insert kept) {
        List<Insert> inserts = new ArrayList<>();
        row.strip()
                .inserts()
                .forEach(each -> inserts.add(
                        each == kept
                                ? new Insert(each.effect(), each.settings(), each.key(), false, each.on(), each.said())
                                : each));
        return inserts;
    }
}
