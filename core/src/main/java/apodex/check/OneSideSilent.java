package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Handoff.Sides;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A stereo row with sound on one side alone. */
final class OneSideSilent extends Check {
    private static final String NOTE = "one side of the recording is silent";

    OneSideSilent() {
        super("oneSideSilent");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            Optional<StereoImage.Kind> kind = at.image(row).map(StereoImage::kind);
            boolean left = kind.filter(StereoImage.Kind.LEFT_ONLY::equals).isPresent();
            boolean right = kind.filter(StereoImage.Kind.RIGHT_ONLY::equals).isPresent();
            if (!left && !right || Notes.says(row, NOTE)) {
                continue;
            }
            boolean fixed = at.sides(row) != Sides.AUTOMATIC;
            Finding finding = Finding.of(
                            this,
                            Severity.LOOK,
                            "One side is silent",
                            at.called(row) + " has sound on the " + (left ? "left" : "right") + " alone. "
                                    + (fixed ? "Its channels are fixed." : "The live side is printed, mono."),
                            List.of(row.id()))
                    .showing(Evidence.sides(row.id(), at.whole(row)));
            found.accept((fixed
                            ? finding.offering(Remedy.printing(
                                    "Print the live side", Adjustment.ofSides(row.id(), Sides.AUTOMATIC)))
                            : finding)
                    .offering(Notes.add("Say so on the sheet", row, NOTE)));
        }
    }
}
