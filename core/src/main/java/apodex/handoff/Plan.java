package apodex.handoff;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.audio.SoundLabel;
import apodex.session.Session;
import apodex.session.Station;
import apodex.signal.Passage;
import apodex.signal.Sharing;
import apodex.signal.Tap;
import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonIgnore;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The files of a handoff, all of one rate; those of one section are of one length.
 *
 * @param name      name of the parcel, without ending
 * @param prints    the files, section by section
 * @param notes     the files of notes that come with them
 * @param listening paths of a mix to listen to, by section; empty for none
 * @param beats     paths of the beat to lay the files by, by section; empty for none, as where a click is among the files
 * @param rows      every row of the session, printed or not, in the receiver's order
 * @param sections  what stretches of the song there are; one at least
 * @param sharing   what rows take with them on their way to the mix
 * @param format    kind of every file
 * @param listeningAs kind of the mix to listen to
 * @param cues      whether files hold the session's markers
 * @param rate      frames per second of every file
 * @param ringsOut  seconds that effects tell they ring after the range; 0 when none does or the tail is fixed
 * @param depth     sample format of every file
 * @param ownDepth  the format that keeps the recordings exactly
 * @param sheet     folder of the session sheet; empty for none
 * @param document  whether the session itself comes with the files
 * @param layOut    whether timeline, clip list, tempo map and a page on how to load them come along
 * @param edits     what goes out as edits; none of plans from before there were any
 * @param bytes     size of all files together
 */
public record Plan(
        String name,
        List<Print> prints,
        List<NoteFile> notes,
        List<String> listening,
        List<String> beats,
        List<PlanRow> rows,
        List<PlannedSection> sections,
        Sharing sharing,
        FileKind format,
        FileKind listeningAs,
        Boolean cues,
        SampleRate rate,
        double ringsOut,
        Depth depth,
        Depth ownDepth,
        String sheet,
        boolean document,
        Boolean layOut,
        Edits edits,
        long bytes) {
    /** The beat as a file, in the company of the sheet. */
    public static final String BEAT = "Click.flac";

    static final SampleFormat BEAT_DEPTH = SampleFormat.INT16;

    /** Room for pictures, sheets and a mix to listen to. */
    private static final long BESIDE_FILES_BYTES = 16L << 20;

    public Plan {
        listeningAs = listeningAs == null ? FileKind.MP3 : listeningAs; // plans of old runs do not say these
        cues = cues != null && cues;
        layOut = layOut != null && layOut;
        edits = edits == null ? Edits.NONE : edits;
        prints = List.copyOf(prints);
        notes = List.copyOf(notes);
        listening = List.copyOf(listening);
        beats = beats == null ? List.of() : List.copyOf(beats);
        rows = List.copyOf(rows);
        sections = List.copyOf(sections);
    }

    /** What the format of the files costs, in a sentence; empty when it keeps the recordings as they are. */
    public Optional<String> loss() {
        return depth.compareTo(ownDepth) >= 0
                ? Optional.empty()
                : Optional.of(depth.sample().label() + " is less than the recordings have"
                        + (depth == Depth.INT16 ? "; dither is added" : ""));
    }

    /** Whether nothing would go out. */
    @JsonIgnore
    public boolean isEmpty() {
        return prints.isEmpty() && edits.isEmpty();
    }

    /** Where something is taken of a row: its files, and Raw where that goes out as edits. */
    public Set<Station> stationsOf(String row) {
        Set<Station> stations = prints.stream()
                .filter(print -> print.row().equals(row))
                .map(Print::station)
                .collect(Collectors.toCollection(TreeSet::new));
        if (edits.hold(row)) {
            stations.add(Station.RAW);
        }
        return stations;
    }

    /** The files of one section alone, each as it would be among all; for who prints a part of a run. */
    public Plan ofSection(int section) {
        List<String> none = Collections.nCopies(sections.size(), "");
        return new Plan(
                name,
                prints.stream().filter(print -> print.section() == section).toList(),
                List.of(),
                none,
                none,
                rows,
                sections,
                sharing,
                format,
                listeningAs,
                cues,
                rate,
                ringsOut,
                depth,
                ownDepth,
                sheet,
                document,
                layOut,
                Edits.NONE,
                bytes);
    }

    /** The section a print belongs to. */
    public PlannedSection section(Print print) {
        return sections.get(print.section());
    }

    /** The reference mix of a section, where it is among the files. */
    public Optional<Print> reference(int section) {
        return prints.stream()
                .filter(print -> print.section() == section && print.isReference())
                .findFirst();
    }

    /** Length of all sections together, at the rate of the files. */
    @JsonIgnore
    public long frames() {
        return sections.stream().mapToLong(PlannedSection::frames).sum();
    }

    /** What the files of the first section cover. */
    @JsonIgnore
    public Passage passage() {
        return sections.get(0).passage();
    }

    /** First frame of the first section's files, counted from midnight. */
    @JsonIgnore
    public long startReference() {
        return sections.get(0).startReference();
    }

    /**
     * What the walk has to write of these prints, each file where it will lie under {@code folder}. Packed kinds are
     * made afterwards.
     */
    public List<Tap> taps(Session session, List<Print> some, Path folder) {
        return taps(session, some, folder, this::walkPath);
    }

    List<Tap> tapsWithoutFiles(Session session, List<Print> some) {
        return taps(session, some, Path.of("")).stream().map(Tap::withoutFile).toList();
    }

    /** @param path where under {@code folder} a print is written */
    List<Tap> taps(Session session, List<Print> some, Path folder, Function<Print, String> path) {
        return some.stream()
                .map(print -> new Tap(
                        print.source(),
                        print.station(),
                        print.sides(),
                        depth.sample(),
                        rate,
                        format.plain(),
                        print.trimDb(),
                        folder.resolve(path.apply(print)),
                        label(session, print),
                        ditherSeed(print)))
                .toList();
    }

    /** Bytes a run takes on the disk at the most: what is printed, and what comes with it. Packed kinds are made file by file. */
    public long bytesOnDisk() {
        long largest = prints.stream().mapToLong(Print::bytes).max().orElse(0);
        long beat = beats.isEmpty()
                ? 0
                : sections.stream().mapToLong(PlannedSection::frames).max().orElse(0) * BEAT_DEPTH.bytes();
        return bytes + Math.max(format.isPacked() ? largest : 0, beat) + BESIDE_FILES_BYTES;
    }

    /** The path a file has while it is walked. */
    String walkPath(Print print) {
        return format.isPacked() ? print.path() + format.plain().ending() : print.path();
    }

    /** What a print's file says of itself. */
    SoundLabel label(Session session, Print print) {
        return labels(session).of(print, section(print));
    }

    FileLabel labels(Session session) {
        return new FileLabel(session, rate, depth.sample(), cues);
    }

    /** The same with other files in the place of its own. */
    Plan with(List<Print> others) {
        return new Plan(
                name,
                others,
                notes,
                listening,
                beats,
                rows,
                sections,
                sharing,
                format,
                listeningAs,
                cues,
                rate,
                ringsOut,
                depth,
                ownDepth,
                sheet,
                document,
                layOut,
                edits,
                bytes);
    }

    /** The plan as it came out: real lengths, channels and sizes. */
    Plan printed(List<Integer> channels, List<Long> sizes, List<Long> lengths) {
        List<Print> real = new ArrayList<>();
        for (int i = 0; i < prints.size(); i++) {
            real.add(prints.get(i).printed(channels.get(i), sizes.get(i)));
        }
        List<PlannedSection> lasting = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            lasting.add(sections.get(i).lasting(lengths.get(i)));
        }
        return new Plan(
                name,
                real,
                notes,
                listening,
                beats,
                rows,
                lasting,
                sharing,
                format,
                listeningAs,
                cues,
                rate,
                0,
                depth,
                ownDepth,
                sheet,
                document,
                layOut,
                edits,
                edits.bytes() + sizes.stream().mapToLong(Long::longValue).sum());
    }

    /** The same print always gets the same noise, and no two prints of a plan share theirs. */
    private static long ditherSeed(Print print) {
        long hash = 0xCBF29CE484222325L; // FNV-1a, 64 bits
        for (char c : (print.source() + "|" + print.station() + "|" + print.sides()).toCharArray()) {
            hash = (hash ^ c) * 0x100000001B3L;
        }
        return hash;
    }
}
