package apodex.parcel;

import apodex.audio.Dither;
import apodex.audio.SampleFormat;
import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.Print;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.proof.Verdict;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Song;
import apodex.signal.Station;
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
        sheet.found();
        return sheet.out.toString();
    }

    private void facts(String receiver) {
        Song song = session.song();
        heading(song.title());
        fact("Artist", song.artist().isEmpty() ? "not given" : song.artist());
        fact("For", receiver);
        fact("Tempo", song.tempo() == null ? "not given" : song.tempoLabel() + " quarter notes a minute");
        fact("Meter", song.meter() == null ? "not given" : song.meter().written());
        fact("Key", song.key() == null ? "not given" : song.key().written());
        fact("Format", "WAV, " + plan.rate().label() + ", " + plan.depth().sample().label());
        fact("Length", minutes(plan.rate().seconds(plan.frames())) + " (" + plan.frames() + " samples)");
        fact("Time stamp", plan.startReference() + " samples after midnight, the same in every file");
        fact("First bar", "bar 1 is the first sample of every file");
    }

    private void files() {
        heading("Files");
        int longest = plan.prints().stream().mapToInt(print -> print.file().length()).max().orElse(0);
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            FileProof file = proof.files().get(i);
            String peak = file.silent() ? "silent" : String.format(Locale.ROOT, "peak %6.1f dBFS", file.peakDbfs());
            out.append(String.format(Locale.ROOT, "%-" + longest + "s  %-6s  %-5s  %s%n",
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
        line("Every file runs from the session's start to the end of the last sound. Import them all at the same"
                + " place, or by their time stamps, and they line up.");
        if (printed(Station.RAW)) {
            line("Raw: the clips of a row where they stand in the song, with their gain and fades. No effects.");
        }
        if (printed(Station.FADER)) {
            line("Fader of the mix: the sum of all rows at unity, for reference.");
        }
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
        line("No level was changed, limited or normalised.");
    }

    private void found() {
        heading("Read back from disk");
        for (Verdict verdict : proof.verdicts()) {
            line(verdict.headline() + ": " + verdict.detail());
        }
    }

    private boolean printed(Station station) {
        return plan.prints().stream().anyMatch(print -> print.station() == station);
    }

    private boolean isDithered() {
        SampleFormat target = plan.depth().sample();
        boolean finer = session.recordings().stream().map(Recording::sample)
                .anyMatch(sample -> Dither.policy(target.holdsExactly(sample), target) != Dither.NONE);
        return target == SampleFormat.INT16 && (finer || printed(Station.FADER));
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
