package apodex.check;

import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.RemoveRow;
import java.util.List;
import java.util.function.Consumer;

/** A row whose clips hold nothing but digital silence. */
final class SilentThroughout extends Check {
    SilentThroughout() {
        super("silentThroughout");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            boolean silent = at.image(row)
                    .map(image -> image.kind() == StereoImage.Kind.SILENT)
                    .orElse(false);
            if (!row.clips().isEmpty() && silent) {
                found.accept(Finding.of(
                                this,
                                Severity.LOOK,
                                "Silent all through",
                                at.called(row) + " has "
                                        + RowNames.count(row.clips().size(), "clip") + ", and every sample is zero.",
                                List.of(row.id()))
                        .showing(Evidence.wave(row.id(), at.whole(row), List.of()))
                        .offering(Remedy.harmless("Remove the row", new RemoveRow(row.id()))));
            }
        }
    }
}
