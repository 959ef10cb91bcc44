package apodex.handoff;

import apodex.audio.WavWriter;
import apodex.handoff.Handoff.Choice;
import apodex.measure.Decibels;
import apodex.measure.StereoImage;
import apodex.naming.FileNames;
import apodex.naming.ParcelName;
import apodex.session.AudioRow;
import apodex.session.MixRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Channels;
import apodex.signal.Recordings;
import apodex.signal.Station;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Makes the plan of a handoff: measures every row, decides channels, gives names, adds up sizes. */
public final class Planner {
    public static final String TRACKS_FOLDER = "Tracks";
    public static final String REFERENCE_FOLDER = "Reference";
    private static final String REFERENCE_NAME = "Reference Mix";
    private static final String WAV = ".wav";

    private final Session session;
    private final Map<String, StereoImage> images = new LinkedHashMap<>();

    private Planner(Session session, Recordings recordings) throws IOException {
        this.session = session;
        for (AudioRow row : session.audioRows()) {
            images.put(row.id(), measure(row, recordings));
        }
    }

    private StereoImage measure(AudioRow row, Recordings recordings) throws IOException {
        try {
            return RowImage.measure(row, recordings);
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

    private Plan plan(Handoff handoff) {
        Depth own = Depth.own(session);
        Depth depth = handoff.depth() == null ? own : handoff.depth();
        List<PlanRow> rows = new ArrayList<>();
        int number = 1;
        for (Row row : session.rows()) {
            rows.add(row instanceof AudioRow audio ? audioRow(audio, number++) : mixRow((MixRow) row));
        }
        List<Choice> chosen = handoff.chosen() == null ? everythingThatSounds() : handoff.chosen();
        List<Print> prints = prints(rows, chosen, depth);
        String name = ParcelName.of(session.song(), session.rate(), depth.sample());
        return new Plan(name, prints, rows, session.rate(), session.frames(), session.startReference(), depth, own,
                prints.stream().mapToLong(Print::bytes).sum());
    }

    private PlanRow audioRow(AudioRow row, int number) {
        StereoImage image = images.get(row.id());
        Double peak = image.peak() == 0 ? null : Decibels.ofAmplitude(image.peak());
        return new PlanRow(row.id(), number, row.name(), row.clips().isEmpty() ? List.of() : List.of(Station.RAW),
                image.kind(), sides(image.kind()).count(), SidesInWords.of(row, image), peak);
    }

    private PlanRow mixRow(MixRow row) {
        boolean wide = images.values().stream().anyMatch(image -> isWide(image.kind()));
        String evidence = wide ? "The sum of all rows at unity. Rows with two sides make it stereo."
                : "The sum of all rows at unity. No row has two sides that differ.";
        return new PlanRow(row.id(), 0, row.name(), session.frames() == 0 ? List.of() : List.of(Station.FADER), null,
                wide ? 2 : 1, evidence, null);
    }

    private List<Choice> everythingThatSounds() {
        List<Choice> chosen = new ArrayList<>();
        for (Row row : session.rows()) {
            if (row instanceof MixRow && !chosen.isEmpty()) {
                chosen.add(new Choice(row.id(), Station.FADER));
            } else if (row instanceof AudioRow && images.get(row.id()).peak() > 0) {
                chosen.add(new Choice(row.id(), Station.RAW));
            }
        }
        return chosen;
    }

    private List<Print> prints(List<PlanRow> rows, List<Choice> chosen, Depth depth) {
        for (Choice choice : chosen) {
            if (rows.stream().noneMatch(row -> row.row().equals(choice.row())
                    && row.stations().contains(choice.station()))) {
                throw new IllegalArgumentException("Row “" + choice.row() + "” cannot be printed at "
                        + choice.station().label() + ".");
            }
        }
        FileNames names = new FileNames(rows.size());
        List<Print> prints = new ArrayList<>();
        for (PlanRow row : rows) {
            for (Station station : row.stations()) {
                if (chosen.contains(new Choice(row.row(), station))) {
                    prints.add(print(row, station, depth, names));
                }
            }
        }
        return prints;
    }

    private Print print(PlanRow row, Station station, Depth depth, FileNames names) {
        boolean mix = row.image() == null;
        String file = names.next(row.number(), mix ? REFERENCE_NAME : row.name(), WAV);
        Channels sides = mix ? row.channels() == 2 ? Channels.STEREO : Channels.MONO_FROM_LEFT : sides(row.image());
        long bytes = WavWriter.fileBytes(session.rate(), sides.count(), depth.sample(), session.frames(),
                BroadcastInfo.of(session, file, row.name(), station, depth.sample(), sides.count()));
        return new Print(file, mix ? REFERENCE_FOLDER : TRACKS_FOLDER, row.row(), row.name(), station, sides.count(),
                sides, bytes);
    }

    private static boolean isWide(StereoImage.Kind kind) {
        return switch (kind) {
            case STEREO, LEFT_ONLY, RIGHT_ONLY -> true;
            case SILENT, MONO, SAME_ON_BOTH_SIDES -> false;
        };
    }

    private static Channels sides(StereoImage.Kind kind) {
        return switch (kind) {
            case STEREO -> Channels.STEREO;
            case RIGHT_ONLY -> Channels.MONO_FROM_RIGHT;
            case SILENT, MONO, SAME_ON_BOTH_SIDES, LEFT_ONLY -> Channels.MONO_FROM_LEFT;
        };
    }
}
