package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Handoff.Sides;
import apodex.measure.Decibels;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A stereo row whose two sides are the same. */
final class ReallyMono extends Check {
    private static final String NOTE = "recorded in stereo, both sides the same";

    ReallyMono() {
        super("reallyMono");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (AudioRow row : at.session().audioRows()) {
            Optional<StereoImage> image = at.image(row);
            if (at.prints(row).isEmpty() // edits keep the channels of their recordings
                    || image.isEmpty()
                    || image.get().kind() != StereoImage.Kind.SAME_ON_BOTH_SIDES
                    || Notes.says(row, NOTE)) {
                continue;
            }
            boolean wide = at.prints(row).stream().anyMatch(print -> print.channels() == 2)
                    && at.sides(row) != Sides.AUTOMATIC;
            double apart = Decibels.ofAmplitude(
                    image.get().peakDifference() / image.get().peak());
            Finding finding = Finding.of(
                            this,
                            wide ? Severity.LOOK : Severity.KNOW,
                            "Really mono",
                            at.called(row) + " has both sides the same. "
                                    + (wide ? "It is planned as stereo." : "It is printed mono."),
                            List.of(row.id()))
                    .with(
                            "Left against right",
                            apart == Double.NEGATIVE_INFINITY ? "no difference" : Look.db(apart) + " dB")
                    .showing(Evidence.sides(row.id(), at.whole(row)));
            found.accept((wide
                            ? finding.offering(
                                    Remedy.printing("Print one side", Adjustment.ofSides(row.id(), Sides.AUTOMATIC)))
                            : finding)
                    .offering(Notes.add("Say so on the sheet", row, NOTE)));
        }
    }
}
