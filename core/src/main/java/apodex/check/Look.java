package apodex.check;

import apodex.align.Sighting;
import apodex.handoff.Handoff;
import apodex.handoff.Levels;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.RowImage;
import apodex.measure.SoundScan;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.EditRefused;
import apodex.session.Inputs;
import apodex.session.Recording;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.session.Station;
import apodex.session.Take;
import apodex.time.FrameRange;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** A session with everything checks may want to know of it, each thing found out once. */
public final class Look implements AutoCloseable {
    private final Session session;
    private final Handoff handoff;
    private final Plan plan;
    private final Inputs inputs;
    private final Sounds sounds;
    private final OpenRecordings recordings;
    private final Map<String, List<Print>> printsByRow;
    private final Map<String, Optional<StereoImage>> images = new HashMap<>();

    /** @param handoff what is going to be printed; what the session no longer has is left out of it */
    public Look(Session session, Handoff handoff, Sounds sounds) {
        this.session = session;
        this.inputs = new Inputs(session);
        this.sounds = sounds;
        this.recordings = new OpenRecordings(sounds);
        this.plan = plan(session, handoff, sounds);
        this.handoff = plan == null ? handoff : Planner.without(session, handoff);
        this.printsByRow = prints().stream().collect(Collectors.groupingBy(Print::row));
    }

    /** One whose plan is made already. */
    public Look(Session session, Handoff handoff, Plan plan, Sounds sounds) {
        this.session = session;
        this.inputs = new Inputs(session);
        this.sounds = sounds;
        this.recordings = new OpenRecordings(sounds);
        this.plan = plan;
        this.handoff = handoff;
        this.printsByRow = prints().stream().collect(Collectors.groupingBy(Print::row));
    }

    private static Plan plan(Session session, Handoff handoff, Sounds sounds) {
        try {
            Routing.refuseLoops(session);
            return Planner.plan(session, Planner.without(session, handoff), sounds);
        } catch (IllegalArgumentException | EditRefused e) {
            return null; // a loop is a finding of its own
        }
    }

    Session session() {
        return session;
    }

    Handoff handoff() {
        return handoff;
    }

    /** What is going to be printed; empty where nothing can be, as when rows feed each other in a loop. */
    Optional<Plan> plan() {
        return Optional.ofNullable(plan);
    }

    List<Print> prints() {
        return plan == null ? List.of() : plan.prints();
    }

    List<Print> prints(Row row) {
        return printsByRow.getOrDefault(row.id(), List.of());
    }

    /** Whether anything is handed on of a row: files, or edits. */
    boolean goesOut(Row row) {
        return !prints(row).isEmpty() || isEdited(row);
    }

    /** Whether a take is handed on beside the chosen one. */
    boolean goesOut(AudioRow row, Take take) {
        return plan != null
                && plan.rows().stream()
                        .anyMatch(planned -> planned.row().equals(row.id())
                                && planned.takes().contains(take.id()))
                && plan.stationsOf(row.id()).contains(Station.RAW);
    }

    /** Sources something goes out of, in the receiver's order. */
    List<Row> sourcesInOrder() {
        if (plan == null) {
            return sources();
        }
        Set<String> order = new LinkedHashSet<>();
        plan.rows().forEach(row -> order.add(row.row()));
        return order.stream()
                .flatMap(id -> session.row(id).stream())
                .filter(row -> row.kind().isSource() && goesOut(row))
                .toList();
    }

    /** Whether a receiver meets the name of a row: one of sound goes out, and sums stand on the sheet as what others go through. */
    boolean isNamed(Row row) {
        return plan == null || !row.kind().isSource() || goesOut(row);
    }

    /** Clips of a row that are heard where something is printed. */
    List<Clip> clips(Row row) {
        return plan == null
                ? row.clips()
                : row.clips().stream()
                        .filter(clip -> plan.sections().stream()
                                .anyMatch(section -> section.passage().range().overlaps(clip.range())))
                        .toList();
    }

    /** Whether files come out as loud as rows are, but for trims. */
    boolean levelsStay() {
        return handoff.settled().levels() == Levels.AS_THEY_ARE;
    }

    /** Whether Raw of a row goes out as edits. */
    boolean isEdited(Row row) {
        return plan != null && plan.edits().hold(row.id());
    }

    boolean isPrinted(Row row, Station station) {
        return plan != null && plan.stationsOf(row.id()).contains(station);
    }

    /** The channels a row is printed with. */
    Handoff.Sides sides(Row row) {
        Handoff.Sides byHand = handoff.row(row.id()).sides();
        return byHand == null ? handoff.settled().sides() : byHand;
    }

    /** What the handoff turns a row itself up or down by, in dB. */
    double trimDb(Row row) {
        Double trim = handoff.row(row.id()).trimDb();
        return trim == null ? 0 : trim;
    }

    Sounds.Standing standing(Recording recording) {
        return sounds.standing(recording.sha256());
    }

    /** What was measured of every sample of a clip's recording; empty while it has not been. */
    Optional<SoundScan> scan(Clip clip) {
        return sounds.scan(clip.recording());
    }

    /** The frames of its recording that a clip uses, at the recording's own rate. */
    FrameRange heard(Clip clip) {
        return RowImage.heard(session, clip);
    }

    /** Where a frame of a clip's recording stands in the session. */
    long inSession(Clip clip, long recordingFrame) {
        Recording recording = session.recording(clip.recording());
        return clip.position()
                - clip.offset()
                + Math.round((double) recordingFrame
                        * session.rate().hertz()
                        / recording.rate().hertz());
    }

    /** How loud a row's sides are at Raw; empty when a recording cannot be read. */
    Optional<StereoImage> image(AudioRow row) {
        return images.computeIfAbsent(row.id(), id -> {
            try {
                return Optional.of(RowImage.measure(session, row, sounds));
            } catch (IOException e) {
                return Optional.empty();
            }
        });
    }

    /** The loudest sample of a stretch of a recording as a factor of full scale; 0 when it cannot be read. */
    double peak(Clip clip) {
        try {
            return RowImage.measure(session, List.of(clip), sounds).peak();
        } catch (IOException e) {
            return 0;
        }
    }

    /** Where the recording of a clip lies in that of another. */
    Sighting sighting(Clip clip, Clip in) {
        return sounds.sighting(session.recording(clip.recording()), session.recording(in.recording()));
    }

    /**
     * A few samples of a clip as it is heard without fades, its channels one after the other.
     *
     * @param from first frame, counted from the clip's start
     * @return channels x frames; empty when they cannot be read
     */
    Optional<double[][]> samples(Clip clip, long from, int frames) {
        FrameRange heard = heard(clip);
        Recording recording = session.recording(clip.recording());
        double ratio = (double) recording.rate().hertz() / session.rate().hertz();
        long first = Math.max(heard.start(), Math.min(heard.end() - frames, heard.start() + Math.round(from * ratio)));
        if (first < 0 || first + frames > recording.frames()) {
            return Optional.empty();
        }
        double[][] into = new double[clip.channels()][frames];
        try {
            recordings.of(clip.recording()).read(first, frames, clip.firstChannel(), into, 0);
        } catch (IOException e) {
            return Optional.empty();
        }
        double factor = Math.pow(10, clip.gainDb() / 20);
        for (double[] channel : into) {
            for (int i = 0; i < frames; i++) {
                channel[i] *= factor;
            }
        }
        return Optional.of(into);
    }

    boolean hasContent(Row row) {
        return hasContent(row, new HashSet<>());
    }

    private boolean hasContent(Row row, Set<String> seen) {
        if (!seen.add(row.id())) {
            return false; // a loop
        }
        if (row.kind().isSource()) {
            return session.hasOwn(row);
        }
        return feeding(row).stream().anyMatch(each -> hasContent(each, seen));
    }

    /** Rows that feed or send to a row. */
    List<Row> feeding(Row row) {
        return inputs.of(row);
    }

    /** Rows with sound of their own: no buses, returns or mix. */
    List<Row> sources() {
        return session.rows().stream().filter(row -> row.kind().isSource()).toList();
    }

    /** Buses and the mix. */
    List<Row> sums() {
        return session.rows().stream().filter(row -> row.kind().isSum()).toList();
    }

    /** {@code Row 6 Tuba} */
    String called(Row row) {
        return row.kind() == RowKind.MIX ? "The mix" : "Row " + (session.place(row) + 1) + " " + row.name();
    }

    /** {@code bar 17 beat 2}, or minutes while no tempo is known. */
    String place(long frame) {
        return SongPlace.of(session, frame);
    }

    /** Some context around a place, for drawing. */
    FrameRange around(FrameRange stretch) {
        long more = Math.max(session.rate().hertz() / 200, stretch.frames());
        return new FrameRange(Math.max(0, stretch.start() - more), stretch.end() + more);
    }

    /** All of a row that sounds. */
    FrameRange whole(AudioRow row) {
        long start = row.clips().stream().mapToLong(Clip::position).min().orElse(0);
        return new FrameRange(start, Math.max(start + 1, row.endFrame()));
    }

    static String milliseconds(double seconds) {
        return String.format(Locale.ROOT, "%.1f ms", 1_000 * seconds);
    }

    static String db(double value) {
        return String.format(Locale.ROOT, "%.1f", value).replace("-", "−");
    }

    static List<String> ids(List<? extends Row> rows) {
        return new ArrayList<>(rows.stream().map(Row::id).toList());
    }

    /** Lets go of recordings that were opened to look into them. */
    @Override
    public void close() {
        recordings.close();
    }
}
