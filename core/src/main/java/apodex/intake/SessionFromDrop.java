package apodex.intake;

import apodex.audio.Limits;
import apodex.audio.SoundFile;
import apodex.audio.SoundFileException;
import apodex.audio.SoundInfo;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * Lays a session out from dropped recordings: one row each (one for every channel pair of wider files), placed by
 * the time reference in the file where there is one, at the start otherwise. The earliest time reference becomes the
 * session's start. The most common sample rate becomes the session's; of equally common ones, the higher. Recordings of
 * another rate stay as they came, and are resampled whenever the session sounds.
 */
public final class SessionFromDrop {
    private final RecordingStore store;
    private final List<Brought> brought = new ArrayList<>();
    private final List<Refusal> refused = new ArrayList<>();

    /**
     * A file that became one row or more.
     *
     * @param file its name
     * @param row  id of its (first) row
     */
    public record Brought(String file, String row) {}

    /**
     * What came of a drop.
     *
     * @param session empty when no file could be used
     */
    public record Result(Optional<Session> session, List<Brought> brought, List<Refusal> refused) {}

    public SessionFromDrop(RecordingStore store) {
        this.store = store;
    }

    /**
     * Brings the files in, several at once, and lays them out in the order they came.
     *
     * @param today used where no recording says when it was made
     */
    public Result make(Drop drop, String title, LocalDate today) throws IOException {
        refused.addAll(drop.refused());
        Map<DroppedFile, SoundInfo> sounds = examine(drop.files());
        SampleRate rate = mostCommonRate(sounds.values());
        refuseBeyondRowLimit(sounds);
        List<Outcome> outcomes = new ArrayList<>(sounds.entrySet()).parallelStream()
                .map(sound -> bring(sound.getKey(), sound.getValue())).toList();
        outcomes.stream().map(Outcome::refusal).filter(Objects::nonNull).forEach(refused::add);
        List<Recording> recordings = outcomes.stream().map(Outcome::recording).filter(Objects::nonNull).toList();
        if (recordings.isEmpty()) {
            return new Result(Optional.empty(), brought, refused);
        }
        return new Result(Optional.of(layOut(recordings, rate, title, today)), brought, refused);
    }

    private Map<DroppedFile, SoundInfo> examine(List<DroppedFile> files) throws IOException {
        Map<DroppedFile, SoundInfo> sounds = new LinkedHashMap<>();
        for (DroppedFile file : files) {
            try {
                sounds.put(file, SoundFile.examine(file.content()));
            } catch (SoundFileException e) {
                refused.add(new Refusal(file.name(), e.getMessage()));
            }
        }
        return sounds;
    }

    private static SampleRate mostCommonRate(Iterable<SoundInfo> sounds) {
        Map<SampleRate, Integer> counts = new LinkedHashMap<>();
        sounds.forEach(sound -> counts.merge(sound.rate(), 1, Integer::sum));
        return counts.entrySet().stream()
                .max(Map.Entry.<SampleRate, Integer>comparingByValue()
                        .thenComparing(entry -> entry.getKey().hertz()))
                .map(Map.Entry::getKey).orElse(null);
    }

    private void refuseBeyondRowLimit(Map<DroppedFile, SoundInfo> sounds) {
        int rows = 0;
        for (Map.Entry<DroppedFile, SoundInfo> sound : List.copyOf(sounds.entrySet())) {
            int more = (sound.getValue().channels() + 1) / 2;
            if (rows + more > Limits.ROWS) {
                sounds.remove(sound.getKey());
                refused.add(new Refusal(sound.getKey().name(),
                        "With it the session would have more than " + Limits.ROWS + " rows."));
            } else {
                rows += more;
            }
        }
    }

    /** What became of one file: one of the two is null. */
    private record Outcome(Recording recording, Refusal refusal) {}

    private Outcome bring(DroppedFile file, SoundInfo info) {
        if (info.rate().seconds(info.frames()) > Limits.SESSION_SECONDS) {
            return refuse(file, "It is longer than a day.");
        }
        try {
            return new Outcome(store.bring(file.content(), file.name()), null);
        } catch (SoundFileException e) {
            return refuse(file, e.getMessage());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Outcome refuse(DroppedFile file, String reason) {
        return new Outcome(null, new Refusal(file.name(), reason));
    }

    private Session layOut(List<Recording> recordings, SampleRate rate, String title, LocalDate today) {
        long start = recordings.stream().map(recording -> reference(recording, rate)).filter(Objects::nonNull)
                .min(Comparator.naturalOrder()).orElse(0L);
        List<Row> rows = new ArrayList<>();
        for (Recording recording : recordings) {
            Long reference = reference(recording, rate);
            long position = reference == null ? 0 : reference - start;
            brought.add(new Brought(recording.fileName(), addRows(recording, position, rate, rows)));
        }
        rows.add(MixRow.DEFAULT);
        String originated = recordings.stream().map(Recording::originated).filter(Objects::nonNull)
                .min(Comparator.naturalOrder()).orElse(today.toString());
        return new Session(Song.titled(title), rate, start, originated,
                recordings.stream().distinct().toList(), rows);
    }

    /** Its time reference in frames of the session, where it has one that can be used. */
    private static Long reference(Recording recording, SampleRate rate) {
        Long own = usableReference(recording);
        return own == null ? null : Math.round((double) own * rate.hertz() / recording.rate().hertz());
    }

    /** A time reference counts from midnight, so one of more than a day is some other program's idea and not used. */
    private static Long usableReference(Recording recording) {
        Long reference = recording.timeReference();
        return reference != null && reference >= 0
                && reference < Limits.SESSION_SECONDS * recording.rate().hertz() ? reference : null;
    }

    private static String addRows(Recording recording, long position, SampleRate rate, List<Row> rows) {
        String first = "r" + (rows.size() + 1);
        String stem = Drop.stem(recording.fileName());
        for (int channel = 0; channel < recording.channels(); channel += 2) {
            int width = Math.min(2, recording.channels() - channel);
            String name = recording.channels() <= 2 ? stem
                    : stem + " ch " + (channel + 1) + (width == 2 ? "-" + (channel + 2) : "");
            Clip clip = new Clip(recording.sha256(), channel, width, position, 0, recording.framesAt(rate), 0, 0, 0);
            rows.add(new AudioRow("r" + (rows.size() + 1), name, List.of(clip)));
        }
        return first;
    }
}
