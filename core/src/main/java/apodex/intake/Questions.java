package apodex.intake;

import apodex.align.Sighting;
import apodex.align.Sighting.Certainty;
import apodex.intake.Place.By;
import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.intake.Seat.Side;
import apodex.intake.Seat.Use;
import apodex.time.SampleRate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** What is open in an intake as it stands now, the most important first. What was answered is not asked again. */
public final class Questions {
    /** So many files that are off by the same are off for one reason. */
    private static final int A_BATCH = 3;
    /** Lengths that differ by less are equal: some programs leave a block more. */
    private static final double SAME_LENGTH_SECONDS = 0.2;

    private static final double HEARD_APART_SECONDS = 0.02;
    /** Stands for the question at which stations rows are heard; no row can be called so. */
    private static final String STATIONS = "/stations";

    private final Intake intake;
    private final List<Question> questions = new ArrayList<>();

    private Questions(Intake intake) {
        this.intake = intake;
    }

    public static List<Question> of(Intake intake) {
        Questions asking = new Questions(intake);
        asking.places();
        asking.noPlaces();
        asking.foundOtherwise();
        asking.sameSounds();
        asking.takesOrRows();
        asking.loneSides();
        asking.stations();
        asking.questions.sort(Comparator.comparing(Question::kind));
        return asking.questions;
    }

    private List<IntakeFile> used() {
        return intake.sounds().stream()
                .filter(file ->
                        file.seat().use() == Use.ROW && file.seat().place().by() != By.LIST)
                .toList();
    }

    private static Sighting found(IntakeFile file) {
        return file.seat().place().found();
    }

    private static boolean isFound(IntakeFile file) {
        return found(file) != null && found(file).certainty() != Certainty.UNKNOWN;
    }

    /** Files that the reference has somewhere else; those that are off by the same are asked about together. */
    private void places() {
        Map<Long, List<IntakeFile>> off = new LinkedHashMap<>();
        for (IntakeFile file : used()) {
            if (isFound(file) && file.seat().place().by() == By.START && isElsewhere(file)) {
                off.computeIfAbsent(found(file).frame() - file.seat().place().frame(), by -> new ArrayList<>())
                        .add(file);
            }
        }
        off.forEach((frames, files) -> {
            if (files.size() >= A_BATCH) {
                place(files, frames);
            } else {
                files.forEach(file -> place(List.of(file), frames));
            }
        });
    }

    /** Effects and the way to a microphone move a sound by some milliseconds: that little is only told where it is sure. */
    private boolean isElsewhere(IntakeFile file) {
        long off = Math.abs(found(file).frame() - file.seat().place().frame());
        boolean sure = found(file).certainty() == Certainty.SURE;
        return sure ? off > 0 : off > HEARD_APART_SECONDS * intake.rate().hertz();
    }

    private void place(List<IntakeFile> files, long frames) {
        boolean sure = files.stream().allMatch(file -> found(file).certainty() == Certainty.SURE);
        String who = files.size() == 1 ? "“" + files.get(0).name() + "” says" : files.size() + " files say";
        String what = who + " nothing of " + (files.size() == 1 ? "its" : "their") + " place. "
                + (sure ? "In the mix " : "In the mix, as it seems, ")
                + (files.size() == 1 ? "it lies " : "they all lie ")
                + seconds(frames) + (frames > 0 ? " later" : " earlier")
                + (sure ? ", to the sample." : "; not sure to the sample.");
        List<String> ids = ids(files);
        questions.add(new Question(
                Kind.PLACE,
                ids,
                what,
                List.of(
                        new Answer(
                                "Put " + (files.size() == 1 ? "it" : "them") + " there",
                                new Correction.LieAsFound(ids),
                                sure),
                        new Answer("Leave at the start", new Correction.Shift(ids, 0), false))));
    }

    private void noPlaces() {
        List<IntakeFile> loose = used().stream()
                .filter(file -> file.seat().place().by() == By.START
                        && !isFound(file)
                        && file.heard().peak() > 0)
                .toList();
        long usual = usualLength();
        List<IntakeFile> odd = loose.stream()
                .filter(file -> Math.abs(length(file) - usual)
                        > SAME_LENGTH_SECONDS * intake.rate().hertz())
                .toList();
        if (odd.isEmpty()) {
            return;
        }
        boolean looked = odd.stream().anyMatch(file -> found(file) != null);
        String who = odd.size() == 1 ? "“" + odd.get(0).name() + "” says" : odd.size() + " files say";
        questions.add(new Question(
                Kind.NO_PLACE,
                ids(odd),
                who + " nothing of " + (odd.size() == 1 ? "its place and is" : "their places and are")
                        + " not as long as the others"
                        + (looked
                                ? "; the mix does not tell where " + (odd.size() == 1 ? "it belongs." : "they belong.")
                                : ", and there is no mix to find " + (odd.size() == 1 ? "it" : "them") + " in."),
                List.of(new Answer(
                        (odd.size() == 1 ? "It starts" : "They start") + " with the others",
                        new Correction.Shift(ids(odd), 0),
                        false))));
    }

    /** The length that most files have, in frames of the session; that of the longest where none is more common. */
    private long usualLength() {
        Map<Long, Long> counts = used().stream().collect(Collectors.groupingBy(this::length, Collectors.counting()));
        return counts.entrySet().stream()
                .max(Map.Entry.<Long, Long>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .orElse(0L);
    }

    private long length(IntakeFile file) {
        return file.recording().framesAt(intake.rate());
    }

    private void foundOtherwise() {
        for (IntakeFile file : used()) {
            if (!isFound(file)) {
                continue;
            }
            Sighting found = found(file);
            SampleRate rate = found.trueRate();
            List<String> one = List.of(file.id());
            if (rate != null && !rate.equals(file.recording().rate())) {
                questions.add(new Question(
                        Kind.WRONG_RATE,
                        one,
                        "“" + file.name() + "” only fits the mix at " + kilohertz(rate) + "; its header says "
                                + kilohertz(file.recording().rate()) + ". It would sound at the wrong speed.",
                        List.of(new Answer(
                                "Take it as " + kilohertz(rate),
                                new Correction.Several(List.of(
                                        new Correction.HasRate(one, rate.hertz()), new Correction.LieAsFound(one))),
                                found.certainty() == Certainty.SURE))));
            }
            if (found.driftPpm() != 0) {
                double end = file.recording().frames()
                        * Math.abs(found.driftPpm())
                        / 1e6
                        / file.recording().rate().hertz();
                questions.add(new Question(
                        Kind.DRIFT,
                        one,
                        String.format(
                                Locale.ROOT,
                                "“%s” was recorded by another clock, %.1f millionths too %s: by its end it is off by %.1f ms.",
                                file.name(),
                                Math.abs(found.driftPpm()),
                                found.driftPpm() > 0 ? "fast" : "slow",
                                end * 1000),
                        List.of()));
            }
            if (found.inverted() != file.seat().place().inverted() && found.certainty() == Certainty.SURE) {
                questions.add(new Question(
                        Kind.POLARITY,
                        one,
                        "“" + file.name() + "” lies in the mix with its polarity turned.",
                        List.of(new Answer("Turn it over", new Correction.TurnOver(one, found.inverted()), false))));
            }
        }
    }

    private void sameSounds() {
        for (SameSound same : intake.same()) {
            IntakeFile file = intake.file(same.file());
            IntakeFile of = intake.file(same.of());
            if (file.seat().use() != Use.ROW || of.seat().use() != Use.ROW) {
                continue;
            }
            boolean exact = same.gainDb() == 0 && !same.inverted();
            String how = exact
                    ? "sample for sample"
                    : String.format(Locale.ROOT, "%+.1f dB%s", same.gainDb(), same.inverted() ? ", turned over" : "");
            questions.add(new Question(
                    Kind.SAME_SOUND,
                    List.of(file.id(), of.id()),
                    "“" + file.name() + "” is the same sound as “" + of.name() + "”, " + how + ".",
                    List.of(
                            new Answer(
                                    "Leave “" + file.name() + "” out",
                                    new Correction.UseAs(List.of(file.id()), Use.LEFT_OUT),
                                    exact),
                            new Answer(
                                    "Leave “" + of.name() + "” out",
                                    new Correction.UseAs(List.of(of.id()), Use.LEFT_OUT),
                                    false))));
        }
    }

    /** Numbers behind a name may count takes, or players. */
    private void takesOrRows() {
        intake.rows().forEach((name, files) -> {
            Set<Integer> takes = files.stream().map(file -> file.seat().take()).collect(Collectors.toSet());
            boolean said =
                    files.stream().allMatch(file -> file.seat().note().matches("(?i).*\\b(?:take|tk)[\\s_]*\\d.*"));
            if (takes.size() > 1 && !said && !intake.agreed().contains(name)) {
                List<String> ids = ids(files);
                List<Correction> rows = new ArrayList<>();
                for (IntakeFile file : files) {
                    rows.add(new Correction.InRow(
                            List.of(file.id()), name + " " + file.seat().take()));
                    rows.add(new Correction.AsTake(List.of(file.id()), 1));
                }
                questions.add(new Question(
                        Kind.TAKES_OR_ROWS,
                        ids,
                        files.size() + " files are called “" + name
                                + "” and numbered: takes of one row, or rows of their own?",
                        List.of(
                                new Answer("Takes of one row", new Correction.Agreed(name), false),
                                new Answer("Rows of their own", new Correction.Several(rows), false))));
            }
        });
    }

    /** A side whose other side does not fit. */
    private void loneSides() {
        intake.rows().forEach((name, files) -> {
            List<IntakeFile> sides = files.stream()
                    .filter(file -> file.seat().side() != Side.WHOLE)
                    .toList();
            for (IntakeFile left : sides) {
                boolean isLeft = left.seat().side() == Side.LEFT;
                boolean alone = sides.stream()
                        .noneMatch(right -> right.seat().side() != left.seat().side()
                                && right.seat().take() == left.seat().take()
                                && (isLeft ? SessionFromIntake.fit(left, right) : SessionFromIntake.fit(right, left)));
                if (alone) {
                    List<String> one = List.of(left.id());
                    questions.add(new Question(
                            Kind.LONE_SIDE,
                            one,
                            "“" + left.name() + "” is the " + (isLeft ? "left" : "right") + " side of “" + name
                                    + "”, and no " + (isLeft ? "right" : "left") + " side fits it.",
                            List.of(new Answer(
                                    "A row of its own",
                                    new Correction.Several(List.of(
                                            new Correction.AsSide(one, Side.WHOLE),
                                            new Correction.InRow(one, name + (isLeft ? " L" : " R")))),
                                    true))));
                }
            }
        });
    }

    /** A row that was printed at several stations would sound several times. */
    private void stations() {
        List<IntakeFile> taken = intake.sounds().stream()
                .filter(file -> !file.station().isEmpty() && file.seat().use() != Use.REFERENCE)
                .toList();
        Set<String> several = taken.stream()
                .collect(Collectors.groupingBy(
                        file -> file.seat().row(), Collectors.mapping(IntakeFile::station, Collectors.toSet())))
                .entrySet()
                .stream()
                .filter(row -> row.getValue().size() > 1)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        if (several.isEmpty() || intake.agreed().contains(STATIONS)) {
            return;
        }
        List<IntakeFile> twins = taken.stream()
                .filter(file -> several.contains(file.seat().row()))
                .toList();
        List<Answer> answers = new ArrayList<>();
        for (String station : twins.stream().map(IntakeFile::station).distinct().toList()) {
            List<IntakeFile> here = twins.stream()
                    .filter(file -> file.station().equals(station))
                    .toList();
            List<IntakeFile> others = twins.stream()
                    .filter(file -> here.stream()
                                    .anyMatch(one ->
                                            one.seat().row().equals(file.seat().row()))
                            && !file.station().equals(station))
                    .toList();
            answers.add(new Answer(
                    "At " + station + " (" + here.size() + ")",
                    new Correction.Several(List.of(
                            new Correction.UseAs(ids(here), Use.ROW),
                            new Correction.UseAs(ids(others), Use.LEFT_OUT),
                            new Correction.Agreed(STATIONS))),
                    false));
        }
        questions.add(new Question(
                Kind.STATIONS,
                ids(twins),
                (several.size() == 1 ? "1 row came" : several.size() + " rows came")
                        + " more than once, from several stations of the way into the mix. Only the driest is heard now."
                        + " Which shall be?",
                answers));
    }

    private String seconds(long frames) {
        double seconds = Math.abs((double) frames) / intake.rate().hertz();
        return seconds < 0.01
                ? Math.abs(frames) + " samples"
                : String.format(Locale.ROOT, "%d:%06.3f", (int) (seconds / 60), seconds % 60);
    }

    private static String kilohertz(SampleRate rate) {
        return (rate.hertz() % 1_000 == 0
                        ? Integer.toString(rate.hertz() / 1_000)
                        : Double.toString(rate.hertz() / 1_000.0))
                + " kHz";
    }

    private static List<String> ids(List<IntakeFile> files) {
        return files.stream().map(IntakeFile::id).toList();
    }
}
