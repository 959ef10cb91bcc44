package apodex.handoff;

import apodex.effect.Effects;
import apodex.handoff.Handoff.Choice;
import apodex.measure.Decibels;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.PartRow;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Recordings;
import apodex.signal.Station;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Makes the plan of a handoff: measures every row, finds the stations worth a file, decides what is printed. */
public final class Planner {
    private final Session session;
    private final RowWidth widths;
    private final Map<String, StereoImage> images = new LinkedHashMap<>();

    private Planner(Session session, Recordings recordings) throws IOException {
        this.session = session;
        this.widths = new RowWidth(session);
        for (AudioRow row : session.audioRows()) {
            images.put(row.id(), measure(row, recordings));
        }
    }

    private StereoImage measure(AudioRow row, Recordings recordings) throws IOException {
        try {
            return RowImage.measure(session, row, recordings);
        } catch (IOException e) {
            throw new IOException("A recording of row “" + row.name() + "” cannot be read. " + e.getMessage(), e);
        }
    }

    /**
     * The plan of a handoff.
     *
     * @throws IOException              when a recording cannot be read; the message names the row and why
     * @throws IllegalArgumentException when the handoff chooses what its session cannot give; the message says what
     */
    public static Plan plan(Session session, Handoff handoff, Recordings recordings) throws IOException {
        return new Planner(session, recordings).plan(handoff);
    }

    /** The same handoff without what the session no longer has: rows that are gone, stations that no longer differ. */
    public static Handoff without(Session session, Handoff handoff) {
        RowWidth widths = new RowWidth(session);
        Stations stations = new Stations(session, handoff.returns());
        List<Choice> still = handoff.chosen() == null ? null : handoff.chosen().stream()
                .filter(choice -> session.row(choice.row())
                        .map(row -> stations.of(row, widths.at(row, Station.INSERTS) == 1).contains(choice.station()))
                        .orElse(false)).toList();
        Map<String, Handoff.Sides> sides = new LinkedHashMap<>(handoff.sides());
        sides.keySet().removeIf(row -> session.row(row).isEmpty());
        Map<String, Double> trims = new LinkedHashMap<>(handoff.trimsDb());
        trims.keySet().removeIf(row -> session.row(row).isEmpty());
        return new Handoff(handoff.name(), handoff.depth(), handoff.format(), handoff.rate(), still, handoff.returns(),
                handoff.dynamics(), stillInside(session, handoff.range()), handoff.leadInBars(), handoff.tailSeconds(), sides, trims,
                handoff.notes(), handoff.listening(), handoff.naming());
    }

    private static Stretch stillInside(Session session, Stretch range) {
        try {
            if (range != null) {
                range.frames(session);
            }
            return range;
        } catch (IllegalArgumentException e) {
            return null; // the song has become shorter
        }
    }

    private Plan plan(Handoff handoff) {
        Stations stations = new Stations(session, handoff.returns());
        List<PlanRow> rows = new ArrayList<>();
        int number = 1;
        for (Row row : session.rows()) {
            List<Station> offered = stations.of(row, widths.at(row, Station.INSERTS) == 1);
            rows.add(planRow(row, row instanceof MixRow ? 0 : number++, offered));
        }
        List<Choice> chosen = handoff.chosen() == null ? everythingThatSounds(rows) : handoff.chosen();
        for (Choice choice : chosen) {
            if (rows.stream().noneMatch(row -> row.row().equals(choice.row())
                    && row.stations().contains(choice.station()))) {
                throw new IllegalArgumentException("Row “" + choice.row() + "” cannot be printed at "
                        + choice.station().label() + ".");
            }
        }
        return new PlanMaker(session, handoff, rows, images, widths).make(chosen);
    }

    private PlanRow planRow(Row row, int number, List<Station> offered) {
        List<String> unknown = row.strip().inserts().stream().map(Insert::effect)
                .filter(effect -> Effects.find(effect).isEmpty()).distinct().toList();
        if (row instanceof AudioRow audio) {
            StereoImage image = images.get(row.id());
            Double peak = image.peak() == 0 ? null : Decibels.ofAmplitude(image.peak());
            return new PlanRow(row.id(), number, row.name(), PlanRow.Kind.AUDIO, offered, image.kind(),
                    PlanMaker.sides(image.kind()).count(), SidesInWords.of(audio, image), peak, unknown);
        }
        int width = row instanceof MixRow ? isMixWide() ? 2 : 1 : widths.at(row, Station.RAW);
        return new PlanRow(row.id(), number, row.name(), kind(row), offered, null, width, evidence(row, width), null, unknown);
    }

    private static PlanRow.Kind kind(Row row) {
        if (row instanceof InstrumentRow) {
            return PlanRow.Kind.INSTRUMENT;
        }
        if (row instanceof PartRow) {
            return PlanRow.Kind.PART;
        }
        if (row instanceof BusRow) {
            return PlanRow.Kind.BUS;
        }
        return row instanceof ReturnRow ? PlanRow.Kind.RETURN : PlanRow.Kind.MIX;
    }

    private static String evidence(Row row, int width) {
        if (row instanceof InstrumentRow || row instanceof PartRow) {
            return width == 1 ? "The instrument plays it with one channel." : "The instrument plays it with two channels.";
        }
        String sum = row instanceof BusRow ? "The sum of what feeds it. " : row instanceof ReturnRow
                ? "What comes back of what is sent to it. " : "The sum of all rows that reach it. ";
        return sum + (width == 2 ? "Stereo, unless printing finds both sides alike or one silent."
                : "No row has two sides that differ, so one channel holds it.");
    }

    /** Whether anything on the way to the mix can make its sides differ. */
    private boolean isMixWide() {
        return session.rows().stream().anyMatch(row -> row.strip().pan() != 0 || !row.strip().panMoves().isEmpty()
                || (row instanceof AudioRow ? isWide(row) : row instanceof InstrumentRow || row instanceof PartRow
                        ? widths.at(row, Station.INSERTS) == 2 : hasStereoEffect(row)));
    }

    private boolean isWide(Row row) {
        return switch (images.get(row.id()).kind()) {
            case STEREO, LEFT_ONLY, RIGHT_ONLY -> true;
            case SILENT, MONO, SAME_ON_BOTH_SIDES -> hasStereoEffect(row);
        };
    }

    private static boolean hasStereoEffect(Row row) {
        return Stations.active(row.strip().inserts()).stream().map(insert -> Effects.find(insert.effect()).orElseThrow())
                .anyMatch(effect -> effect.width(1) == 2 || effect.id().equals("polarity"));
    }

    private List<Choice> everythingThatSounds(List<PlanRow> rows) {
        List<Choice> chosen = new ArrayList<>();
        for (PlanRow row : rows) {
            switch (row.kind()) {
                case AUDIO, INSTRUMENT, PART -> {
                    boolean silent = row.kind() == PlanRow.Kind.AUDIO && row.peakDbfs() == null;
                    for (Station station : List.of(Station.RAW, Station.SHAPED)) {
                        if (!silent && row.stations().contains(station)) {
                            chosen.add(new Choice(row.row(), station));
                        }
                    }
                }
                case MIX -> {
                    if (!chosen.isEmpty()) {
                        chosen.add(new Choice(row.row(), Station.FADER));
                    }
                }
                case BUS, RETURN -> { }
            }
        }
        return chosen;
    }
}
