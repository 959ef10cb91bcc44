package apodex.handoff;

import apodex.measure.StereoImage;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Placed;
import java.util.Objects;

/** Where a mono file sat in the stereo picture. */
public final class Placing {
    private Placing() {}

    /** Which side of the picture a file holds; the middle when it holds both, or is mono in truth. */
    public static Placed of(Plan plan, Print print) {
        return print.placed() == null ? toldByOthers(plan, print) : print.placed();
    }

    /** Of plans whose files do not say it themselves: two of one row are its sides, and of Raw the row's image tells. */
    private static Placed toldByOthers(Plan plan, Print print) {
        boolean pair = plan.prints().stream()
                        .filter(each -> each.section() == print.section()
                                && each.source().equals(print.source())
                                && each.station() == print.station())
                        .count()
                > 1;
        if (pair) {
            return print.sides() == Channels.MONO_FROM_RIGHT ? Placed.RIGHT : Placed.LEFT;
        }
        StereoImage.Kind image = print.station() == Station.RAW && print.sides() != Channels.MONO_SUM
                ? plan.rows().stream()
                        .filter(row -> row.row().equals(print.source()))
                        .map(PlanRow::image)
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse(null)
                : null;
        return image == null
                ? Placed.MIDDLE
                : switch (image) {
                    case LEFT_ONLY -> Placed.LEFT;
                    case RIGHT_ONLY -> Placed.RIGHT;
                    case SILENT, MONO, SAME_ON_BOTH_SIDES, STEREO -> Placed.MIDDLE;
                };
    }
}
