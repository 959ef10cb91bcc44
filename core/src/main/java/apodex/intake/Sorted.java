package apodex.intake;

import apodex.audio.Limits;
import apodex.audio.SoundFacts;
import apodex.audio.SoundFile;
import apodex.audio.SoundFileException;
import apodex.audio.SoundInfo;
import apodex.notes.MidiReader;
import apodex.notes.MidiSong;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** A drop sorted by what its files are, by looking into them: sounds, notes, timelines, clip lists, session documents. */
final class Sorted {
    final List<Sound> sounds = new ArrayList<>();
    final List<MidiSong> songs = new ArrayList<>();
    final List<OtioReader.Timeline> timelines = new ArrayList<>();
    final List<LaidRow> lists = new ArrayList<>();
    /** Tables that say of files what they are. */
    final List<TrackList> tracks = new ArrayList<>();
    /** Whether a list counts in timecode, which begins at some hour. */
    boolean inTimecode;
    /** The rate whose samples a list counts; null where none says. */
    private @Nullable SampleRate said;

    final List<SessionFile.Document> documents = new ArrayList<>();
    /** Every file that is one of these. */
    final List<Document> read = new ArrayList<>();

    final List<Refusal> refused = new ArrayList<>();
    /** What was left out or changed of files that came in. */
    final List<Refusal> remarks = new ArrayList<>();

    /** A recording that is in the store, with what its file said of itself. */
    record Sound(DroppedFile file, Recording recording, SoundFacts facts) {}

    /**
     * A file that is no sound, and what it is.
     *
     * @param form how it is read, for tables that somebody or their headings told
     */
    record Document(DroppedFile file, IntakeFile.Kind kind, @Nullable ClipListForm form) {
        Document(DroppedFile file, IntakeFile.Kind kind) {
            this(file, kind, null);
        }
    }

    /** How tables are read whose headings do not tell. */
    interface Forms {
        /** None is known. */
        Forms NONE = (file, table) -> Optional.empty();

        Optional<ClipListForm> of(DroppedFile file, CsvTable table);
    }

    private final Forms forms;

    private Sorted(Forms forms) {
        this.forms = forms;
    }

    /** The files themselves are changed, since documents are read again when a session is made of them. */
    private void keepToWhatMayBeUsed(Drop drop) throws IOException {
        Set<String> came =
                sounds.stream().map(sound -> sound.recording().sha256()).collect(Collectors.toSet());
        List<DroppedFile> files = read.stream()
                .filter(each -> each.kind() == IntakeFile.Kind.SESSION)
                .map(Document::file)
                .toList();
        for (int i = 0; i < documents.size(); i++) {
            Session told = documents.get(i).session();
            Session session = Unheard.in(told, sha256 -> came.contains(sha256) || drop.mayBeUsed(sha256));
            if (session != told) {
                Path content = files.get(i).content();
                Files.delete(content); // it may be one file with what arrived
                Files.writeString(content, SessionFile.document(session));
                documents.set(i, SessionFile.read(content));
            }
        }
    }

    /** Reads documents again that were told from sounds before. */
    static Sorted ofDocuments(List<DroppedFile> files, Forms forms) throws IOException {
        Sorted sorted = new Sorted(forms);
        for (DroppedFile file : files) {
            sorted.takeDocument(file);
        }
        return sorted;
    }

    /** Sorts a drop, and takes its sounds into the store, several at once. */
    static Sorted of(Drop drop, RecordingStore store) throws IOException {
        return of(drop, drop.files(), store, Limits.ROWS);
    }

    /** Sorts some of a drop's files, of which some may be put on rows together. */
    static Sorted of(Drop drop, List<DroppedFile> files, RecordingStore store) throws IOException {
        return of(drop, files, store, Integer.MAX_VALUE);
    }

    private static Sorted of(Drop drop, List<DroppedFile> files, RecordingStore store, int mostRows)
            throws IOException {
        Sorted sorted = new Sorted((file, table) -> drop.form(table.headings()));
        sorted.refused.addAll(drop.refused());
        Map<DroppedFile, SoundInfo> found = new LinkedHashMap<>();
        DropProgress progress = drop.progress();
        progress.begin(DropProgress.Stage.READING, files.size());
        for (DroppedFile file : files) {
            if (sorted.takeDocument(file)) {
                progress.end();
            } else {
                try {
                    found.put(file, SoundFile.examine(file.content()));
                } catch (SoundFileException e) {
                    sorted.refuse(file.name(), e.getMessage());
                    progress.end();
                }
            }
        }
        sorted.refuseBeyond(mostRows, found);
        List<Outcome> outcomes = new ArrayList<>(found.entrySet())
                .parallelStream()
                        .map(sound -> {
                            progress.begin(sound.getKey().name());
                            Outcome outcome = bring(store, sound.getKey(), sound.getValue());
                            progress.end();
                            return outcome;
                        })
                        .toList();
        outcomes.stream().map(Outcome::refusal).filter(Objects::nonNull).forEach(sorted.refused::add);
        outcomes.stream().map(Outcome::sound).filter(Objects::nonNull).forEach(sorted.sounds::add);
        sorted.sounds.forEach(sorted::remarkStamp);
        sorted.keepToWhatMayBeUsed(drop);
        return sorted;
    }

    /** A stamp counts from midnight; one past the day's end is some other program's idea. */
    private void remarkStamp(Sound sound) {
        Long stamp = sound.recording().timeReference();
        if (stamp != null
                && SessionFromDrop.reference(
                                sound.recording(), sound.recording().rate())
                        == null) {
            remark(
                    sound.file().name(),
                    String.format(
                            Locale.ROOT,
                            "Its time stamp says %.1f hours after midnight, which is no time of the day; it is passed over.",
                            sound.recording().rate().seconds(stamp) / 3_600));
        }
    }

    boolean isEmpty() {
        return sounds.isEmpty() && songs.isEmpty() && timelines.isEmpty() && lists.isEmpty() && documents.isEmpty();
    }

    void remark(String file, String what) {
        remarks.add(new Refusal(file, what));
    }

    /** Says which saved sessions are passed over: one is opened at a time. */
    void remarkOtherSessions() {
        documents.stream()
                .skip(1)
                .forEach(other -> remark(
                        SessionFile.DOCUMENT,
                        "A second session came in the same drop; drop “"
                                + other.session().song().title() + "” by itself."));
    }

    void refuse(String file, String reason) {
        refused.add(new Refusal(file, reason));
    }

    /** Reads a file that is no sound; false when it may be one. */
    private boolean takeDocument(DroppedFile file) throws IOException {
        List<String> troubles = new ArrayList<>();
        byte[] start;
        try (var in = Files.newInputStream(file.content())) {
            start = in.readNBytes(4);
        }
        try {
            if (MidiReader.isMidi(start)) {
                MidiSong song = MidiReader.read(file.content());
                troubles.addAll(song.troubles());
                songs.add(song);
                read.add(new Document(file, IntakeFile.Kind.NOTES));
            } else if (SessionFile.isDocument(file.content())) {
                documents.add(SessionFile.read(file.content()));
                read.add(new Document(file, IntakeFile.Kind.SESSION));
            } else if (OtioReader.isOtio(file.content())) {
                OtioReader.Timeline timeline = OtioReader.read(file.content(), troubles);
                timelines.add(timeline);
                say(timeline.rate());
                read.add(new Document(file, IntakeFile.Kind.TIMELINE));
            } else {
                Optional<CsvTable> table = looksLikeText(start) ? CsvTable.read(file.content()) : Optional.empty();
                if (table.isEmpty() || !takeTable(file, table.get(), troubles)) {
                    return false;
                }
            }
        } catch (IOException e) {
            refuse(file.name(), e.getMessage());
        }
        troubles.forEach(trouble -> remark(file.name(), trouble));
        return true;
    }

    private boolean takeTable(DroppedFile file, CsvTable table, List<String> troubles) {
        ClipListForm guess = ClipListForm.guess(table);
        ClipListForm form = forms.of(file, table).orElse(guess.isSure(table) ? guess : null);
        if (form == null && !table.isLikelyAList()) {
            return false;
        }
        if (form == null) {
            read.add(new Document(file, IntakeFile.Kind.TABLE));
        } else if (form.isOfClips()) {
            lists.addAll(ClipList.read(table, form, troubles));
            inTimecode |= form.timecode() != null;
            say(form.rate().orElse(null));
            read.add(new Document(file, IntakeFile.Kind.CLIP_LIST, form));
        } else {
            tracks.add(new TrackList(table, form));
            read.add(new Document(file, IntakeFile.Kind.TRACK_LIST, form));
        }
        return true;
    }

    private static boolean looksLikeText(byte[] start) {
        return start.length > 0
                && !(start.length == 4
                        && (start[0] == 'R' || start[0] == 'F' || start[0] == 'f' || start[0] == 'B')
                        && Character.isLetter(start[1])
                        && Character.isUpperCase(start[3] & 0xFF)
                        && Character.isUpperCase(start[2] & 0xFF));
    }

    private void refuseBeyond(int mostRows, Map<DroppedFile, SoundInfo> found) {
        int rows = 0;
        for (Map.Entry<DroppedFile, SoundInfo> sound : List.copyOf(found.entrySet())) {
            int more = (sound.getValue().channels() + 1) / 2;
            if (rows + more > mostRows) {
                found.remove(sound.getKey());
                refuse(sound.getKey().name(), "With it the session would have more than " + Limits.ROWS + " rows.");
            } else {
                rows += more;
            }
        }
    }

    /** What became of one file: one of the two is null. */
    private record Outcome(Sound sound, Refusal refusal) {}

    private static Outcome bring(RecordingStore store, DroppedFile file, SoundInfo info) {
        if (info.rate().seconds(info.frames()) > Limits.SESSION_SECONDS) {
            return new Outcome(null, new Refusal(file.name(), "It is longer than a day."));
        }
        try {
            SoundFacts facts = SoundFacts.read(file.content());
            Recording recording = store.bring(file.content(), file.name());
            SoundFacts.Start start = facts.start();
            return new Outcome(
                    new Sound(
                            file,
                            start == null || recording.timeReference() != null
                                    ? recording
                                    : recording.stamped(Math.round(
                                            start.samples() * recording.rate().hertz() / start.hertz())),
                            facts),
                    null);
        } catch (SoundFileException e) {
            return new Outcome(null, new Refusal(file.name(), e.getMessage()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void say(@Nullable SampleRate rate) {
        said = said == null ? rate : said;
    }

    /** What a list says that it counts by, or else the rate of most recordings. */
    SampleRate rate() {
        return said != null
                ? said
                : commonest(sounds.stream().map(Sound::recording).toList());
    }

    /** The most common rate, of equally common ones the higher; 48 kHz when there is none. */
    static SampleRate commonest(List<Recording> recordings) {
        Map<SampleRate, Integer> counts = new LinkedHashMap<>();
        recordings.forEach(recording -> counts.merge(recording.rate(), 1, Integer::sum));
        return counts.entrySet().stream()
                .max(Map.Entry.<SampleRate, Integer>comparingByValue()
                        .thenComparing(entry -> entry.getKey().hertz()))
                .map(Map.Entry::getKey)
                .orElse(new SampleRate(48_000));
    }
}
