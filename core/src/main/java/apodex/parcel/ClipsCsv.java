package apodex.parcel;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Take;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Clips of the audio rows as a table, as {@code docs/clip-list.md} describes it: for programs that read no timeline. */
final class ClipsCsv {
    private static final String HEAD = "row,take,file,position (samples at %d),offset,length,gain,"
            + "fade in,fade in curve,fade out,fade out curve,muted,polarity\r\n";

    private ClipsCsv() {}

    /**
     * A line a clip, in samples of the session; of each row the take that is heard comes first.
     *
     * @param path where a recording lies
     */
    static String of(Session session, Function<Recording, String> path) {
        StringBuilder out = new StringBuilder(HEAD.formatted(session.rate().hertz()));
        for (AudioRow row : session.audioRows()) {
            List<Take> takes = new ArrayList<>(row.takes());
            takes.remove(row.activeTake());
            takes.add(0, row.activeTake());
            for (Take take : takes) {
                for (Clip clip : take.clips()) {
                    out.append(Csv.line(
                            row.name(),
                            take.name(),
                            path.apply(session.recording(clip.recording())),
                            Long.toString(clip.position()),
                            Long.toString(clip.offset()),
                            Long.toString(clip.frames()),
                            Csv.number(clip.gainDb()),
                            Long.toString(clip.fadeIn().frames()),
                            curve(clip.fadeIn()),
                            Long.toString(clip.fadeOut().frames()),
                            curve(clip.fadeOut()),
                            clip.muted() ? "yes" : "",
                            clip.inverted() ? "reversed" : ""));
                }
            }
        }
        return out.toString();
    }

    private static String curve(Fade fade) {
        return fade.frames() == 0 ? "" : fade.curve().words();
    }
}
