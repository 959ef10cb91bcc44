package apodex.intake;

import apodex.intake.Seat.Side;
import apodex.parcel.Manifest;
import apodex.session.About;
import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Key;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.NamedBy;
import apodex.session.Recording;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.RowIds;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.time.Meter;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Makes the session that an intake shows. */
public final class SessionFromIntake {
    private final RecordingStore store;
    private final Intake intake;
    private final Path work;
    /** That everything is added to; null: it becomes a session of its own. */
    @Nullable
    private Session onto;

    /** Ids of buses by the names of groups. */
    private final Map<String, String> buses = new LinkedHashMap<>();
    /** Frames by which everything is later than the intake says, so that nothing lies before the session's start. */
    private long later;
    /** Frames of the session for one of the intake. */
    private double scale = 1;

    /** @param work an empty folder for files on their way */
    public SessionFromIntake(RecordingStore store, Intake intake, Path work) {
        this.store = store;
        this.intake = intake;
        this.work = work;
    }

    /** Makes what is to be added to a session: at its start, by its tempo, through its buses. */
    SessionFromIntake onto(Session open) {
        onto = open;
        open.rows().stream()
                .filter(row -> row.kind() == RowKind.BUS)
                .forEach(bus -> buses.putIfAbsent(bus.name(), bus.id()));
        return this;
    }

    /**
     * Makes it.
     *
     * @param kept what {@link DropExaminer#examine} kept
     * @param today used where no recording says when it was made
     */
    public Session make(Path kept, LocalDate today) throws IOException {
        KeptDocuments came = KeptDocuments.of(kept);
        ParcelPapers papers = ParcelPapers.of(came.files());
        Sorted documents = Sorted.ofDocuments(papers.rest, came.forms(intake));
        if (!documents.documents.isEmpty() && papers.manifest == null) {
            Session session = new SessionFromDrop(store).ofDocument(documents.documents, came());
            return session.withSong(session.song().withTitle(intake.title()));
        }
        if (papers.manifest != null && !documents.documents.isEmpty() && intake.isAsItWas()) {
            Session was = documents.documents.get(0).session();
            scale = (double) was.rate().hertz() / intake.rate().hertz();
            Map<String, Row> laid = new LinkedHashMap<>();
            SessionLayout.listed(documents, Media.of(intake), was.rate(), was.song(), intake.lists(), 0)
                    .rows()
                    .forEach(row -> laid.put(row.name(), row));
            return new SessionAsItWas(was, papers.manifest, laid, intake, this, store, work).make();
        }
        if (papers.manifest != null) {
            documents.songs.clear(); // what they play is there as sound, and the manifest says tempo and meter
        }
        long earliest = intake.sounds().stream()
                .filter(file -> file.seat().use() != Seat.Use.LEFT_OUT)
                .mapToLong(file -> file.seat().place().frame())
                .min()
                .orElse(0);
        later = onto == null ? Math.max(0, -earliest) : 0;
        Session session = SessionLayout.of(
                documents,
                Media.of(intake).and(onto == null ? List.of() : onto.recordings()),
                intake.rate(),
                onto == null ? Song.titled(intake.title()) : onto.song(),
                today,
                intake.lists(),
                intake.start(),
                this::lay);
        Session used = session.withRecordings(session.recordings().stream()
                .filter(recording -> session.uses(recording.sha256()))
                .toList());
        return papers.manifest == null || onto != null ? used : withSong(used, papers.manifest);
    }

    /** Tempo, meter, key, artist and markers of one of our parcels. */
    private Session withSong(Session session, Manifest manifest) {
        Song song = new Song(
                session.song().title(),
                manifest.artist(),
                manifest.tempo(),
                manifest.meter() == null ? null : Meter.parse(manifest.meter()),
                manifest.key() == null ? null : Key.parse(manifest.key()),
                manifest.tempoChanges(),
                manifest.meterChanges());
        List<Marker> markers = new ArrayList<>(session.markers());
        manifest.markers()
                .forEach(marker -> markers.add(new Marker(
                        Math.round(marker.seconds() * session.rate().hertz()), NoteRows.safe(marker.name()))));
        return session.withSong(song).withMarkers(markers);
    }

    /** What a saved session names, and what came beside it and was not left out. */
    private List<Recording> came() {
        return intake.sounds().stream()
                .filter(file -> file.seat().use() != Seat.Use.LEFT_OUT
                        || file.seat().place().by() == Place.By.LIST)
                .map(IntakeFile::recording)
                .toList();
    }

    private long lay(Media media, SampleRate rate, List<Row> rows, List<Marker> markers) throws IOException {
        Map<String, List<IntakeFile>> byRow = intake.rows();
        for (List<IntakeFile> files : byRow.values()) {
            String group = files.get(0).seat().group();
            if (!group.isEmpty() && isShared(group, byRow)) {
                buses.computeIfAbsent(group, name -> {
                    String id = onto == null ? "b" + (buses.size() + 1) : RowIds.fresh();
                    rows.add(new BusRow(id, name, Strip.PLAIN));
                    return id;
                });
            }
        }
        for (Map.Entry<String, List<IntakeFile>> row : byRow.entrySet()) {
            row(row.getKey(), row.getValue(), media, rate, rows);
        }
        for (IntakeFile file : intake.sounds()) {
            if (file.seat().use() == Seat.Use.REFERENCE) {
                setApart(file, rate, rows);
            }
            boolean isLaid =
                    file.seat().use() != Seat.Use.LEFT_OUT && file.seat().use() != Seat.Use.IN_PLACE;
            if (isLaid && file.seat().place().by() != Place.By.LIST) {
                markers(file, rate, markers);
            }
        }
        return intake.start() - later;
    }

    /** A bus for one row is no help, unless it is there already. */
    private boolean isShared(String group, Map<String, List<IntakeFile>> rows) {
        return buses.containsKey(group)
                || rows.values().stream()
                                .filter(files -> files.get(0).seat().group().equals(group))
                                .count()
                        > 1;
    }

    private void row(String name, List<IntakeFile> files, Media media, SampleRate rate, List<Row> rows)
            throws IOException {
        IntakeFile first = files.get(0);
        if (first.recording().channels() > 2) {
            for (IntakeFile file : files) {
                Sorted.Sound sound = new Sorted.Sound(null, file.recording(), file.facts());
                SessionFromDrop.addRows(sound, Math.max(0, at(file)), rate, rows, () -> SessionLayout.nextId(rows));
            }
            return;
        }
        Map<Integer, List<Clip>> takes = new LinkedHashMap<>();
        files.stream()
                .sorted(Comparator.comparingInt(file -> file.seat().take()))
                .forEach(file -> takes.computeIfAbsent(file.seat().take(), number -> new ArrayList<>()));
        for (Map.Entry<Integer, List<Clip>> take : takes.entrySet()) {
            List<IntakeFile> here = files.stream()
                    .filter(file -> file.seat().take() == take.getKey())
                    .toList();
            take.getValue().addAll(clips(name, here, media, rate));
        }
        List<Take> made = new ArrayList<>();
        takes.forEach((number, clips) -> made.add(new Take("t" + (made.size() + 1), "Take " + number, clips)));
        List<Clip> pieces = made.stream().flatMap(take -> take.clips().stream()).toList();
        // stamped pieces of one thing that lie one after the other are its clips, not its takes
        List<Take> all = made.size() == 1 || Offers.overlap(pieces) ? made : List.of(new Take("t1", "Take 1", pieces));
        String bus = buses.getOrDefault(first.seat().group(), MixRow.ID);
        List<Brought> brought = new ArrayList<>();
        for (Map.Entry<String, List<IntakeFile>> beside : intake.beside(name).entrySet()) {
            brought.add(new Brought(
                    Station.called(beside.getKey()).orElseThrow(), clips(name, beside.getValue(), media, rate)));
        }
        Strip strip = Strip.feeding(bus).withBrought(brought);
        AudioRow row = new AudioRow(SessionLayout.nextId(rows), name, all, "t1", strip);
        rows.add(row.withAbout(about(first)));
    }

    private About about(IntakeFile file) {
        return new About(file.seat().role(), file.seat().note(), NamedBy.PROPOSAL);
    }

    private List<Clip> clips(String name, List<IntakeFile> files, Media media, SampleRate rate) throws IOException {
        List<IntakeFile> lefts =
                files.stream().filter(file -> file.seat().side() == Side.LEFT).toList();
        List<Clip> clips = new ArrayList<>();
        List<IntakeFile> open = new ArrayList<>(files);
        for (IntakeFile left : lefts) {
            for (IntakeFile right : List.copyOf(open)) {
                if (right.seat().side() == Side.RIGHT && fit(left, right) && open.contains(left)) {
                    Recording pair = StereoPair.recording(store, left.recording(), 0, right.recording(), 0, name, work);
                    media.make(pair);
                    clips.add(clip(pair, left, rate));
                    open.remove(left);
                    open.remove(right);
                }
            }
        }
        open.forEach(file -> clips.add(clip(file.recording(), file, rate)));
        return clips;
    }

    /** Whether two files are two sides of one sound: recorded alike, equally long, at one place. */
    static boolean fit(IntakeFile left, IntakeFile right) {
        Recording one = left.recording();
        Recording other = right.recording();
        return one.channels() == 1
                && other.channels() == 1
                && StereoPair.alike(one, other)
                && left.seat().place().frame() == right.seat().place().frame()
                && left.seat().place().inverted() == right.seat().place().inverted();
    }

    Clip clip(Recording recording, IntakeFile file, SampleRate rate) {
        return clip(recording, file.seat().place(), rate, at(file));
    }

    /** A whole recording; what lies before frame 0 of a session that is there already is cut away. */
    static Clip clip(Recording recording, Place place, SampleRate rate, long frame) {
        long frames = recording.framesAt(rate);
        long cut = Math.min(frames - 1, Math.max(0, -frame));
        Clip clip = new Clip(
                recording.sha256(),
                0,
                Math.min(2, recording.channels()),
                Math.max(0, frame),
                cut,
                frames - cut,
                0,
                0,
                0);
        return place.inverted() ? clip.turnedOver() : clip;
    }

    private long at(IntakeFile file) {
        return Math.round(file.seat().place().frame() * scale) + later;
    }

    /** A row that is there to be held against, and goes nowhere. */
    Row reference(IntakeFile file, SampleRate rate, String id) {
        Strip nowhere = Strip.feeding();
        return new AudioRow(id, file.seat().row(), List.of(clip(file.recording(), file, rate)), nowhere)
                .withAbout(about(file).withRole(Role.REFERENCE));
    }

    /** A list may have laid it already, on a row of its own: then that row is it, and it is not heard twice. */
    private void setApart(IntakeFile file, SampleRate rate, List<Row> rows) {
        for (int i = 0; i < rows.size(); i++) {
            List<Clip> clips = rows.get(i).clips();
            boolean isIt = !clips.isEmpty()
                    && clips.stream().allMatch(clip -> clip.recording()
                            .equals(file.recording().sha256()));
            if (isIt && file.seat().place().by() == Place.By.LIST) {
                Row laid = rows.get(i);
                rows.set(
                        i,
                        laid.withStrip(Strip.feeding()).withAbout(laid.about().withRole(Role.REFERENCE)));
                return;
            }
        }
        rows.add(reference(file, rate, SessionLayout.nextId(rows)));
    }

    private void markers(IntakeFile file, SampleRate rate, List<Marker> markers) {
        double scale = (double) rate.hertz() / file.recording().rate().hertz();
        file.facts().markers().forEach(mark -> {
            long frame = at(file) + Math.round(mark.frame() * scale);
            if (frame >= 0) {
                markers.add(new Marker(frame, NoteRows.safe(mark.name())));
            }
        });
    }
}
