package apodex.check;

import apodex.audio.SampleFormat;
import apodex.session.Recording;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Recordings of several sample formats in one session. */
final class MixedDepths extends Check {
    MixedDepths() {
        super("mixedDepths");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        Set<String> used = at.session().audioRows().stream()
                .flatMap(row -> row.clips().stream())
                .map(clip -> clip.recording())
                .collect(Collectors.toSet());
        Map<SampleFormat, Integer> formats = new LinkedHashMap<>();
        for (Recording recording : at.session().recordings()) {
            if (used.contains(recording.sha256())) {
                formats.merge(recording.sample(), 1, Integer::sum);
            }
        }
        if (formats.size() > 1) {
            Finding finding = Finding.of(
                    this,
                    Severity.KNOW,
                    "Recordings of several depths",
                    "All files of a handoff have one depth; the usual one keeps each of these exactly.",
                    List.of());
            for (Map.Entry<SampleFormat, Integer> format : formats.entrySet()) {
                finding = finding.with(format.getKey().label(), RowNames.count(format.getValue(), "recording"));
            }
            found.accept(finding);
        }
    }
}
