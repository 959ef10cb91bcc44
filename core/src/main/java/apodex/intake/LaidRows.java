package apodex.intake;

import apodex.intake.LaidRow.LaidClip;
import apodex.intake.LaidRow.LaidTake;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.EditRefused;
import apodex.session.Fade;
import apodex.session.NameRule;
import apodex.session.Recording;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import java.util.ArrayList;
import java.util.List;

/** Makes rows of what lists lay out. What does not fit is cut to what does, and said. */
final class LaidRows {
    private static final double MOST_GAIN_DB = 48;

    private final Media media;
    private final SampleRate rate;
    private final TempoMap tempo;
    private final List<String> troubles;

    /** @param troubles gets a sentence for everything that was changed or left out */
    LaidRows(Media media, SampleRate rate, TempoMap tempo, List<String> troubles) {
        this.media = media;
        this.rate = rate;
        this.tempo = tempo;
        this.troubles = troubles;
    }

    AudioRow row(LaidRow laid, String id) {
        String name = name(laid.name());
        List<Take> takes = new ArrayList<>();
        for (LaidTake take : laid.takes()) {
            List<Clip> clips = new ArrayList<>();
            for (LaidClip clip : take.clips()) {
                clip(name, clip, clips);
            }
            takes.add(new Take("t" + (takes.size() + 1), name(take.name()), clips));
        }
        return new AudioRow(id, name, takes, "t1", Strip.PLAIN);
    }

    private String name(String written) {
        try {
            return NameRule.check("name", written);
        } catch (EditRefused e) {
            String plain = written.replaceAll("[/\\\\]", "-")
                    .replaceAll("[^\\p{L}\\p{N} ._()'+&,-]", "")
                    .strip();
            troubles.add("The name “" + NameRule.shown(written) + "” was changed: " + e.getMessage());
            return plain.isEmpty() ? "Unnamed" : plain.substring(0, Math.min(plain.length(), 100));
        }
    }

    private void clip(String row, LaidClip laid, List<Clip> clips) {
        long position = laid.position().frame(rate, tempo);
        long offset = laid.offset() == null ? 0 : laid.offset().span(rate, tempo);
        long length = laid.length() == null ? -1 : laid.length().span(rate, tempo);
        String what = "A clip of “" + laid.file() + "” on “" + row + "”";
        if (position < 0) {
            troubles.add(what + " starts " + -position + " samples before the session; its beginning is cut.");
            offset -= position;
            length = length < 0 ? length : length + position;
            position = 0;
        }
        if (offset < 0) {
            troubles.add(what + " starts before its recording; it starts with it.");
            position -= offset;
            length = length < 0 ? length : length + offset;
            offset = 0;
        }
        Recording recording = media.find(laid.file(), offset + Math.max(1, length), rate);
        boolean there = media.known(laid.file()).isPresent();
        long available = recording.framesAt(rate) - offset;
        if (length < 0) {
            length = Math.max(1, available);
        }
        if (length < 1 || available < 1) {
            troubles.add(what + " lies outside its recording and is left out.");
            return;
        }
        if (length > available && there) {
            troubles.add(what + " is longer than its recording; it ends with it.");
            length = available;
        }
        long in = laid.fadeIn() == null
                ? 0
                : Math.max(0, Math.min(length, laid.fadeIn().span(rate, tempo)));
        long out = laid.fadeOut() == null
                ? 0
                : Math.max(0, Math.min(length - in, laid.fadeOut().span(rate, tempo)));
        double gain = Math.max(Strip.SILENT_DB, Math.min(MOST_GAIN_DB, laid.gainDb()));
        clips.add(new Clip(
                recording.sha256(),
                0,
                Math.min(2, recording.channels()),
                position,
                offset,
                length,
                gain,
                Fade.straight(in),
                Fade.straight(out),
                List.of(),
                false));
    }
}
