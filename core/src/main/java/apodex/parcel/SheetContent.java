package apodex.parcel;

import apodex.audio.FileKind;
import apodex.handoff.AsPlanned;
import apodex.handoff.Excerpt;
import apodex.handoff.Handoff;
import apodex.handoff.InOneSentence;
import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.parcel.Sheet.Block;
import apodex.parcel.Sheet.Fact;
import apodex.parcel.Sheet.Stop;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.proof.Verdict;
import apodex.session.Marker;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.SongPlace;
import apodex.session.Station;
import apodex.signal.Placed;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Writes the session sheet: what the song is, what each file is, what was left out, what was found. */
final class SheetContent {
    private final Session session;
    private final Handoff handoff;
    private final Plan plan;
    private final Proof proof;
    private static final List<String> HEAD =
            List.of("File", "Taken at", "Channels", "Peak dBFS", "True peak dBTP", "Loudness LUFS", "Trim dB");
    private static final int MOVES_AT_MOST = 24;

    private final List<Block> blocks = new ArrayList<>();

    private SheetContent(Session session, Handoff handoff, Plan plan, Proof proof) {
        this.session = AsPlanned.of(session, handoff);
        this.handoff = handoff;
        this.plan = plan;
        this.proof = proof;
    }

    static Sheet of(Session session, Handoff handoff, Plan plan, Proof proof) {
        SheetContent content = new SheetContent(session, handoff, plan, proof);
        content.blocks.add(new Sheet.Paragraph(InOneSentence.written(handoff, plan)));
        if (handoff.message() != null) {
            content.blocks.add(new Sheet.Paragraph(handoff.message()));
        }
        content.song();
        content.files();
        content.edits();
        content.rows();
        content.table("Effects and how they are set", EffectsTable.of(content.session, plan));
        content.moves();
        content.table("Takes", TakesTable.of(session));
        content.howTaken();
        content.found();
        String artist = session.song().artist();
        String under = (artist.isEmpty() ? "" : artist + " · ")
                + handoff.settled().naming().version();
        return new Sheet(session.song().title(), under, content.blocks);
    }

    private void song() {
        Song song = session.song();
        blocks.add(new Sheet.Heading("The song"));
        List<Fact> facts = new ArrayList<>();
        facts.add(new Fact(
                "Tempo",
                song.tempo() == null
                        ? notGiven(Figures.number(Song.TEMPO_WHEN_UNKNOWN) + " quarter notes a minute")
                        : song.tempoLabel() + " quarter notes a minute"));
        for (TempoChange change : song.tempoChanges()) {
            facts.add(new Fact(
                    "",
                    String.format(
                            Locale.ROOT,
                            "%s %s at bar %d",
                            change.way() == TempoChange.Way.GLIDE ? "gliding to" : "then",
                            Song.tempoLabel(change.quartersPerMinute()),
                            song.timeline().barAt(change.quarter()))));
        }
        facts.add(new Fact(
                "Meter",
                song.meter() == null
                        ? notGiven(song.timeline().meterOf(1).written())
                        : song.meter().written()));
        for (MeterChange change : song.meterChanges()) {
            facts.add(new Fact("", change.meter().written() + " from bar " + change.bar()));
        }
        facts.add(new Fact("Key", song.key() == null ? "not given" : song.key().written()));
        facts.add(new Fact(
                "Format",
                plan.format().label() + ", " + plan.rate().label() + ", "
                        + plan.depth().sample().label()));
        plan.sections().forEach(section -> facts.addAll(section(section)));
        facts.add(new Fact(
                "Pan law", Figures.number(session.panLaw().centreDb()).replace("-", "−") + " dB at the centre"));
        if (!session.markers().isEmpty()) {
            facts.add(new Fact(
                    "Markers",
                    session.markers().stream()
                            .sorted(Comparator.comparingLong(Marker::frame))
                            .map(marker -> marker.name() + " " + SongPlace.of(session, marker.frame()))
                            .collect(Collectors.joining(", "))));
        }
        blocks.add(new Sheet.Facts(facts));
    }

    private List<Fact> section(PlannedSection section) {
        List<Fact> facts = new ArrayList<>();
        String name = section.name().isEmpty() ? "Length" : section.name();
        facts.add(new Fact(
                name,
                Figures.minutes(plan.rate().seconds(section.frames())) + " (" + section.frames()
                        + " samples), begins at " + begin(section)));
        if (plan.format().isStamped()) {
            facts.add(new Fact(
                    "", "time stamp " + section.startReference() + " samples after midnight, the same in every file"));
        }
        return facts;
    }

    private String begin(PlannedSection section) {
        long start = section.passage().range().start();
        String into = Figures.minutes(session.rate().seconds(start)) + " into the session";
        String where = start == 0
                ? "bar 1 of the session"
                : session.song().tempo() == null ? into : SongPlace.of(session, start) + ", " + into;
        if (section.passage().leadInFrames() == 0) {
            return where;
        }
        boolean counted = handoff.settled().count();
        return where + ", after " + handoff.settled().leadInBars()
                + (handoff.settled().leadInBars() == 1 ? " bar" : " bars")
                + (counted ? " counted in the click’s file" : " of silence") + " ("
                + Figures.number(session.rate().seconds(section.passage().leadInFrames())) + " s)";
    }

    /** @param instead what lead-in and click go by nevertheless */
    private String notGiven(String instead) {
        boolean barsAreUsed =
                handoff.settled().leadInBars() > 0 || plan.prints().stream().anyMatch(Print::isClick);
        return "not given" + (barsAreUsed ? "; lead-in and click go by " + instead : "");
    }

    private void files() {
        blocks.add(new Sheet.Heading("Files"));
        blocks.add(new Sheet.Paragraph("All files"
                + (plan.sections().size() > 1 ? " of a section" : "")
                + (plan.edits().isEmpty() ? "" : " but the edits below")
                + " start together and have one length. Import them all at the same place"
                + (plan.format().isStamped() ? ", or by their time stamps," : "") + " and they line up."));
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            FileProof file = proof.files().get(i);
            rows.add(List.of(
                    print.path(),
                    print.isClick() ? "click" : print.station().label(),
                    channels(file),
                    !file.isRead() ? "not read" : file.silent() ? "silent" : Figures.db(file.peakDbfs()),
                    file.truePeakDbtp() == null ? "–" : Figures.db(file.truePeakDbtp()),
                    file.loudnessLufs() == null ? "–" : Figures.db(file.loudnessLufs()),
                    print.trimDb() == 0
                            ? ""
                            : String.format(Locale.ROOT, "%+.2f", print.trimDb())
                                    .replace("-", "−")));
        }
        plan.notes().forEach(notes -> rows.add(List.of(notes.path(), "notes", "MIDI", "", "", "", "")));
        plan.listening().stream()
                .filter(path -> !path.isEmpty())
                .forEach(path -> rows.add(
                        List.of(path, "to listen to", plan.listeningAs().label(), "", "", "", "")));
        plan.beats().stream()
                .filter(path -> !path.isEmpty())
                .forEach(path -> rows.add(List.of(path, "the beat", FileKind.FLAC.label(), "", "", "", "")));
        boolean trimmed = plan.prints().stream().anyMatch(print -> print.trimDb() != 0);
        int columns = trimmed ? HEAD.size() : HEAD.size() - 1;
        blocks.add(new Sheet.Table(
                HEAD.subList(0, columns),
                List.of(false, false, false, true, true, true, true).subList(0, columns),
                rows.stream().map(row -> row.subList(0, columns)).toList()));
        if (proof.files().stream().anyMatch(file -> file.isRead() && file.channels() == 1)) {
            blocks.add(new Sheet.Paragraph("Loudness of a mono file is that of its one channel (ITU-R BS.1770-4);"
                    + " heard from both sides it is 3 dB more."));
        }
    }

    /** What was cut out of the recordings. */
    private void edits() {
        if (plan.edits().isEmpty()) {
            return;
        }
        blocks.add(new Sheet.Heading("Edits"));
        int rows = plan.edits().rows().size();
        blocks.add(new Sheet.Paragraph("Raw of " + (rows == 1 ? "one row" : rows + " rows")
                + " goes out as edits: the recordings as they were made, each clip with "
                + Figures.number(handoff.settled().handleSeconds())
                + " s beside it where there is as much. " + Papers.EDITS + " lays them out; " + Papers.EDITS_CSV
                + " is the same as a list, with gain, fades and polarity. Positions count from the session’s start, at "
                + session.rate().label() + ". Levels, trims and channels of other files do not hold for these."));
        blocks.add(new Sheet.Table(
                List.of("File", "Format", "Channels", "Begins at", "Length"),
                List.of(false, false, false, true, true),
                plan.edits().excerpts().stream()
                        .map(excerpt -> List.of(
                                cutOut(excerpt),
                                excerpt.rate().label() + ", " + excerpt.sample().label(),
                                excerpt.channels() == 1 ? "mono" : "stereo",
                                "sample " + excerpt.start(),
                                Figures.minutes(excerpt.rate().seconds(excerpt.frames()))))
                        .toList()));
    }

    /** The file, and the recording where that is called otherwise. */
    private String cutOut(Excerpt excerpt) {
        String recording = session.recording(excerpt.recording()).fileName();
        return recording.equals(excerpt.file()) ? excerpt.path() : excerpt.path() + " from " + recording;
    }

    private static String channels(FileProof file) {
        String side =
                file.placed() == Placed.LEFT ? ", sits left" : file.placed() == Placed.RIGHT ? ", sits right" : "";
        return (file.channels() == 1 ? "mono" : "stereo") + side;
    }

    private void rows() {
        blocks.add(new Sheet.Heading("Rows"));
        blocks.add(
                new Sheet.Paragraph(
                        "The line runs from the clips to the mix: Raw, Shaped, Inserts, Fader, Bus, Mix. ■ is a file, ○ a place where one could be taken."));
        for (PlanRow row : plan.rows()) {
            Set<Station> printed = plan.stationsOf(row.row());
            List<Stop> line = Arrays.stream(Station.values())
                    .map(station -> printed.contains(station)
                            ? Stop.PRINTED
                            : row.stations().contains(station) ? Stop.OFFERED : Stop.NONE)
                    .toList();
            String number = row.kind() == RowKind.MIX ? "" : String.format(Locale.ROOT, "%02d", row.number());
            blocks.add(new Sheet.RowCard(number, row.name(), line, AboutRow.of(session, plan, row)));
        }
    }

    private void howTaken() {
        blocks.add(new Sheet.Heading("How files were taken"));
        HowTaken.of(session, plan, proof).forEach(each -> blocks.add(new Sheet.Paragraph(each)));
    }

    private void table(String heading, Optional<Sheet.Table> table) {
        table.ifPresent(lines -> {
            blocks.add(new Sheet.Heading(heading));
            blocks.add(lines);
        });
    }

    /** Moves as values while they are few; they are always in the list beside the sheet. */
    private void moves() {
        List<MovesTable.Point> moves = MovesTable.of(session, plan);
        if (moves.isEmpty()) {
            return;
        }
        blocks.add(new Sheet.Heading("Moves"));
        if (moves.size() > MOVES_AT_MOST) {
            blocks.add(new Sheet.Paragraph(moves.size() + " points of fader and pan moves are in " + MovesTable.NAME
                    + ": position in samples of the files, seconds and bars; dB, or −100 (left) to 100 (right)."));
            return;
        }
        blocks.add(new Sheet.Paragraph("Between two points the value goes in a straight line. The same stands in "
                + MovesTable.NAME + ", in samples of the files."));
        blocks.add(new Sheet.Table(
                List.of("Row", "Lane", "At", "Seconds", "Value"),
                List.of(false, false, false, true, true),
                moves.stream()
                        .map(move -> List.of(
                                move.row().name(),
                                move.lanes(),
                                move.place(),
                                String.format(Locale.ROOT, "%.3f", move.seconds()),
                                move.written()))
                        .toList()));
    }

    private void found() {
        blocks.add(new Sheet.Heading("Read back from disk"));
        for (Verdict verdict : proof.verdicts()) {
            blocks.add(new Sheet.Finding(verdict.grade(), verdict.headline(), verdict.detail()));
        }
    }
}
