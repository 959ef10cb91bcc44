package apodex.proof;

import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.signal.Placed;
import apodex.signal.Recordings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A fresh session made from printed files alone, as somebody who receives them makes it: every file on a row of its own from
 * the very start, at unity and in the middle. Only what the session sheet asks for is done: files of one side go to their side.
 */
public final class ReceivedSession implements Recordings, AutoCloseable {
    private final Map<String, PrintedSound> unpacked = new HashMap<>();
    private final Map<String, Path> files = new LinkedHashMap<>();
    private final Session session;

    /** Whether trims are taken back, to compare with what was not trimmed. */
    public enum Trims {
        AS_PRINTED,
        TAKEN_BACK
    }

    /**
     * @param section which of the plan's sections
     * @param sounding paths of the files that are heard; the others are left out, as if they were muted
     */
    public ReceivedSession(
            Plan plan, List<Printing.Made> made, int section, Path folder, Set<String> sounding, Trims trims)
            throws IOException {
        List<Row> rows = new ArrayList<>();
        List<Recording> recordings = new ArrayList<>();
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            Path file = folder.resolve(print.path());
            if (print.section() != section || !sounding.contains(print.path()) || !Files.exists(file)) {
                continue;
            }
            SoundInfo info = SoundFile.examine(file);
            String id = "f" + i;
            files.put(id, file);
            Recording recording = new Recording(
                    id,
                    print.file(),
                    plan.rate(),
                    info.channels(),
                    info.sample() == null ? SampleFormat.INT24 : info.sample(),
                    info.frames(),
                    null,
                    null);
            recordings.add(recording);
            rows.add(new AudioRow(
                    id,
                    print.file(),
                    List.of(Clip.whole(recording, 0, info.channels(), 0)),
                    strip(print, made.get(i).placed(), trims)));
        }
        rows.add(new MixRow(MixRow.ID, "Sum", Strip.feeding()));
        this.session = new Session(
                Song.titled("As received"), plan.rate(), 0, "2000-01-01", PanLaw.ZERO, List.of(), recordings, rows);
    }

    private static Strip strip(Print print, Placed placed, Trims trims) {
        double db = trims == Trims.TAKEN_BACK ? -print.trimDb() : 0;
        double pan = placed == Placed.LEFT ? -100 : placed == Placed.RIGHT ? 100 : 0;
        double sideGain = pan == 0 ? 1 : PanLaw.ZERO.mono(pan, pan < 0 ? 0 : 1);
        return Strip.PLAIN.withFader(db - 20 * Math.log10(sideGain), pan);
    }

    /** What the receiver has after dropping the files into an empty session. */
    public Session session() {
        return session;
    }

    @Override
    public synchronized PcmReader open(String id) throws IOException {
        PrintedSound sound = unpacked.get(id);
        if (sound == null) {
            sound = PrintedSound.open(files.get(id));
            unpacked.put(id, sound);
        }
        return sound.reader();
    }

    /** Forgets what FLAC files were unpacked to. */
    @Override
    public synchronized void close() throws IOException {
        for (PrintedSound sound : unpacked.values()) {
            sound.close();
        }
        unpacked.clear();
    }
}
