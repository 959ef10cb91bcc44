package apodex.check;

import apodex.handoff.Adjustment;
import apodex.measure.SoundScan;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.SetFader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** Two rows that hold the same sound at the same place, whatever their files are called. */
final class SameContent extends Check {
    SameContent() {
        super("sameContent");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        Map<List<Object>, List<AudioRow>> alike = new LinkedHashMap<>();
        for (AudioRow row : at.session().audioRows()) {
            content(at, row).ifPresent(content -> alike.computeIfAbsent(content, key -> new ArrayList<>())
                    .add(row));
        }
        for (List<AudioRow> rows : alike.values()) {
            List<AudioRow> heard = rows.stream()
                    .filter(row -> !row.strip().muted() && at.goesOut(row))
                    .toList();
            if (heard.size() > 1) {
                AudioRow second = heard.get(heard.size() - 1);
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "The same sound twice",
                                RowNames.of(heard) + " hold the same samples at the same place.",
                                Look.ids(heard))
                        .showing(Evidence.wave(second.id(), at.whole(second), List.of()))
                        .offering(Remedy.printing(
                                "Leave " + second.name() + " out of the plan",
                                Adjustment.leavingOut(Choices.of(at, second))))
                        .offering(Remedy.changing(
                                "Mute " + second.name(),
                                new SetFader(
                                        second.id(),
                                        second.strip().faderDb(),
                                        second.strip().pan(),
                                        true,
                                        second.strip().soloed()))));
            }
        }
    }

    /** What a row plays, so that two that play the same have the same; empty for nothing, or while it is not measured. */
    private static Optional<List<Object>> content(Look at, AudioRow row) {
        List<Object> content = new ArrayList<>();
        for (Clip clip : row.clips()) {
            Optional<SoundScan> scan = at.scan(clip);
            if (scan.isEmpty() || scan.get().mark(clip.firstChannel()) == 0) {
                return Optional.empty();
            }
            for (int c = 0; c < clip.channels(); c++) {
                content.add(scan.get().mark(clip.firstChannel() + c));
            }
            content.addAll(List.of(clip.position(), clip.offset(), clip.frames()));
        }
        return content.isEmpty() ? Optional.empty() : Optional.of(content);
    }
}
