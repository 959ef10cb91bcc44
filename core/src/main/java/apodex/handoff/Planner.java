package apodex.handoff;

import apodex.effect.Effects;
import apodex.handoff.Handoff.Choice;
import apodex.measure.Decibels;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Take;
import apodex.signal.MeasuredRecordings;
import apodex.signal.Sharing;
import apodex.signal.UnreadableRecording;
import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Makes the plan of a handoff: measures every row, finds the stations worth a file, decides what is printed. */
public final class Planner {
    private final Session session;
    private final Handoff handoff;
    private final RowWidth widths;
    private final Map<String, StereoImage> images = new LinkedHashMap<>();
    private final Unmade unmade;
    private final MeasuredRecordings recordings;

    /** @param session as the handoff sees it */
    private Planner(Session session, Handoff handoff, MeasuredRecordings recordings) {
        this.session = session;
        this.handoff = handoff;
        this.widths = new RowWidth(session);
        this.recordings = recordings;
        this.unmade = new Unmade(session, recordings, images);
    }

    /**
     * The plan of a handoff. What is made of a recording that cannot be read is not in it; {@link PlanRow#unmade} says why.
     *
     * @throws IllegalArgumentException when the handoff chooses what its session cannot give; the message says what
     */
    public static Plan plan(Session session, Handoff handoff, MeasuredRecordings recordings) {
        Settings settings = handoff.settled();
        SampleRate rate = settings.rate() == null ? session.rate() : settings.rate();
        List<PlannedSection> sections = new Passages(session, settings, rate).of(handoff.sections());
        return new Planner(AsPlanned.of(session, handoff), handoff, recordings)
                .plan(inOrder(session, handoff.order()), sections, rate);
    }

    /** The rows as the receiver gets them; the mix comes last. */
    private static List<Row> inOrder(Session session, List<String> order) {
        Map<String, Row> rows = new LinkedHashMap<>();
        order.forEach(id -> session.row(id).ifPresent(row -> rows.put(id, row)));
        session.rows().forEach(row -> rows.putIfAbsent(row.id(), row));
        MixRow mix = session.mix();
        rows.remove(mix.id());
        rows.put(mix.id(), mix);
        return List.copyOf(rows.values());
    }

    /** The same handoff without what the session no longer has: rows that are gone, stations that no longer differ, sections past its end. */
    public static Handoff without(Session session, Handoff handoff) {
        Outgoing outgoing = new Outgoing(AsPlanned.of(session, handoff), sharing(handoff), Map.of());
        Handoff still = handoff.withFiles(
                handoff.added().stream()
                        .filter(choice -> outgoing.row(choice.row())
                                .map(outgoing::stations)
                                .filter(offered -> offered.contains(choice.station()))
                                .isPresent())
                        .toList(),
                handoff.leftOut());
        for (String row : handoff.byRow().keySet()) {
            if (session.row(row).isEmpty()) {
                still = still.withRow(row, gone -> RowByHand.NOTHING);
            }
        }
        return still.withSections(handoff.sections().stream()
                .filter(section -> isInside(session, section))
                .toList());
    }

    /**
     * A changed handoff without what the one before it already asked for in vain: what the session has lost since does not stand in the
     * way of a change, while a new wish that cannot be met is refused.
     *
     * @param before what the change was made from
     */
    public static Handoff withoutLost(Session session, Handoff changed, Handoff before) {
        Handoff possible = without(session, changed);
        Handoff clean = changed.withFiles(
                        changed.added().stream()
                                .filter(choice -> possible.added().contains(choice)
                                        || !before.added().contains(choice))
                                .toList(),
                        changed.leftOut())
                .withSections(changed.sections().stream()
                        .filter(section -> possible.sections().contains(section)
                                || !before.sections().contains(section))
                        .toList());
        for (String row : before.byRow().keySet()) {
            if (session.row(row).isEmpty()) {
                clean = clean.withRow(row, gone -> RowByHand.NOTHING);
            }
        }
        return clean;
    }

    private static boolean isInside(Session session, Section section) {
        try {
            if (section.stretch() != null) {
                section.stretch().frames(session);
            }
            return true;
        } catch (IllegalArgumentException e) {
            return false; // the song has become shorter
        }
    }

    private Plan plan(List<Row> order, List<PlannedSection> sections, SampleRate rate) {
        Map<String, StereoImage.Kind> kinds = new LinkedHashMap<>();
        images.forEach((row, image) -> kinds.put(row, image.kind()));
        Outgoing outgoing = new Outgoing(session, sharing(handoff), kinds);
        List<PlanRow> rows = new ArrayList<>();
        int number = 1;
        for (Row each : order) {
            Row row = session.row(each.id()).orElseThrow();
            rows.add(planRow(row, row.kind() == RowKind.MIX ? 0 : number++, offered(row, outgoing)));
        }
        List<Choice> asked = new Wanted(outgoing, handoff.brief()).of(rows);
        Map<String, List<Station>> askedByRow = asked.stream()
                .collect(Collectors.groupingBy(Choice::row, Collectors.mapping(Choice::station, Collectors.toList())));
        rows.replaceAll(row -> row.asking(askedByRow.getOrDefault(row.row(), List.of())));
        List<Choice> chosen = new ArrayList<>(asked);
        handoff.added().stream()
                .filter(choice -> isMade(choice, outgoing))
                .forEach(choice -> chosen.add(offered(choice, rows)));
        chosen.removeAll(Set.copyOf(handoff.leftOut()));
        return new PlanMaker(outgoing, handoff, rows, images, sections, rate, this::isReadable).make(chosen);
    }

    /** What cannot be made has no station, and beyond its fader nothing that runs through what cannot be made. */
    private List<Station> offered(Row row, Outgoing outgoing) {
        if (unmade.why(row).isPresent()) {
            return List.of();
        }
        boolean isCut = !unmade.isEmpty()
                && outgoing.through(row).stream()
                        .anyMatch(each -> unmade.why(each).isPresent());
        return outgoing.stations(row).stream()
                .filter(station -> !isCut || station.compareTo(Station.FADER) <= 0)
                .toList();
    }

    /** A file chosen by hand. Whether a Fader differs can change with a recording; where it does not, it is the file before it. */
    private static Choice offered(Choice choice, List<PlanRow> rows) {
        return rows.stream()
                .filter(row -> row.row().equals(choice.row()))
                .flatMap(row -> row.nearest(choice.station()).stream())
                .filter(station -> station == choice.station() || choice.station() == Station.FADER)
                .map(station -> new Choice(choice.row(), station))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Row “" + choice.row() + "” cannot be printed at "
                        + choice.station().label() + "."));
    }

    /** What is heard was measured; what is muted was not. */
    private boolean isReadable(Clip clip) {
        if (!clip.muted()) {
            return true;
        }
        try {
            RowImage.measure(session, List.of(clip), recordings);
            return true;
        } catch (UnreadableRecording e) {
            return false;
        }
    }

    private boolean isMade(Choice choice, Outgoing outgoing) {
        Row row = outgoing.row(choice.row()).orElse(null);
        return unmade.isEmpty() || row == null || offered(row, outgoing).contains(choice.station());
    }

    private static Sharing sharing(Handoff handoff) {
        return new Sharing(handoff.settled().returns(), handoff.settled().dynamics());
    }

    private PlanRow planRow(Row row, int number, List<Station> offered) {
        List<String> unknown = row.strip().insertsAt(Station.INSERTS).stream()
                .filter(Insert::on)
                .map(Insert::effect)
                .filter(effect -> Effects.find(effect).isEmpty())
                .distinct()
                .toList();
        List<Boolean> kept = row.strip().inserts().stream().map(Insert::kept).toList();
        double trim = Trims.of(session, handoff, row);
        List<String> under = Routing.downstream(session, row, Routing.Through.OUTPUTS).stream()
                .filter(BusRow.class::isInstance)
                .map(Row::id)
                .toList();
        String why = unmade.why(row).orElse(null);
        if (row instanceof AudioRow audio && images.containsKey(row.id())) {
            StereoImage image = images.get(row.id());
            Double peak = image.peak() == 0 ? null : Decibels.ofAmplitude(image.peak());
            return new PlanRow(
                    row.id(),
                    number,
                    row.name(),
                    RowKind.AUDIO,
                    offered,
                    List.of(),
                    image.kind(),
                    PlanMaker.sides(image.kind()).count(),
                    SidesInWords.of(audio, image),
                    peak,
                    trim,
                    kept,
                    under,
                    AsPlanned.takes(audio, handoff).stream().map(Take::id).toList(),
                    unknown,
                    why);
        }
        int width = row.kind() == RowKind.MIX ? isMixWide() ? 2 : 1 : widths.at(row, Station.RAW);
        return new PlanRow(
                row.id(),
                number,
                row.name(),
                row.kind(),
                offered,
                List.of(),
                null,
                width,
                why != null ? why : evidence(row, width),
                null,
                trim,
                kept,
                under,
                List.of(),
                unknown,
                why);
    }

    private static String evidence(Row row, int width) {
        if (row.kind().isPlayed()) {
            return width == 1
                    ? "The instrument plays it with one channel."
                    : "The instrument plays it with two channels.";
        }
        String sum = row.kind() == RowKind.BUS
                ? "The sum of what feeds it. "
                : row.kind() == RowKind.RETURN
                        ? "What comes back of what is sent to it. "
                        : "The sum of all rows that reach it. ";
        return sum
                + (width == 2
                        ? "Stereo; before its fader mono, if printing finds both sides alike."
                        : "No row has two sides that differ; from its fader on it is stereo all the same.");
    }

    /** Whether anything on the way to the mix can make its sides differ. */
    private boolean isMixWide() {
        return session.rows().stream()
                .anyMatch(row -> row.strip().pan() != 0
                        || !row.strip().panMoves().isEmpty()
                        || (row.kind() == RowKind.AUDIO
                                ? isWide(row)
                                : row.kind().isPlayed() ? widths.at(row, Station.INSERTS) == 2 : hasStereoEffect(row)));
    }

    private boolean isWide(Row row) {
        if (!images.containsKey(row.id()) || !row.strip().brought().isEmpty()) {
            return true; // only printing can tell
        }
        return switch (images.get(row.id()).kind()) {
            case STEREO, LEFT_ONLY, RIGHT_ONLY -> true;
            case SILENT, MONO, SAME_ON_BOTH_SIDES -> hasStereoEffect(row);
        };
    }

    private static boolean hasStereoEffect(Row row) {
        return Stations.active(row.strip().inserts()).stream()
                .map(insert -> Effects.find(insert.effect()).orElseThrow())
                .anyMatch(effect -> effect.width(1) == 2 || effect.id().equals("polarity"));
    }
}
