package apodex.handoff;

import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import apodex.measure.StereoImage;
import apodex.naming.FileNames;
import apodex.naming.NameStyle;
import apodex.naming.ParcelName;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.InstrumentRow;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Take;
import apodex.signal.Channels;
import apodex.signal.Passage;
import apodex.signal.Placed;
import apodex.signal.Sharing;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** Turns choices into prints: folders, channels, trims, lengths and sizes. */
final class PlanMaker {
    private static final String REFERENCE_NAME = "Reference Mix";
    private static final String CLICK_NAME = "Click";
    /** Some systems stop at 260 letters, with the folder it is unpacked to. */
    private static final int LONGEST_PATH = 200;

    private final Session session;
    private final Handoff handoff;
    private final Settings settings;
    private final List<PlanRow> rows;
    private final Map<String, StereoImage> images;
    private final Outgoing outgoing;
    private final RowWidth widths;
    private final SampleRate rate;
    private final Depth depth;
    private final List<PlannedSection> sections;
    private final Predicate<Clip> isReadable;
    /** Rows whose Raw goes out as edits, with the takes that do. */
    private final Map<AudioRow, List<Take>> edited = new LinkedHashMap<>();

    private PrintNames names;

    private int section;
    /** The stations of the row whose prints are being made. */
    private Set<Station> planned = Set.of();

    PlanMaker(
            Outgoing outgoing,
            Handoff handoff,
            List<PlanRow> rows,
            Map<String, StereoImage> images,
            List<PlannedSection> sections,
            SampleRate rate,
            Predicate<Clip> isReadable) {
        this.outgoing = outgoing;
        this.session = outgoing.session();
        this.handoff = handoff;
        this.settings = handoff.settled();
        this.rows = rows;
        this.images = images;
        this.widths = outgoing.widths();
        this.rate = rate;
        this.sections = sections;
        this.isReadable = isReadable;
        Depth own = Depth.own(session);
        this.depth = settings.depth() != null ? settings.depth() : own.within(settings.format());
        check();
    }

    private void check() {
        settings.format().cannotHold(depth.sample()).ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
        handoff.byRow().forEach((row, byHand) -> {
            if (outgoing.row(row).isEmpty()) {
                throw new IllegalArgumentException(
                        "Something is set for row “" + row + "”, which is not in this session.");
            }
            if (byHand.trimDb() != null && !RowByHand.TRIM_DB.hold(byHand.trimDb())) {
                throw new IllegalArgumentException(
                        "A trim must be " + RowByHand.TRIM_DB.words() + " dB, not " + byHand.trimDb() + ".");
            }
        });
    }

    Plan make(List<Choice> chosen) {
        List<Print> prints = new ArrayList<>();
        List<NoteFile> notes = new ArrayList<>();
        List<String> listening = new ArrayList<>();
        List<String> beats = new ArrayList<>();
        for (section = 0; section < sections.size(); section++) {
            names = new PrintNames(session, handoff, rows.size());
            List<Print> here = new ArrayList<>(prints(chosen));
            Print click = click();
            if (click != null) {
                here.add(settings.click() == Click.FIRST ? 0 : here.size(), click);
            }
            prints.addAll(here);
            listening.add(listening(here));
            beats.add(beat(click));
            if (settings.notes()) {
                notes.addAll(notes());
            }
        }
        prints.stream()
                .map(Print::path)
                .filter(path -> path.length() > LONGEST_PATH)
                .findFirst()
                .ifPresent(path -> {
                    throw new IllegalArgumentException(
                            "“" + path + "” is too long a path for some systems; give the section a shorter name,"
                                    + " or file names fewer letters.");
                });
        Edits edits = edits();
        String name = ParcelName.of(
                session.song(), handoff.brief().name(), settings.naming().version(), rate, depth.sample());
        Sharing sharing = new Sharing(settings.returns(), settings.dynamics());
        return new Plan(
                name,
                prints,
                notes,
                listening,
                beats,
                rows,
                sections,
                sharing,
                settings.format(),
                settings.listeningAs(),
                settings.cues(),
                rate,
                ringsOut(prints),
                depth,
                Depth.own(session),
                settings.folders().sheet(),
                settings.document(),
                settings.layOut(),
                edits,
                edits.bytes() + prints.stream().mapToLong(Print::bytes).sum());
    }

    private List<Print> prints(List<Choice> chosen) {
        List<Print> prints = new ArrayList<>();
        Map<String, Set<Station>> byRow = chosen.stream()
                .collect(Collectors.groupingBy(Choice::row, Collectors.mapping(Choice::station, Collectors.toSet())));
        for (PlanRow row : rows) {
            planned = byRow.getOrDefault(row.row(), Set.of()).stream()
                    .filter(row.stations()::contains)
                    .collect(Collectors.toSet());
            for (Station station : row.stations()) {
                if (!planned.contains(station)) {
                    continue;
                }
                String name = row.kind() == RowKind.MIX && station == Station.FADER ? REFERENCE_NAME : row.name();
                if (station == Station.RAW && session.row(row.row()).orElseThrow() instanceof AudioRow audio) {
                    for (Take take : AsPlanned.takes(audio, handoff)) {
                        if (!images.containsKey(AsPlanned.rowOf(audio, take))) {
                            continue; // a recording of it cannot be read
                        }
                        if (settings.edits()) {
                            edit(audio, take);
                            continue;
                        }
                        boolean chosenTake = take.id().equals(audio.active());
                        prints.addAll(prints(
                                row,
                                station,
                                AsPlanned.rowOf(audio, take),
                                new Called(name, chosenTake ? "" : " " + take.name())));
                    }
                } else {
                    prints.addAll(prints(row, station, row.row(), new Called(name, "")));
                }
            }
        }
        return prints;
    }

    private void edit(AudioRow row, Take take) {
        List<Take> takes = edited.computeIfAbsent(row, first -> new ArrayList<>());
        if (!takes.contains(take)) { // another section may have asked for it
            takes.add(take.id().equals(row.active()) ? 0 : takes.size(), take);
        }
    }

    /** They come once, whatever sections there are. */
    private Edits edits() {
        String folder = settings.folders().of("Edits");
        boolean alone = !folder.isEmpty() || sections.size() > 1; // nothing else lies there
        boolean whole = handoff.sections().stream().allMatch(each -> each.stretch() == null);
        return new EditMaker(
                        session,
                        whole
                                ? List.of()
                                : sections.stream()
                                        .map(each -> each.passage().range())
                                        .toList(),
                        settings.handleSeconds(),
                        settings.format(),
                        folder,
                        alone ? new FileNames(session, settings.naming(), rows.size()) : names.files())
                .of(edited, isReadable);
    }

    private double ringsOut(List<Print> prints) {
        if (settings.tailSeconds() != null) {
            return 0;
        }
        long frames = prints.stream()
                .filter(print -> !print.isClick())
                .mapToLong(print ->
                        outgoing.tailFrames(outgoing.row(print.source()).orElseThrow(), print.station()))
                .max()
                .orElse(0);
        return Math.min(Passage.LONGEST_TAIL_SECONDS, session.rate().seconds(frames));
    }

    private List<Print> prints(PlanRow row, Station station, String source, Called name) {
        Sides byHand = handoff.row(row.row()).sides();
        return switch (byHand == null ? settings.sides() : byHand) {
            case TWO_MONO ->
                List.of(
                        print(row, station, source, name.side(NameStyle.Side.LEFT), Channels.MONO_FROM_LEFT, 1),
                        print(row, station, source, name.side(NameStyle.Side.RIGHT), Channels.MONO_FROM_RIGHT, 1));
            case MONO -> List.of(print(row, station, source, name, Channels.MONO_SUM, 1));
            case STEREO -> List.of(print(row, station, source, name, Channels.STEREO, 2));
            case AUTOMATIC -> List.of(automatic(row, station, source, name));
        };
    }

    private Print automatic(PlanRow row, Station station, String sourceId, Called name) {
        Row source = outgoing.row(sourceId).orElseThrow();
        if (station.compareTo(Station.FADER) >= 0) {
            return print(row, station, sourceId, name, Channels.STEREO, 2); // as it sits in the stereo picture
        }
        if (source.kind() == RowKind.AUDIO) {
            StereoImage.Kind image = images.get(sourceId).kind();
            boolean oneSided = image == StereoImage.Kind.LEFT_ONLY || image == StereoImage.Kind.RIGHT_ONLY;
            if (station == Station.RAW || oneSided && widths.keepsSidesApart(source, station)) {
                Channels sides = sides(image);
                Placed where = image == StereoImage.Kind.LEFT_ONLY ? Placed.LEFT : Placed.RIGHT;
                return print(row, station, sourceId, oneSided ? name.only(where) : name, sides, sides.count());
            }
        }
        if (widths.at(source, station) == 1) {
            return print(row, station, sourceId, name, Channels.MONO_FROM_LEFT, 1);
        }
        boolean standsForFader = row.kind() != RowKind.MIX
                && station == row.stations().get(row.stations().size() - 1)
                && outgoing.reachesMix(source);
        return standsForFader
                ? print(row, station, sourceId, name, Channels.STEREO, 2)
                : print(row, station, sourceId, name, Channels.MEASURED, 2);
    }

    private Print print(PlanRow row, Station station, String sourceId, Called name, Channels sides, int channels) {
        Row source = session.row(row.row()).orElseThrow();
        String folder = folder(settings.folders().of(session, source, station));
        String file = names.of(row, station, planned, name, folder);
        return sized(new Print(
                file,
                folder,
                row.row(),
                sourceId,
                name.whole(),
                station,
                channels,
                sides,
                row.trimDb(),
                0,
                section,
                name.placed()));
    }

    private Print sized(Print print) {
        PlannedSection here = sections.get(section);
        FileLabel labels = new FileLabel(session, rate, depth.sample(), settings.cues());
        return print.printed(
                print.channels(),
                settings.format().bytes(rate, print.channels(), depth.sample(), here.frames(), labels.of(print, here)));
    }

    private String folder(String inSection) {
        String own = sections.get(section).folder();
        return own.isEmpty() ? inSection : inSection.isEmpty() ? own : own + "/" + inSection;
    }

    /** The beat, or only the count before it; null for neither. */
    private Print click() {
        boolean counts = settings.count() && settings.leadInBars() > 0;
        boolean isEmpty = sections.get(section).frames() == 0;
        if (isEmpty || settings.click() == Click.NONE && !counts) {
            return null;
        }
        String name = settings.click() == Click.NONE ? "Count" : CLICK_NAME;
        String folder = folder(settings.folders().of("Guide"));
        String file = names.of(
                folder,
                Print.CLICK,
                settings.click() == Click.LAST ? rows.size() : 0,
                name,
                settings.format().ending());
        return sized(new Print(
                file,
                folder,
                Print.CLICK,
                Print.CLICK,
                name,
                Station.RAW,
                1,
                Channels.MONO_FROM_LEFT,
                0,
                0,
                section,
                Placed.MIDDLE));
    }

    /** To lay files by, where bars mean something and no click is among the files. */
    private String beat(@Nullable Print click) {
        boolean isWanted = settings.layOut()
                && click == null
                && session.song().tempo() != null
                && sections.get(section).frames() > 0;
        String name = sections.get(section).inName(Plan.BEAT);
        String folder = settings.folders().sheet();
        return !isWanted ? "" : folder.isEmpty() ? name : folder + "/" + name;
    }

    private List<NoteFile> notes() {
        List<NoteFile> files = new ArrayList<>();
        String folder = folder(settings.folders().of("MIDI"));
        for (PlanRow row : rows) {
            if (session.row(row.row()).orElseThrow() instanceof InstrumentRow instrument
                    && !instrument.notes().isEmpty()) {
                files.add(new NoteFile(
                        names.of(folder, row.row(), row.number(), row.name(), ".mid"), folder, row.row(), section));
            }
        }
        if (!files.isEmpty()) {
            files.add(new NoteFile(names.unnumbered("All notes", ".mid"), folder, "", section));
        }
        return files;
    }

    private String listening(List<Print> prints) {
        boolean isMixUnmade = rows.stream().anyMatch(row -> row.kind() == RowKind.MIX && row.unmade() != null);
        boolean isThereAlready = settings.format() == settings.listeningAs();
        if (!settings.listening() || isThereAlready || isMixUnmade) {
            return "";
        }
        Print mix = prints.stream()
                .filter(Print::isReference)
                .findFirst()
                .orElseThrow(() ->
                        new IllegalArgumentException("A mix to listen to needs the reference mix among the files."));
        String file = names.unnumbered(REFERENCE_NAME, settings.listeningAs().ending());
        return mix.folder().isEmpty() ? file : mix.folder() + "/" + file;
    }

    static Channels sides(StereoImage.Kind kind) {
        return switch (kind) {
            case STEREO -> Channels.STEREO;
            case RIGHT_ONLY -> Channels.MONO_FROM_RIGHT;
            case SILENT, MONO, SAME_ON_BOTH_SIDES, LEFT_ONLY -> Channels.MONO_FROM_LEFT;
        };
    }
}
