package apodex.parcel;

import apodex.audio.Dither;
import apodex.audio.SampleFormat;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.Print;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.proof.Verdict;
import apodex.session.Marker;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.signal.Station;
import apodex.time.MeterChange;
import apodex.time.TempoChange;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** The session sheet as plain text: what the song is, what each file is, what was done and what was found. */
public final class SessionSheet {
    public static final String FILE_NAME = "Session sheet.txt";
    private static final int WIDTH = 80;

    private final StringBuilder out = new StringBuilder();
    private final Session session;
    private final Plan plan;
    private final Proof proof;

    private SessionSheet(Session session, Plan plan, Proof proof) {
        this.session = session;
        this.plan = plan;
        this.proof = proof;
    }

    /** @param receiver name of the handoff */
    public static String text(Session session, Plan plan, Proof proof, String receiver) {
        SessionSheet sheet = new SessionSheet(session, plan, proof);
        sheet.facts(receiver);
        sheet.files();
        sheet.done();
        sheet.notes();
        sheet.found();
        return sheet.out.toString();
    }

    private void facts(String receiver) {
        Song song = session.song();
        heading(song.title());
        fact("Artist", song.artist().isEmpty() ? "not given" : song.artist());
        fact("For", receiver);
        fact("Tempo", song.tempo() == null ? "not given" : song.tempoLabel() + " quarter notes a minute");
        for (TempoChange change : song.tempoChanges()) {
            fact("", String.format(Locale.ROOT, "%s %s at bar %d", change.way() == TempoChange.Way.GLIDE ? "gliding to" : "then",
                    number(change.quartersPerMinute()), song.timeline().barAt(change.quarter())));
        }
        fact("Meter", song.meter() == null ? "not given" : song.meter().written());
        for (MeterChange change : song.meterChanges()) {
            fact("", change.meter().written() + " from bar " + change.bar());
        }
        fact("Key", song.key() == null ? "not given" : song.key().written());
        fact("Format", plan.format().label() + ", " + plan.rate().label() + ", " + plan.depth().sample().label());
        fact("Length", minutes(plan.rate().seconds(plan.frames())) + " (" + plan.frames() + " samples)");
        if (plan.format() == Handoff.Format.WAV) {
            fact("Time stamp", plan.startReference() + " samples after midnight, the same in every file");
        }
        fact("Begins at", firstSample());
        fact("Pan law", panLaw() + " dB at the centre");
        for (Marker marker : session.markers()) {
            fact("Marker", marker.name() + ", bar " + song.timeline().barAt(song.timeline().quarterOf(marker.frame(), session.rate())));
        }
    }

    private String panLaw() {
        return switch (session.panLaw()) {
            case ZERO -> "0";
            case MINUS_3 -> "-3";
            case MINUS_4_5 -> "-4.5";
            case MINUS_6 -> "-6";
        };
    }

    private String firstSample() {
        long start = plan.passage().range().start();
        String where = start == 0 ? "bar 1 of the session" : "bar "
                + session.song().timeline().barAt(session.song().timeline().quarterOf(start, session.rate())) + ", " + minutes(session.rate().seconds(start)) + " into the session";
        return plan.passage().leadInFrames() == 0 ? where
                : where + ", after " + number(session.rate().seconds(plan.passage().leadInFrames())) + " s of silence";
    }

    private static String number(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : String.format(Locale.ROOT, "%.2f", value);
    }

    private void files() {
        heading("Files");
        int longest = plan.prints().stream().mapToInt(print -> print.file().length()).max().orElse(0);
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            FileProof file = proof.files().get(i);
            String peak = file.silent() ? "silent" : String.format(Locale.ROOT, "peak %6.1f dBFS", file.peakDbfs());
            out.append(String.format(Locale.ROOT, "%-" + longest + "s  %-6s  %-7s  %s%n",
                    print.file(), print.channels() == 1 ? "mono" : "stereo", print.station().label(), peak)
                    .replace("\r\n", "\n"));
        }
        List<PlanRow> unprinted = plan.rows().stream()
                .filter(row -> plan.prints().stream().noneMatch(print -> print.row().equals(row.row()))).toList();
        if (!unprinted.isEmpty()) {
            out.append("\nNot printed: ").append(String.join(", ", unprinted.stream().map(PlanRow::name).toList()))
                    .append('\n');
        }
    }

    private void done() {
        heading("What was done");
        line("All files start together and have one length. Import them all at the same place"
                + (plan.format() == Handoff.Format.WAV ? ", or by their time stamps," : "") + " and they line up.");
        for (Station station : Station.values()) {
            if (printed(station)) {
                line(words(station));
            }
        }
        if (printed(Station.BUS) || printed(Station.MIX)) {
            line(switch (plan.sharing().returns()) {
                case OWN_FILES -> "Returns are files of their own; rows come without them.";
                case SHARED_OUT -> "Returns are shared out: every row carries its own share of them.";
                case LEFT_OUT -> "Returns are left out.";
            });
            line(switch (plan.sharing().dynamics()) {
                case IN_PLACE -> "Compressors and the like of buses and mix act on each file as they did on the sum: the files add up.";
                case ALONE -> "Effects of buses and mix act on each file as in solo: the files do not add up to the mix.";
            });
        }
        plan.prints().stream().filter(print -> print.trimDb() != 0).forEach(print ->
                line(String.format(Locale.ROOT, "%s: trimmed by %+.1f dB.", print.file(), print.trimDb())));
        plan.rows().stream().filter(row -> !row.unknown().isEmpty()).forEach(row ->
                line(row.name() + ": without " + String.join(", ", row.unknown()) + ", which was not at hand."));
        plan.rows().stream().filter(row -> row.image() != null && plan.prints().stream()
                .anyMatch(print -> print.row().equals(row.row())))
                .filter(row -> switch (row.image()) {
                    case SAME_ON_BOTH_SIDES, LEFT_ONLY, RIGHT_ONLY -> true;
                    case SILENT, MONO, STEREO -> false;
                })
                .forEach(row -> line(row.name() + ": " + row.evidence()));
        if (isDithered()) {
            line("Where 16 bits cannot hold the sound exactly, triangular dither of two steps was added.");
        }
        if (plan.prints().stream().allMatch(print -> print.trimDb() == 0)) {
            line("No level was normalised, and nothing was limited that the session does not limit.");
        }
    }

    private void notes() {
        List<Row> noted = session.rows().stream().filter(row -> !row.about().note().isEmpty()).toList();
        if (!noted.isEmpty()) {
            heading("Notes");
            noted.forEach(row -> line(row.name() + ": " + row.about().note() + "."));
        }
    }

    private void found() {
        heading("Read back from disk");
        for (Verdict verdict : proof.verdicts()) {
            line(verdict.headline() + ": " + verdict.detail());
        }
    }

    private static String words(Station station) {
        return switch (station) {
            case RAW -> "Raw: clips with their gain and fades, or an instrument's plain sound; of a bus the plain sum. No effects.";
            case SHAPED -> "Shaped: Raw with the effects that are part of the sound.";
            case INSERTS -> "Inserts: Raw with all effects of the row, at unity.";
            case FADER -> "Fader: with level, pan and moves; of the mix, the reference.";
            case BUS -> "Bus: on through every bus, up to the mix.";
            case MIX -> "Mix: through the effects and the level of the mix as well.";
        };
    }

    private boolean printed(Station station) {
        return plan.prints().stream().anyMatch(print -> print.station() == station);
    }

    private boolean isDithered() {
        SampleFormat target = plan.depth().sample();
        boolean finer = session.recordings().stream().map(Recording::sample)
                .anyMatch(sample -> Dither.policy(target.holdsExactly(sample), target) != Dither.NONE);
        return target == SampleFormat.INT16
                && (finer || plan.prints().stream().anyMatch(print -> print.station() != Station.RAW));
    }

    private void heading(String text) {
        out.append(out.isEmpty() ? "" : "\n").append(text).append('\n');
        Stream.generate(() -> "=").limit(text.codePointCount(0, text.length())).forEach(out::append);
        out.append('\n');
    }

    private void fact(String name, String value) {
        out.append(String.format(Locale.ROOT, "%-12s%s", name, value)).append('\n');
    }

    /** A paragraph, broken between words. */
    private void line(String text) {
        int column = 0;
        for (String word : text.split(" ")) {
            boolean fits = column + 1 + word.length() <= WIDTH;
            out.append(column == 0 ? "" : fits ? " " : "\n").append(word);
            column = column > 0 && fits ? column + 1 + word.length() : word.length();
        }
        out.append('\n');
    }

    private static String minutes(double seconds) {
        long tenths = Math.round(seconds * 10);
        return String.format(Locale.ROOT, "%d:%02d.%d", tenths / 600, tenths / 10 % 60, tenths % 10);
    }
}
