package apodex.parcel;

import apodex.effect.Effects;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.proof.FileProof;
import apodex.proof.Verdict;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.signal.Placed;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What a receiving engineer asks, and where in a parcel the answer stands. Each is asked of whole parcels by their papers alone;
 * {@code docs/questions.md} is this table for people.
 */
public final class ReceiverQuestions {
    private ReceiverQuestions() {}

    /**
     * A parcel as somebody gets it, and what it was made from, to know the right answers by.
     *
     * @param papers everything but sound, by path; text where it is text
     * @param sheet  the session sheet's text with single blanks
     */
    public record Received(
            Session session,
            Plan plan,
            List<FileProof> files,
            List<Verdict> verdicts,
            Map<String, String> papers,
            String sheet,
            Manifest manifest) {
        String paper(String name) {
            return papers.entrySet().stream()
                    .filter(each ->
                            each.getKey().endsWith("/" + name) || each.getKey().equals(name))
                    .map(Map.Entry::getValue)
                    .findFirst()
                    .orElse("");
        }

        boolean says(String... words) {
            return Stream.of(words).allMatch(sheet::contains);
        }

        Stream<Print> prints() {
            return plan.prints().stream().filter(print -> !print.isClick());
        }

        boolean before(Station station) {
            return prints().anyMatch(print -> print.station().compareTo(station) < 0);
        }

        Stream<Insert> inserts() {
            return session.rows().stream().flatMap(row -> row.strip().inserts().stream());
        }

        /** Every entry of the manifest's files against what was planned, in order. */
        boolean each(BiPredicate<Manifest.Entry, Print> holds) {
            for (int i = 0; i < plan.prints().size(); i++) {
                if (!holds.test(manifest.files().get(i), plan.prints().get(i))) {
                    return false;
                }
            }
            return manifest.files().size() == plan.prints().size();
        }

        boolean rows(BiPredicate<RowSetup, Row> holds) {
            return manifest.rows().stream()
                    .allMatch(setup -> holds.test(setup, session.row(setup.id()).orElseThrow()));
        }
    }

    /** A question, where its answer stands, and whether it stands there. */
    public record Question(String asked, String where, Predicate<Received> answered) {}

    private static final String SHEET = "sheet";
    private static final String MANIFEST = "manifest.json";

    public static final List<Question> ALL = questions();

    private static List<Question> questions() {
        List<Question> all = new ArrayList<>();
        // the song
        ask(
                all,
                "What song is it?",
                SHEET,
                r -> r.sheet.startsWith(spaced(r.session.song().title())));
        ask(all, "Who plays?", SHEET, r -> r.says(spaced(r.session.song().artist())));
        ask(all, "Which version of the parcel is it?", SHEET, r -> r.says(r.manifest.version()));
        ask(
                all,
                "What was asked for, and for whom?",
                SHEET,
                r -> r.says(r.manifest.brief(), spaced(r.manifest.receiver())));
        ask(
                all,
                "What tempo?",
                SHEET,
                r -> r.says(
                        r.session.song().tempo() == null
                                ? "Tempo not given"
                                : "Tempo " + r.session.song().tempoLabel()));
        ask(
                all,
                "Where does the tempo change, at once or gliding?",
                SHEET,
                r -> r.session.song().tempoChanges().stream()
                        .allMatch(change -> r.says((change.way().name().equals("GLIDE") ? "gliding to " : "then ")
                                + Song.tempoLabel(change.quartersPerMinute()))));
        ask(
                all,
                "What meter, and where does it change?",
                SHEET,
                r -> r.says("Meter ")
                        && r.session.song().meterChanges().stream()
                                .allMatch(change -> r.says(change.meter().written() + " from bar " + change.bar())));
        ask(
                all,
                "What key?",
                SHEET,
                r -> r.says("Key "
                        + (r.session.song().key() == null
                                ? "not given"
                                : r.session.song().key().written())));
        ask(all, "Where are verse and chorus?", SHEET, r -> r.session.markers().stream()
                .allMatch(marker -> r.says(spaced(marker.name()))));
        ask(
                all,
                "Can my program read the tempo map?",
                "Tempo map.mid",
                r -> r.papers.keySet().stream()
                                .filter(path -> path.contains("Tempo map") && path.endsWith(".mid"))
                                .count()
                        == r.plan.sections().size());
        // the files
        ask(all, "What files are there?", SHEET, r -> r.plan.prints().stream()
                .allMatch(print -> r.says(spaced(print.path()))));
        ask(
                all,
                "What kind of file, rate and depth?",
                SHEET,
                r -> r.says(r.plan.format().label() + ", " + r.plan.rate().label() + ", "
                        + r.plan.depth().sample().label()));
        ask(all, "How long are they?", SHEET, r -> r.plan.sections().stream()
                .allMatch(section -> r.says("(" + section.frames() + " samples)")));
        ask(all, "Do all start together?", SHEET, r -> r.says("start together"));
        ask(all, "Where in the song do they start?", SHEET, r -> r.says("begins at"));
        ask(all, "How long is the lead-in?", SHEET, r -> r.plan.sections().stream()
                .allMatch(section -> section.passage().leadInFrames() == 0 || r.says(", after ")));
        ask(
                all,
                "What is their time stamp?",
                SHEET,
                r -> !r.plan.format().isStamped()
                        || r.plan.sections().stream()
                                .allMatch(section -> r.says("time stamp " + section.startReference())));
        ask(all, "How do I load them?", HowToLoad.NAME, r -> r.paper(HowToLoad.NAME)
                .contains("5. Press play"));
        ask(all, "Is there a timeline that I can open?", "Timeline.otio", r -> r.plan.prints().stream()
                .allMatch(print -> r.papers.entrySet().stream()
                        .filter(paper -> paper.getKey().endsWith(".otio"))
                        .anyMatch(paper -> paper.getValue().contains(stem(print)))));
        ask(all, "And a list, for a program without one?", "clips.csv", r -> r.plan.prints().stream()
                .allMatch(print -> r.papers.entrySet().stream()
                        .filter(paper -> paper.getKey().contains("clips")
                                && paper.getKey().endsWith(".csv"))
                        .anyMatch(
                                paper -> paper.getValue().replace("\"\"", "\"").contains(print.path()))));
        ask(
                all,
                "Which is the reference mix?",
                MANIFEST,
                r -> r.each((entry, print) -> entry.reference() == print.isReference()));
        ask(
                all,
                "Which files are of which row?",
                MANIFEST,
                r -> r.each((entry, print) -> entry.rowId().equals(print.row())));
        ask(
                all,
                "Which is the click?",
                MANIFEST,
                r -> r.each((entry, print) -> entry.station().equals("click") == print.isClick()));
        ask(
                all,
                "How large are they?",
                MANIFEST,
                r -> r.each((entry, print) -> entry.bytes()
                        == r.files.get(r.plan.prints().indexOf(print)).bytes()));
        ask(all, "Has every file arrived whole?", Checksums.FILE_NAME, r -> r.manifest.files().stream()
                .allMatch(entry -> r.paper(Checksums.FILE_NAME).contains(entry.sha256())));
        // where on the way
        ask(all, "Where on the signal path was each taken?", SHEET, r -> r.prints()
                .allMatch(print ->
                        r.says(spaced(print.path()) + " " + print.station().label())));
        ask(all, "What does that word mean?", SHEET, r -> r.prints()
                .map(Print::station)
                .distinct()
                .allMatch(station -> r.says(station.label() + ": ")));
        ask(all, "Is it dry or with effects?", SHEET, r -> r.inserts().findAny().isEmpty() || r.says("Is in files at"));
        ask(all, "Mono or stereo?", SHEET, r -> IntStream.range(
                        0, r.plan.prints().size())
                .allMatch(i -> r.says(spaced(r.plan.prints().get(i).path()) + " "
                        + (r.plan.prints().get(i).isClick()
                                ? "click"
                                : r.plan.prints().get(i).station().label())
                        + (r.files.get(i).channels() == 1 ? " mono" : " stereo"))));
        ask(
                all,
                "Why is it mono?",
                MANIFEST,
                r -> r.each((entry, print) -> print.station() != Station.RAW
                        || print.isClick()
                        || !(r.session.row(print.source()).orElseThrow() instanceof AudioRow audio)
                        || entry.sessionChannels()
                                == audio.clips().stream()
                                        .mapToInt(Clip::channels)
                                        .max()
                                        .orElse(1)));
        ask(all, "Where does a one-sided file sit?", SHEET, r -> r.files.stream()
                .filter(file -> file.placed() == Placed.LEFT || file.placed() == Placed.RIGHT)
                .allMatch(file -> r.says(file.placed() == Placed.LEFT ? "sits left" : "sits right")));
        ask(all, "What was left out of a file?", SHEET, r -> r.prints()
                .filter(print -> print.station().compareTo(Station.FADER) < 0
                        && r.session.row(print.row()).isPresent())
                .allMatch(print -> LeftOut.of(
                                r.session,
                                r.session.row(print.row()).orElseThrow(),
                                last(r, print),
                                r.plan.sharing().returns())
                        .stream()
                        .allMatch(words -> r.says(spaced(words)))));
        ask(
                all,
                "How was the fader set?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.faderDb() == row.strip().faderDb()));
        ask(
                all,
                "How was it panned?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.pan() == row.strip().pan()));
        ask(all, "How did the fader move?", "moves.csv", r -> moved(r, "fader"));
        ask(all, "How did the pan move?", "moves.csv", r -> moved(r, "pan"));
        ask(
                all,
                "Was it muted?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.muted() == row.strip().muted()));
        // effects and routing
        ask(
                all,
                "Which effects were on a row, in which order?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.inserts().stream()
                        .map(RowSetup.Setup::effect)
                        .toList()
                        .equals(row.strip().inserts().stream()
                                .map(Insert::effect)
                                .toList())));
        ask(all, "How was every one of them set, to the last knob?", SHEET, r -> r.inserts()
                .allMatch(insert -> r.says(spaced(InsertWords.settings(r.session, insert)))));
        ask(
                all,
                "And as numbers, defaults too?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.inserts().stream().allMatch(insert -> Effects.find(insert.effect())
                        .map(effect ->
                                effect.settings().size() == insert.settings().size())
                        .orElse(true))));
        ask(
                all,
                "What does a side-chain listen to?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.inserts().stream()
                        .map(RowSetup.Setup::key)
                        .toList()
                        .equals(row.strip().inserts().stream().map(Insert::key).toList())));
        ask(
                all,
                "Which effects were switched off?",
                SHEET,
                r -> r.inserts().allMatch(Insert::on) || r.says("switched off"));
        ask(
                all,
                "Did the mix itself have effects?",
                SHEET,
                r -> r.session.mix().strip().inserts().isEmpty()
                        || r.says("Mix "
                                + InsertWords.name(
                                        r.session.mix().strip().inserts().get(0)))
                        || r.says("Mix · Effect: "
                                + InsertWords.name(
                                        r.session.mix().strip().inserts().get(0))));
        ask(
                all,
                "Do single clips have effects?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.clipInserts()
                        == row.clips().stream()
                                .anyMatch(clip -> clip.inserts().stream().anyMatch(Insert::on))));
        ask(
                all,
                "Which bus does a row go to?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.outputs().equals(row.strip().outputs())));
        ask(
                all,
                "What is sent where, how much, before or after the fader?",
                MANIFEST,
                r -> r.rows((setup, row) -> setup.sends()
                        .equals(row.strip().sends().stream()
                                .map(send -> new RowSetup.Way(send.to(), send.levelDb(), send.from()))
                                .toList())));
        ask(all, "What is in a group?", SHEET, r -> r.session.rows().stream()
                .filter(row -> row.kind() == RowKind.BUS)
                .noneMatch(bus -> r.prints().anyMatch(print -> print.row().equals(bus.id()))
                        && !Routing.members(r.session, bus).isEmpty()
                        && !r.says("Holds ")));
        ask(
                all,
                "What happened to the returns?",
                SHEET,
                r -> r.prints().noneMatch(print -> print.station().compareTo(Station.FADER) > 0)
                        || r.says("Returns are"));
        ask(all, "Why has a row no file?", SHEET, r -> r.plan.rows().stream()
                .filter(row ->
                        r.plan.prints().stream().noneMatch(print -> print.row().equals(row.row())))
                .allMatch(row -> r.says("Not printed") || r.says("No file of its own")));
        ask(
                all,
                "What is the pan law, and what does another do?",
                SHEET,
                r -> r.says("Pan law") && (!r.before(Station.FADER) || r.says("In a program with another law")));
        ask(
                all,
                "Do the files add up to the mix?",
                SHEET,
                r -> r.plan.reference(0).isEmpty()
                        || r.says("Adds up")
                        || r.says("Not meant to add up")
                        || r.says("Does not add up"));
        // takes, recordings, levels
        ask(all, "Which take was used, and which others are there?", SHEET, r -> r.session.audioRows().stream()
                .filter(row -> row.takes().size() > 1)
                .allMatch(row -> r.says("Also there") && r.says(spaced(active(row)))));
        ask(
                all,
                "Was anything resampled, from what to what?",
                SHEET,
                r -> r.says("Nothing was resampled") || r.says("esampled from"));
        ask(
                all,
                "Which files carry dither?",
                SHEET,
                r -> r.says("No file carries dither") || r.says("Triangular dither"));
        ask(
                all,
                "Was anything clipped on the way?",
                SHEET,
                r -> r.files.stream().allMatch(file -> file.overs() == 0)
                        ? r.says("Nothing was clipped")
                        : r.says("Held at full scale"));
        ask(
                all,
                "Was a level changed, and how do I get the balance back?",
                MANIFEST,
                r -> r.each((entry, print) -> entry.trimDb() == print.trimDb())
                        && (r.plan.prints().stream().allMatch(print -> print.trimDb() == 0)
                                ? r.says("No level was normalised")
                                : r.says("Trimmed: ")));
        ask(all, "How loud are they, sample and true peak?", MANIFEST, r -> IntStream.range(0, r.files.size())
                .allMatch(i -> Objects.equals(
                                r.manifest.files().get(i).peakDbfs(),
                                r.files.get(i).peakDbfs())
                        && Objects.equals(
                                r.manifest.files().get(i).truePeakDbtp(),
                                r.files.get(i).truePeakDbtp())));
        ask(
                all,
                "How is the loudness of mono counted?",
                SHEET,
                r -> r.files.stream().noneMatch(file -> file.channels() == 1) || r.says("BS.1770"));
        ask(all, "What notes did players and engineers leave?", SHEET, r -> r.plan.rows().stream()
                .map(row -> r.session.row(row.row()).orElseThrow().about().note())
                .allMatch(note -> note.isEmpty() || r.says(spaced(note))));
        ask(all, "What was found when it was read back?", SHEET, r -> r.verdicts.stream()
                .allMatch(verdict -> r.says(spaced(verdict.headline()))));
        return List.copyOf(all);
    }

    private static void ask(List<Question> all, String asked, String where, Predicate<Received> answered) {
        all.add(new Question(asked, where, answered));
    }

    static String spaced(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }

    private static String stem(Print print) {
        return print.file()
                .substring(0, print.file().lastIndexOf('.'))
                .replace("\\", "\\\\")
                .replace("\"", "\\\"");
    }

    private static Station last(Received r, Print print) {
        return r.prints()
                .filter(each -> each.row().equals(print.row()))
                .map(Print::station)
                .max(Station::compareTo)
                .orElseThrow();
    }

    private static boolean moved(Received r, String lane) {
        return r.session.rows().stream()
                .filter(row -> !(lane.equals("fader")
                                ? row.strip().faderMoves()
                                : row.strip().panMoves())
                        .isEmpty())
                .filter(row ->
                        r.plan.rows().stream().anyMatch(planned -> planned.row().equals(row.id())))
                .allMatch(row -> r.paper("moves.csv").lines().anyMatch(line -> line.contains("," + lane + ",")));
    }

    private static String active(AudioRow row) {
        return row.takes().stream()
                .filter(take -> take.id().equals(row.active()))
                .findFirst()
                .orElseThrow()
                .name();
    }
}
