package apodex.intake;

import apodex.audio.PcmReader;
import apodex.examine.Examination;
import apodex.examine.Examiner;
import apodex.intake.Seat.Use;
import apodex.parcel.Manifest;
import apodex.session.Recording;
import apodex.session.Role;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/**
 * Examines a drop: takes its recordings into the store, hears each of them, tells from names what they are, and looks for those
 * without a stamp in the mix that came with them.
 */
public final class DropExaminer {
    private final RecordingStore store;
    private final Drop drop;
    /** That everything is added to; null: it becomes a session of its own. */
    @Nullable
    private Session session;

    private String sessionId = "";
    private long at;

    public DropExaminer(RecordingStore store, Drop drop) {
        this.store = store;
        this.drop = drop;
    }

    /**
     * Examines what is to be added to a session.
     *
     * @param frame of the session, for what says nothing of its place
     */
    public DropExaminer onto(String id, Session open, long frame) {
        session = open;
        sessionId = id;
        at = Math.max(0, frame);
        return this;
    }

    /**
     * Examines everything.
     *
     * @param title of the song, unless something that came names it
     * @param kept  an empty folder for what is no recording; it is needed when the session is made
     */
    public Intake examine(String title, Path kept) throws IOException {
        ParcelPapers papers = ParcelPapers.of(drop.files());
        Mp3Sounds mp3s = Mp3Sounds.of(papers.rest);
        Sorted sorted = Sorted.of(drop, mp3s.files, store);
        sorted.refused.addAll(mp3s.refused);
        papers.remarks.forEach(remark -> sorted.remark(remark.file(), remark.reason()));
        if (session != null) {
            refuseSessions(sorted);
        }
        SampleRate rate = session == null ? sorted.rate() : session.rate();
        Song song = session == null ? Song.titled(title) : session.song();
        ManifestSeats ours = papers.manifest == null ? null : new ManifestSeats(papers.manifest, session);
        Media media = Media.ofSounds(sorted.sounds).and(session == null ? List.of() : session.recordings());
        Lists laid = laid(sorted, media, rate, song, start(sorted, media, rate));
        List<Examination> heard = hear(sorted);
        List<NamedSeats.Read> seats =
                NamedSeats.of(sorted.sounds.stream().map(DropExaminer::named).toList(), title);
        long start = ours == null ? start(sorted, media, rate) : ours.start();
        String common = FolderNames.common(
                sorted.sounds.stream().map(sound -> sound.file().folder()).toList());
        List<IntakeFile> files = new ArrayList<>();
        for (int i = 0; i < sorted.sounds.size(); i++) {
            Sorted.Sound sound = sorted.sounds.get(i);
            Seat seat = mp3s.isLossy(sound.file())
                    ? lossy(seats, i, sorted)
                    : seats.get(i).seat();
            Manifest.Entry entry = papers.entry(sound.file());
            files.add(new IntakeFile(
                    "f" + (files.size() + 1),
                    FolderNames.inside(sound.file().folder(), common),
                    sound.file().name(),
                    IntakeFile.Kind.RECORDING,
                    sound.recording(),
                    sound.facts(),
                    heard.get(i),
                    seats.get(i).number(),
                    entry == null ? "" : entry.station(),
                    entry == null ? seat.withPlace(place(sound, media, start, rate)) : ours.seat(entry, rate),
                    null));
        }
        for (DroppedFile paper : papers.papers) {
            files.add(document(new Sorted.Document(paper, IntakeFile.Kind.PAPER), common, "f" + (files.size() + 1)));
            KeptDocuments.keep(paper, kept, files.size());
        }
        if (session != null) {
            papers.papers.forEach(paper -> sorted.remark(
                    paper.name(), "It is neither a sound nor a list; nothing of it comes into the session."));
        }
        for (Sorted.Document document : sorted.read) {
            files.add(document(document, common, "f" + (files.size() + 1)));
            KeptDocuments.keep(document.file(), kept, files.size());
        }
        CameAlong along = ours == null || sorted.documents.isEmpty()
                ? null
                : SessionAsItWas.along(sorted.documents.get(0).session(), papers.manifest.editedRows(), files, sorted);
        boolean counted = ours == null && files.stream().anyMatch(file -> file.number() > 0);
        Onto onto = session == null ? null : Onto.of(sessionId, session, at, files);
        if (onto != null) {
            files.replaceAll(onto::seated);
            files.stream()
                    .filter(file -> onto.held().contains(file.id()))
                    .forEach(file -> sorted.remark(
                            file.name(), "It is in this session already; its content is the same. It is left out."));
        }
        Intake intake = new Intake(
                session == null ? title(title, sorted, papers) : song.title(),
                rate,
                start,
                counted ? RowsInOrder.AS_NUMBERED : RowsInOrder.AS_THEY_CAME,
                files,
                ours == null ? tagged(counted(laid, sorted), sorted) : laid,
                papers.check(drop.files(), sorted.sounds).orElse(null),
                new SameSounds(store).among(files),
                null,
                Set.of(),
                missing(sorted, media, papers),
                sorted.refused,
                sorted.remarks,
                onto,
                along);
        return new PlacesInTheMix(store, drop.progress()).of(new UnnamedMix(store).of(named(intake, sorted)));
    }

    /** A tempo that the files' tags agree on, where nothing else says one. */
    private Lists tagged(Lists lists, Sorted sorted) {
        List<Double> tempos = sorted.sounds.stream()
                .map(sound -> sound.facts().tempo())
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        boolean isSaid = session != null
                || !sorted.documents.isEmpty()
                || sorted.songs.stream().anyMatch(song -> !song.tempos().isEmpty());
        if (isSaid || tempos.size() != 1) {
            return lists;
        }
        sorted.remark(
                "Tags",
                "The files' tags say a tempo of "
                        + new BigDecimal(tempos.get(0).toString())
                                .stripTrailingZeros()
                                .toPlainString() + "; it is the song's.");
        return lists.at(tempos.get(0));
    }

    /** What lists of tracks say of the files. */
    private static Intake named(Intake intake, Sorted sorted) {
        Intake named = intake;
        for (TrackList list : sorted.tracks) {
            named = new Correction.Several(list.corrections(named.files())).applyTo(named);
        }
        return named;
    }

    /** An MP3 is held against, where nothing better came to be that, and is else left out. */
    private static Seat lossy(List<NamedSeats.Read> seats, int at, Sorted sorted) {
        Seat seat = seats.get(at).seat();
        boolean better = false;
        for (int i = 0; i < seats.size(); i++) {
            better |= i != at && seats.get(i).seat().use() == Use.REFERENCE;
        }
        String name = sorted.sounds.get(at).file().name();
        sorted.remark(
                name,
                better
                        ? "An MP3 is lossy; it is left out, since a better mix came to hold the files against."
                        : "An MP3 is lossy; it is only there to hold the others against.");
        return seat.withUse(better ? Use.LEFT_OUT : Use.REFERENCE);
    }

    private static NamedSeats.Named named(Sorted.Sound sound) {
        return new NamedSeats.Named(
                sound.file().folder(),
                sound.file().name(),
                sound.facts().title(),
                sound.recording().channels(),
                sound.facts().note());
    }

    /** Marks what lists and saved sessions name as used, remarks what does not fit of it, and counts the rows it makes. */
    static Lists listed(Sorted sorted, Media media, SampleRate rate, Song song, long start) {
        return counted(laid(sorted, media, rate, song, start), sorted);
    }

    /** The same, counting the rows of lists alone. */
    private static Lists laid(Sorted sorted, Media media, SampleRate rate, Song song, long start) {
        Lists read = SessionLayout.listed(
                        sorted, media, rate, SessionLayout.song(sorted, song, null), Lists.NONE, start)
                .facts();
        sorted.documents.stream()
                .flatMap(document -> document.session().recordings().stream())
                .forEach(recording -> media.known(recording.sha256()).ifPresent(media::use));
        sorted.remarkOtherSessions();
        return read;
    }

    /** With the rows of notes, or in their place those of a saved session. */
    private static Lists counted(Lists read, Sorted sorted) {
        int players =
                sorted.songs.stream().mapToInt(midi -> midi.players().size()).sum();
        return read.withRows(
                sorted.documents.isEmpty()
                        ? read.rows() + players
                        : sorted.documents.get(0).session().rows().size() - 1);
    }

    /** Recordings that lists or a saved session name and that are not here. */
    private List<String> missing(Sorted sorted, Media media, ParcelPapers papers) {
        if (papers.manifest != null) {
            return List.of(); // its document names what stayed at home
        }
        return sorted.documents.isEmpty()
                ? media.missing().stream().map(Recording::fileName).toList()
                : sorted.documents.get(0).session().recordings().stream()
                        .filter(recording -> !store.has(recording.sha256()))
                        .map(Recording::fileName)
                        .toList();
    }

    private static String title(String called, Sorted sorted, ParcelPapers papers) {
        if (papers.manifest != null) {
            return papers.manifest.song();
        }
        return sorted.documents.isEmpty()
                ? called
                : sorted.documents.get(0).session().song().title();
    }

    /** One is opened at a time. */
    private static void refuseSessions(Sorted sorted) {
        sorted.documents.forEach(
                document -> sorted.refuse(SessionFile.DOCUMENT, "It is a session of its own; drop it on the shelf."));
        sorted.documents.clear();
        sorted.read.removeIf(document -> document.kind() == IntakeFile.Kind.SESSION);
    }

    private long start(Sorted sorted, Media media, SampleRate rate) {
        return session == null ? earliest(sorted, media, rate) : session.startReference();
    }

    private static long earliest(Sorted sorted, Media media, SampleRate rate) {
        return sorted.sounds.stream()
                .map(Sorted.Sound::recording)
                .filter(recording -> !media.isUsed(recording))
                .map(recording -> SessionFromDrop.reference(recording, rate))
                .filter(Objects::nonNull)
                .mapToLong(Long::longValue)
                .min()
                .orElse(0);
    }

    private Place place(Sorted.Sound sound, Media media, long start, SampleRate rate) {
        Recording recording = sound.recording();
        if (media.isUsed(recording)) {
            return Place.start().at(0, Place.By.LIST);
        }
        return place(recording, start, rate, at);
    }

    /** Where a recording lies that no list names. @param otherwise frame of what says nothing */
    static Place place(Recording recording, long start, SampleRate rate, long otherwise) {
        Long reference = SessionFromDrop.reference(recording, rate);
        return reference == null
                ? Place.start().at(otherwise, Place.By.START)
                : Place.start().at(reference - start, Place.By.STAMP);
    }

    private static IntakeFile document(Sorted.Document document, String common, String id) {
        Seat seat = new Seat(
                Use.ROW,
                NoteRows.safe(Drop.stem(document.file().name())),
                Role.OTHER,
                "",
                1,
                Seat.Side.WHOLE,
                "",
                Place.start().at(0, Place.By.LIST));
        return new IntakeFile(
                id,
                FolderNames.inside(document.file().folder(), common),
                document.file().name(),
                document.kind(),
                null,
                null,
                null,
                0,
                "",
                seat,
                document.form());
    }

    private List<Examination> hear(Sorted sorted) {
        DropProgress progress = drop.progress();
        progress.begin(DropProgress.Stage.HEARING, sorted.sounds.size());
        return sorted.sounds.parallelStream()
                .map(sound -> {
                    progress.begin(sound.file().name());
                    Examination heard = hear(sound.recording());
                    progress.end();
                    return heard;
                })
                .toList();
    }

    private Examination hear(Recording recording) {
        try (PcmReader in = store.open(recording.sha256())) {
            return Examiner.examine(in, recording.rate());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
