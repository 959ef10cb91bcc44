package apodex.parcel;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Session;
import java.util.function.Function;

/** Clips of the audio rows as a table, as {@code docs/clip-list.md} describes it: for programs that read no timeline. */
final class ClipsCsv {
    private ClipsCsv() {}

    /**
     * A line a clip of the takes that are heard, in samples of the session.
     *
     * @param path where a recording lies
     */
    static String of(Session session, Function<Recording, String> path) {
        StringBuilder out = new StringBuilder("row,file,position,offset,length,gain,fade in,fade out,muted,note\r\n");
        for (AudioRow row : session.audioRows()) {
            for (Clip clip : row.clips()) {
                out.append(Csv.line(
                        row.name(),
                        path.apply(session.recording(clip.recording())),
                        Long.toString(clip.position()),
                        Long.toString(clip.offset()),
                        Long.toString(clip.frames()),
                        Csv.number(clip.gainDb()),
                        Long.toString(clip.fadeIn().frames()),
                        Long.toString(clip.fadeOut().frames()),
                        clip.muted() ? "yes" : "",
                        clip.inverted() ? "polarity reversed" : ""));
            }
        }
        return out.toString();
    }
}
