package apodex.intake;

import apodex.intake.LaidRow.LaidClip;
import apodex.intake.LaidRow.LaidTake;
import apodex.session.About;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.ClipCuts;
import apodex.session.EditRefused;
import apodex.session.Fade;
import apodex.session.NameRule;
import apodex.session.Recording;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Makes rows of what lists lay out. What does not fit is cut to what does, and said. */
final class LaidRows {
    private static final double MOST_GAIN_DB = 48;
    private static final int LONGEST_NOTE = 500;

    private final Media media;
    private final SampleRate rate;
    private final TempoMap tempo;
    private final List<String> troubles;

    /** Frame of the lists at which the session starts. */
    private long start;

    private Overlaps overlaps = Overlaps.SUMMED;
    /** Names of rows on which clips lie over each other. */
    final Set<String> overlapping = new LinkedHashSet<>();

    /** @param troubles gets a sentence for everything that was changed or left out */
    LaidRows(Media media, SampleRate rate, TempoMap tempo, List<String> troubles) {
        this.media = media;
        this.rate = rate;
        this.tempo = tempo;
        this.troubles = troubles;
    }

    LaidRows with(Overlaps other) {
        overlaps = other;
        return this;
    }

    /** @param frame that the lists count to the session's start, as timecodes do that begin at some hour */
    LaidRows startingAt(long frame) {
        start = frame;
        return this;
    }

    AudioRow row(LaidRow laid, String id) {
        String name = name(laid.name());
        List<Take> takes = new ArrayList<>();
        About notes = About.NOTHING;
        for (LaidTake take : laid.takes()) {
            List<Clip> clips = new ArrayList<>();
            for (LaidClip clip : take.clips()) {
                clip(name, clip, clips);
                notes = clip.note().isEmpty()
                        ? notes
                        : notes.withMoreNote(
                                take.clips().size() == 1 ? clip.note() : Drop.stem(clip.file()) + ": " + clip.note());
            }
            if (lieOverEachOther(clips)) {
                overlapping.add(name);
                clips = overlaps == Overlaps.SUMMED ? clips : ClipCuts.laterOnTop(clips);
            }
            takes.add(new Take("t" + (takes.size() + 1), name(take.name()), clips));
        }
        return new AudioRow(id, name, takes, "t1", Strip.PLAIN, notes.withNote(cut(notes.note())));
    }

    /** Whether two clips sound at once, more than as one fades into the other. */
    private static boolean lieOverEachOther(List<Clip> clips) {
        List<Clip> heard = clips.stream()
                .filter(clip -> !clip.muted())
                .sorted(Comparator.comparingLong(Clip::position))
                .toList();
        for (int i = 1; i < heard.size(); i++) {
            Clip before = heard.get(i - 1);
            Clip after = heard.get(i);
            long over = before.range().end() - after.position();
            if (over > Math.min(before.fadeOut().frames(), after.fadeIn().frames())) {
                return true;
            }
        }
        return false;
    }

    private static String cut(String note) {
        return note.length() <= LONGEST_NOTE ? note : note.substring(0, LONGEST_NOTE) + "…";
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
        long position = laid.position().frame(rate, tempo) - start;
        long offset = laid.offset() == null ? 0 : laid.offset().span(rate, tempo);
        long length = laid.length() != null
                ? laid.length().span(rate, tempo)
                : laid.end() != null ? laid.end().frame(rate, tempo) - start - position : -1;
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
                new Fade(in, laid.curveIn()),
                new Fade(out, laid.curveOut()),
                List.of(),
                laid.muted(),
                laid.inverted()));
    }
}
