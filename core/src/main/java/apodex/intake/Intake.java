package apodex.intake;

import apodex.intake.Seat.Use;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What came from somebody else, examined and laid out as it would become a session; nothing is final. A value: each
 * {@link Correction} gives another.
 *
 * @param title   of the song
 * @param rate    of the session: the most common of the recordings
 * @param start   frame 0 of the session, counted from midnight, by the earliest stamp; 0 without one
 * @param order   of the rows
 * @param files   in the order they came
 * @param lists   what lists, notes or a saved session lay out
 * @param parcel  what came held against its checksums; null when there were none
 * @param same    files that hold one sound
 * @param sum     what others add up to, where no mix was called one
 * @param agreed  names of rows whose takes were agreed on
 * @param missing names of recordings that a list names and that are not here
 * @param refused what cannot be used, and why
 * @param remarks what was left out or changed of files that can
 * @param onto    the open session it is added to; null: it becomes one of its own
 * @param along   the session that our parcel was printed from; null where it did not come along
 */
public record Intake(
        String title,
        SampleRate rate,
        long start,
        RowsInOrder order,
        List<IntakeFile> files,
        Lists lists,
        @Nullable ParcelCheck parcel,
        List<SameSound> same,
        @Nullable SumOfOthers sum,
        Set<String> agreed,
        List<String> missing,
        List<Refusal> refused,
        List<Refusal> remarks,
        @Nullable Onto onto,
        @Nullable CameAlong along) {

    /** How far a file and the reference sit from the middle when they are held against each other. */
    private static final double APART = 70;

    public Intake {
        lists = lists == null ? Lists.NONE : lists; // those from before there was anything to choose do not say
        files = List.copyOf(files);
        same = List.copyOf(same);
        agreed = new LinkedHashSet<>(agreed);
        missing = List.copyOf(missing);
        refused = List.copyOf(refused);
        remarks = List.copyOf(remarks);
    }

    Intake withFiles(List<IntakeFile> other) {
        return new Intake(
                title, rate, start, order, other, lists, parcel, same, sum, agreed, missing, refused, remarks, onto,
                along);
    }

    Intake withOrder(RowsInOrder other) {
        return new Intake(
                title, rate, start, other, files, lists, parcel, same, sum, agreed, missing, refused, remarks, onto,
                along);
    }

    Intake withTitle(String other) {
        return new Intake(
                other, rate, start, order, files, lists, parcel, same, sum, agreed, missing, refused, remarks, onto,
                along);
    }

    Intake withSum(SumOfOthers other) {
        return new Intake(
                title, rate, start, order, files, lists, parcel, same, other, agreed, missing, refused, remarks, onto,
                along);
    }

    Intake withLists(Lists other) {
        return new Intake(
                title, rate, start, order, files, other, parcel, same, sum, agreed, missing, refused, remarks, onto,
                along);
    }

    Intake withMissing(List<String> other) {
        return new Intake(
                title, rate, start, order, files, lists, parcel, same, sum, agreed, other, refused, remarks, onto,
                along);
    }

    Intake remarking(String file, String what) {
        List<Refusal> more = new ArrayList<>(remarks);
        more.add(new Refusal(file, what));
        return new Intake(
                title, rate, start, order, files, lists, parcel, same, sum, agreed, missing, refused, more, onto,
                along);
    }

    Intake agreeing(String row) {
        Set<String> more = new LinkedHashSet<>(agreed);
        more.add(row);
        return new Intake(
                title, rate, start, order, files, lists, parcel, same, sum, more, missing, refused, remarks, onto,
                along);
    }

    Intake onto(@Nullable Onto other) {
        return new Intake(
                title, rate, start, order, files, lists, parcel, same, sum, agreed, missing, refused, remarks, other,
                along);
    }

    Intake along(CameAlong other) {
        return new Intake(
                title, rate, start, order, files, lists, parcel, same, sum, agreed, missing, refused, remarks, onto,
                other);
    }

    /** Whether it becomes the session again that its files were printed from. */
    @JsonIgnore
    public boolean isAsItWas() {
        return along != null && along.taken();
    }

    IntakeFile file(String id) {
        return files.stream()
                .filter(file -> file.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("No such file came."));
    }

    /** The recordings among the files. */
    @JsonIgnore
    public List<IntakeFile> sounds() {
        return files.stream().filter(IntakeFile::isSound).toList();
    }

    /** Ids of the recordings that lists lay out. */
    List<String> listed() {
        return sounds().stream()
                .filter(file -> file.seat().place().by() == Place.By.LIST)
                .map(IntakeFile::id)
                .toList();
    }

    /** The mix that the others are held against. */
    @JsonIgnore
    public Optional<IntakeFile> reference() {
        return sounds().stream()
                .filter(file -> file.seat().use() == Use.REFERENCE)
                .findFirst();
    }

    /** All files in the order they will be laid out: what becomes rows, then the reference, what is left out, and papers. */
    @JsonIgnore
    public List<IntakeFile> laidOut() {
        return files.stream()
                .sorted(Comparator.comparingInt(Intake::asideness).thenComparing(order.comparator()))
                .toList();
    }

    private static int asideness(IntakeFile file) {
        return file.kind() == IntakeFile.Kind.PAPER
                ? Use.values().length
                : file.seat().use() == Use.BESIDE
                        ? Use.ROW.ordinal()
                        : file.seat().use().ordinal();
    }

    /** How many rows the session will have, besides the mix and buses. */
    public int rowCount() {
        if (isAsItWas()) {
            return along.rows()
                    + (int) sounds().stream()
                            .filter(file -> file.seat().use() == Use.REFERENCE)
                            .count();
        }
        return lists.rows()
                + rows().values().stream()
                        .mapToInt(files -> Math.max(1, (files.get(0).recording().channels() + 1) / 2))
                        .sum();
    }

    /**
     * Files that share a row, by its name, in the order of the rows; sides, takes and clips in theirs. What was rendered elsewhere for a
     * row that is not there is a row itself.
     */
    @JsonIgnore
    public Map<String, List<IntakeFile>> rows() {
        Map<String, List<IntakeFile>> rows = new LinkedHashMap<>();
        Set<String> hosts = hosts();
        laidOut().stream()
                .filter(file -> isFree(file)
                        && (file.seat().use() == Use.ROW
                                || file.seat().use() == Use.BESIDE
                                        && !hosts.contains(file.seat().row())))
                .forEach(file -> rows.computeIfAbsent(file.seat().row(), name -> new ArrayList<>())
                        .add(file));
        return rows;
    }

    /** What was rendered elsewhere for a row, by the stations it stands for. */
    Map<String, List<IntakeFile>> beside(String row) {
        return hosts().contains(row)
                ? files.stream()
                        .filter(file -> isFree(file)
                                && file.seat().use() == Use.BESIDE
                                && file.seat().row().equals(row))
                        .collect(Collectors.groupingBy(IntakeFile::station, TreeMap::new, Collectors.toList()))
                : Map.of();
    }

    /** Names of rows that something of one or two channels lies on. */
    private Set<String> hosts() {
        return files.stream()
                .filter(file -> isFree(file)
                        && file.seat().use() == Use.ROW
                        && file.recording().channels() <= 2)
                .map(file -> file.seat().row())
                .collect(Collectors.toSet());
    }

    private static boolean isFree(IntakeFile file) {
        return file.isSound() && file.seat().place().by() != Place.By.LIST;
    }

    /** Files that will be heard: of a row that came several times over, the one nearest to the mix. */
    List<IntakeFile> heard() {
        Map<String, Integer> last = new HashMap<>();
        List<IntakeFile> heard =
                sounds().stream().filter(file -> isHeard(file.seat().use())).toList();
        heard.forEach(file -> last.merge(file.seat().row(), nearness(file), Math::max));
        return heard.stream()
                .filter(file -> nearness(file) == last.get(file.seat().row()))
                .toList();
    }

    private static boolean isHeard(Use use) {
        return use == Use.ROW || use == Use.BESIDE;
    }

    private static int nearness(IntakeFile file) {
        boolean isPastTheSum = file.seat().use() == Use.BESIDE && file.station().equals(Station.BUS.label());
        return file.seat().use() == Use.ROW || isPastTheSum
                ? isPastTheSum ? -1 : 0
                : Station.called(file.station()).map(Station::ordinal).orElse(0);
    }

    /**
     * Files to be heard together, each whole, with nothing before frame 0. The reference is heard left of a single other.
     *
     * @param asFound where the reference has them, instead of where they would lie
     */
    public Session together(Set<String> ids, boolean asFound) {
        List<Row> rows = new ArrayList<>();
        Map<String, Recording> recordings = new LinkedHashMap<>();
        List<IntakeFile> heard =
                sounds().stream().filter(file -> ids.contains(file.id())).toList();
        for (IntakeFile file : heard) {
            Place place = file.seat().place();
            long frame = asFound && place.found() != null ? place.found().frame() : place.frame();
            long late = Math.max(0, frame);
            Recording recording = file.recording();
            long cut = Math.min(recording.framesAt(rate) - 1, late - frame);
            Clip clip = new Clip(
                    recording.sha256(),
                    0,
                    Math.min(2, recording.channels()),
                    late,
                    cut,
                    recording.framesAt(rate) - cut,
                    0,
                    0,
                    0);
            double pan = heard.size() != 2 ? 0 : file.seat().use() == Use.REFERENCE ? -APART : APART;
            recordings.putIfAbsent(recording.sha256(), recording);
            rows.add(new AudioRow(file.id(), file.seat().row(), List.of(clip), Strip.PLAIN.withFader(0, pan)));
        }
        rows.add(MixRow.DEFAULT);
        return new Session(Song.titled(title), rate, 0, "2000-01-01", List.copyOf(recordings.values()), rows);
    }
}
