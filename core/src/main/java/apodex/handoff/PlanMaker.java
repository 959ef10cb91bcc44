package apodex.handoff;

import apodex.audio.AiffWriter;
import apodex.audio.WavWriter;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Format;
import apodex.handoff.Handoff.Sides;
import apodex.measure.StereoImage;
import apodex.naming.FileNames;
import apodex.naming.ParcelName;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.InstrumentRow;
import apodex.session.Row;
import apodex.session.Routing;
import apodex.session.Session;
import apodex.signal.Channels;
import apodex.signal.Passage;
import apodex.signal.Sharing;
import apodex.signal.Station;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Turns choices into prints: names, folders, channels, trims, lengths and sizes. */
final class PlanMaker {
    private static final String REFERENCE_NAME = "Reference Mix";
    private static final double MOST_TRIM_DB = 48;
    private static final long SECONDS_OF_A_DAY = 24 * 60 * 60;

    private final Session session;
    private final Handoff handoff;
    private final List<PlanRow> rows;
    private final Map<String, StereoImage> images;
    private final RowWidth widths;
    private final SampleRate rate;
    private final Depth depth;
    private final Passage passage;
    /** The stations of the row whose prints are being made. */
    private Set<Station> planned = Set.of();

    PlanMaker(Session session, Handoff handoff, List<PlanRow> rows, Map<String, StereoImage> images, RowWidth widths) {
        this.session = session;
        this.handoff = handoff;
        this.rows = rows;
        this.images = images;
        this.widths = widths;
        this.rate = handoff.rate() == null ? session.rate() : handoff.rate();
        Depth own = Depth.own(session);
        this.depth = handoff.depth() != null ? handoff.depth()
                : handoff.format() == Format.FLAC && own.compareTo(Depth.INT24) > 0 ? Depth.INT24 : own;
        this.passage = passage();
        check();
    }

    private void check() {
        if (handoff.format() == Format.FLAC && depth.compareTo(Depth.INT24) > 0) {
            throw new IllegalArgumentException("FLAC holds 16 or 24 bits here, not " + depth.sample().label() + ".");
        }
        handoff.trimsDb().forEach((row, db) -> {
            if (session.row(row).isEmpty()) {
                throw new IllegalArgumentException("A trim is for row “" + row + "”, which is not in this session.");
            }
            if (!(Math.abs(db) <= MOST_TRIM_DB)) {
                throw new IllegalArgumentException("A trim must be from −48 to 48 dB, not " + db + ".");
            }
        });
        handoff.sides().keySet().forEach(row -> {
            if (session.row(row).isEmpty()) {
                throw new IllegalArgumentException("Channels are chosen for row “" + row + "”, which is not in this session.");
            }
        });
    }

    private Passage passage() {
        int bars = handoff.leadInBars();
        if (bars < 0 || bars > 64) {
            throw new IllegalArgumentException("A lead-in is 0 to 64 bars long, not " + bars + ".");
        }
        Double tail = handoff.tailSeconds();
        if (tail != null && !(tail >= 0 && tail <= 600)) {
            throw new IllegalArgumentException("A tail is 0 to 600 seconds long, not " + tail + ".");
        }
        FrameRange range = handoff.range() == null ? new FrameRange(0, session.frames()) : handoff.range().frames(session);
        long leadIn = session.song().timeline().framesOfBarsAt(bars, range.start(), session.rate());
        return new Passage(range, leadIn, tail == null ? Passage.Tail.AUTOMATIC : new Passage.Tail(tail));
    }

    Plan make(List<Choice> chosen) {
        long tail = passage.tail().seconds() == null ? 0 : Math.round(passage.tail().seconds() * session.rate().hertz());
        long frames = atRate(passage.leadInFrames()) + atRateUp(passage.range().frames() + tail);
        long reference = startReference();
        FileNames names = new FileNames(session, handoff.naming(), rows.size());
        List<Print> prints = new ArrayList<>();
        for (PlanRow row : rows) {
            planned = chosen.stream().filter(choice -> choice.row().equals(row.row())).map(Choice::station)
                    .filter(row.stations()::contains).collect(Collectors.toSet());
            for (Station station : row.stations()) {
                if (chosen.contains(new Choice(row.row(), station))) {
                    prints.addAll(prints(row, station, names, frames, reference));
                }
            }
        }
        String name = ParcelName.of(session.song(), rate, depth.sample());
        return new Plan(name, prints, notes(names), listening(prints, names), rows, passage,
                new Sharing(handoff.returns(), handoff.dynamics()), handoff.format(), rate, frames, ringsOut(prints), reference,
                depth, Depth.own(session), prints.stream().mapToLong(Print::bytes).sum());
    }

    private long atRate(long frames) {
        return Math.round((double) frames * rate.hertz() / session.rate().hertz());
    }

    private long atRateUp(long frames) {
        return Math.floorDiv(frames * rate.hertz() + session.rate().hertz() - 1, (long) session.rate().hertz());
    }

    /** A start before midnight belongs to the day before. */
    private long startReference() {
        long start = session.startReference() + passage.range().start() - passage.leadInFrames();
        return atRate(start < 0 ? start + SECONDS_OF_A_DAY * session.rate().hertz() : start);
    }

    private double ringsOut(List<Print> prints) {
        if (passage.tail().seconds() != null) {
            return 0;
        }
        long frames = prints.stream().mapToLong(print -> TailFrames.of(session, session.row(print.row()).orElseThrow(),
                print.station(), new Sharing(handoff.returns(), handoff.dynamics()))).max().orElse(0);
        return Math.min(Passage.LONGEST_TAIL_SECONDS, session.rate().seconds(frames));
    }

    private List<Print> prints(PlanRow row, Station station, FileNames names, long frames, long reference) {
        Sides sides = handoff.sides().getOrDefault(row.row(), Sides.AUTOMATIC);
        String name = row.kind() == PlanRow.Kind.MIX && station == Station.FADER ? REFERENCE_NAME : row.name();
        return switch (sides) {
            case TWO_MONO -> List.of(
                    print(row, station, names, name + " left", Channels.MONO_FROM_LEFT, 1, frames, reference),
                    print(row, station, names, name + " right", Channels.MONO_FROM_RIGHT, 1, frames, reference));
            case MONO -> List.of(print(row, station, names, name, Channels.MONO_SUM, 1, frames, reference));
            case STEREO -> List.of(print(row, station, names, name, Channels.STEREO, 2, frames, reference));
            case AUTOMATIC -> List.of(automatic(row, station, names, name, frames, reference));
        };
    }

    private Print automatic(PlanRow row, Station station, FileNames names, String name, long frames, long reference) {
        Row source = session.row(row.row()).orElseThrow();
        if (station == Station.RAW && source instanceof AudioRow) {
            Channels sides = sides(images.get(row.row()).kind());
            return print(row, station, names, name, sides, sides.count(), frames, reference);
        }
        if (widths.at(source, station) == 1) {
            return print(row, station, names, name, Channels.MONO_FROM_LEFT, 1, frames, reference);
        }
        boolean centred = station == Station.FADER && widths.at(source, Station.INSERTS) == 1
                && source.strip().pan() == 0 && source.strip().panMoves().isEmpty();
        int expected = centred || row.kind() == PlanRow.Kind.MIX && row.channels() == 1 ? 1 : 2;
        return print(row, station, names, name, Channels.MEASURED, expected, frames, reference);
    }

    private Print print(PlanRow row, Station station, FileNames names, String name, Channels sides, int channels, long frames,
            long reference) {
        Row source = session.row(row.row()).orElseThrow();
        String file = names.next(row.number(), group(source), name, WhatWord.of(source, station, planned), handoff.format().ending());
        long bytes = handoff.format() == Format.AIFF ? AiffWriter.fileBytes(channels, depth.sample(), frames)
                : WavWriter.fileBytes(rate, channels, depth.sample(), frames, BroadcastInfo.of(session, file, row.name(),
                        station, depth.sample(), channels, rate, reference));
        return new Print(file, folder(row, source, station), row.row(), row.name(), station, channels, sides, trim(row.row()), bytes);
    }

    private String group(Row row) {
        return row.strip().outputs().stream().flatMap(id -> session.row(id).stream()).filter(BusRow.class::isInstance)
                .map(Row::name).findFirst().orElse("");
    }

    private static String folder(PlanRow row, Row source, Station station) {
        if (source.about().role().isForPlayers()) {
            return "Guide";
        }
        return switch (row.kind()) {
            case AUDIO, INSTRUMENT, PART -> station.compareTo(Station.SHAPED) <= 0 ? "Tracks" : "Wet";
            case BUS -> "Groups";
            case RETURN -> "Returns";
            case MIX -> "Reference";
        };
    }

    /** Its own, and those of the buses it feeds. */
    private double trim(String id) {
        Row row = session.row(id).orElseThrow();
        double trim = handoff.trimsDb().getOrDefault(id, 0.0);
        for (Row bus : Routing.downstream(session, row, Routing.Through.OUTPUTS)) {
            if (!bus.equals(session.mix())) {
                trim += handoff.trimsDb().getOrDefault(bus.id(), 0.0);
            }
        }
        return trim;
    }

    private List<NoteFile> notes(FileNames names) {
        List<NoteFile> files = new ArrayList<>();
        if (!handoff.notes()) {
            return files;
        }
        for (PlanRow row : rows) {
            if (session.row(row.row()).orElseThrow() instanceof InstrumentRow instrument && !instrument.notes().isEmpty()) {
                files.add(new NoteFile(names.next(row.number(), "", row.name(), "", ".mid"), "MIDI", row.row()));
            }
        }
        if (!files.isEmpty()) {
            files.add(new NoteFile(names.next(0, "", "All notes", "", ".mid"), "MIDI", ""));
        }
        return files;
    }

    private String listening(List<Print> prints, FileNames names) {
        boolean mix = prints.stream().anyMatch(print -> print.row().equals(session.mix().id()) && print.station() == Station.FADER);
        if (handoff.listening() && !mix) {
            throw new IllegalArgumentException("An MP3 of the reference mix needs the reference mix among the files.");
        }
        return handoff.listening() ? names.next(0, "", REFERENCE_NAME, "", ".mp3") : "";
    }

    static Channels sides(StereoImage.Kind kind) {
        return switch (kind) {
            case STEREO -> Channels.STEREO;
            case RIGHT_ONLY -> Channels.MONO_FROM_RIGHT;
            case SILENT, MONO, SAME_ON_BOTH_SIDES, LEFT_ONLY -> Channels.MONO_FROM_LEFT;
        };
    }
}
