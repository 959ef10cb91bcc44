package apodex.parcel;

import apodex.audio.Dither;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.handoff.RowWidth;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import apodex.signal.Exactness;
import apodex.signal.Placed;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Says what was done to the sound on its way into the files, and what was not: stations, sharing, pan law, rates, dither, cuts, trims. */
final class HowTaken {
    private static final int NAMES_AT_MOST = 8;

    private final Session session;
    private final Plan plan;
    private final Proof proof;
    private final List<String> said = new ArrayList<>();

    private HowTaken(Session session, Plan plan, Proof proof) {
        this.session = session;
        this.plan = plan;
        this.proof = proof;
    }

    /** A paragraph each. @param session as the handoff sees it */
    static List<String> of(Session session, Plan plan, Proof proof) {
        HowTaken taken = new HowTaken(session, plan, proof);
        taken.stations();
        taken.sharing();
        taken.panLaw();
        taken.rates();
        taken.dither();
        taken.held();
        taken.cuts();
        taken.trims();
        return taken.said;
    }

    private void stations() {
        for (Station station : Station.values()) {
            if (plan.prints().stream().anyMatch(print -> print.station() == station && !print.isClick())) {
                said.add(words(station));
            }
        }
        if (plan.prints().stream().anyMatch(Print::isClick)) {
            said.add(
                    "The click is made from the tempo map: a knock on every beat, the first of a bar higher and louder.");
        }
    }

    private static String words(Station station) {
        return switch (station) {
            case RAW ->
                "Raw: clips with their gain and fades, or an instrument's plain sound; of a bus the plain sum. No effects.";
            case SHAPED -> "Shaped: Raw with the effects that are part of the sound.";
            case INSERTS -> "Inserts: Raw with all effects of the row, at unity.";
            case FADER -> "Fader: with level, pan and moves; of the mix, the reference.";
            case BUS -> "Bus: on through every bus, up to the mix.";
            case MIX -> "Mix: through the effects and the level of the mix as well.";
        };
    }

    private void sharing() {
        if (plan.prints().stream().anyMatch(print -> print.station().compareTo(Station.FADER) > 0)) {
            said.add(switch (plan.sharing().returns()) {
                        case OWN_FILES -> "Returns are files of their own; rows come without them.";
                        case SHARED_OUT -> "Returns are shared out: every row carries its own share of them.";
                        case LEFT_OUT -> "Returns are left out.";
                    } + " "
                    + switch (plan.sharing().dynamics()) {
                        case IN_PLACE ->
                            "Compressors and the like of buses and mix act on each file as they did on the sum: the files add up.";
                        case ALONE ->
                            "Effects of buses and mix act on each file as in solo: the files do not add up to the mix.";
                    });
        }
    }

    /** What centre means, and what a program with another law makes of it. */
    private void panLaw() {
        if (plan.prints().stream()
                .noneMatch(print -> !print.isClick() && print.station().compareTo(Station.FADER) < 0)) {
            return;
        }
        double law = session.panLaw().centreDb();
        said.add((law == 0
                        ? "Pan law 0 dB: a mono row in the middle keeps its file’s level on each side, and is 3 dB louder"
                                + " hard left or right;"
                        : "Pan law " + written(law) + " dB: a mono row in the middle is " + Figures.number(-law)
                                + " dB below its file on each side, and at its level hard left or right;")
                + " a stereo row keeps its level in the middle (balance). In a program with another law, mono rows in the middle"
                + " come out louder or softer by the difference: "
                + Stream.of(0.0, -3.0, -4.5, -6.0)
                        .filter(other -> other != law)
                        .map(other -> String.format(Locale.ROOT, "%+.1f dB at %s", other - law, written(other))
                                .replace("-", "−"))
                        .collect(Collectors.joining(", "))
                + ". Files taken at Fader or later have level and pan in them: lay them"
                + " at 0 dB in the middle.");
        RowWidth width = new RowWidth(session);
        Set<String> narrowed = plan.prints().stream()
                .filter(print -> !print.isClick()
                        && print.channels() == 1
                        && print.station().compareTo(Station.FADER) < 0
                        && proof.files().get(plan.prints().indexOf(print)).placed() == Placed.MIDDLE)
                .filter(print -> session.row(print.source())
                        .filter(row -> width.at(row, print.station()) == 2)
                        .isPresent())
                .map(Print::rowName)
                .collect(Collectors.toCollection(LinkedHashSet::new));
        if (!narrowed.isEmpty() && law != 0) {
            said.add("Mono files of stereo rows: both sides are the same, one is in the file. With this pan law raise "
                    + names(List.copyOf(narrowed)) + " by " + Figures.number(-law)
                    + " dB where they lie in the middle to have the session’s balance.");
        }
        List<String> sides = new ArrayList<>();
        for (FileProof file : proof.files()) {
            if (file.placed() == Placed.LEFT || file.placed() == Placed.RIGHT) {
                sides.add(file.name() + " " + (file.placed() == Placed.LEFT ? "left" : "right"));
            }
        }
        if (!sides.isEmpty()) {
            said.add("One side of the picture: pan these hard: " + names(sides) + ".");
        }
    }

    private static String written(double law) {
        return Figures.number(law).replace("-", "−");
    }

    private void rates() {
        Map<String, List<String>> byRate = new TreeMap<>();
        for (Recording recording : heard()) {
            if (!recording.rate().equals(session.rate())) {
                byRate.computeIfAbsent(recording.rate().label(), rate -> new ArrayList<>())
                        .add(recording.fileName());
            }
        }
        byRate.forEach((rate, files) -> said.add(
                "Resampled from " + rate + " to the session’s " + session.rate().label() + ": " + names(files) + "."));
        if (!plan.rate().equals(session.rate())) {
            said.add("All files are resampled from the session’s "
                    + session.rate().label() + " to " + plan.rate().label() + ".");
        } else if (byRate.isEmpty()) {
            said.add("Nothing was resampled.");
        }
    }

    private Set<Recording> heard() {
        return rows().stream()
                .flatMap(row -> Stream.concat(
                        row.clips().stream(),
                        row.strip().brought().stream().flatMap(brought -> brought.clips().stream())))
                .map(clip -> session.recording(clip.recording()))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Rows with sound of their own that is in files: printed themselves, or on their way into a sum that is. */
    private Set<Row> rows() {
        Set<Row> rows = new LinkedHashSet<>();
        plan.prints().stream()
                .flatMap(print -> session.row(print.source()).stream())
                .distinct()
                .forEach(printed -> {
                    rows.add(printed);
                    session.rows().stream()
                            .filter(row -> !row.strip().muted()
                                    && Routing.downstream(session, row, Routing.Through.OUTPUTS_AND_SENDS)
                                            .contains(printed))
                            .forEach(rows::add);
                });
        rows.removeIf(row -> !row.kind().isSource());
        return rows;
    }

    private void dither() {
        List<String> dithered = plan.prints().stream()
                .filter(print -> Dither.policy(isExact(print), plan.depth().sample()) != Dither.NONE)
                .map(Print::file)
                .toList();
        if (dithered.isEmpty()) {
            said.add("No file carries dither.");
        } else {
            said.add("Triangular dither of two steps is in "
                    + (dithered.size() == plan.prints().size() ? "every file" : names(dithered))
                    + ": 16 bits do not hold the sound exactly.");
        }
    }

    /** Whether a file holds its recording sample for sample: nothing is rounded then. */
    private boolean isExact(Print print) {
        return !print.isClick()
                && print.trimDb() == 0
                && plan.rate().equals(session.rate())
                && session.row(print.source())
                        .flatMap(row -> row.placedAt(print.station()))
                        .filter(clips ->
                                Exactness.isExact(session, clips, plan.depth().sample()))
                        .isPresent();
    }

    private void held() {
        List<String> held = proof.files().stream()
                .filter(file -> file.overs() > 0)
                .map(file -> file.name() + " (" + file.overs() + (file.overs() == 1 ? " sample)" : " samples)"))
                .toList();
        said.add(
                held.isEmpty()
                        ? "Nothing was clipped on the way into the files."
                        : "Held at full scale: " + names(held) + ".");
    }

    private void cuts() {
        for (PlannedSection section : plan.sections()) {
            String of = plan.sections().size() == 1 ? "" : " of " + section.name();
            long start = section.passage().range().start();
            long end = section.end(plan.rate(), session.rate());
            say("Begin before the start" + of + ", and are cut there: ", reaching(start));
            say("Go on after the end" + of + ", and are cut there: ", reaching(end));
        }
    }

    private void say(String what, List<String> rows) {
        if (!rows.isEmpty()) {
            said.add(what + names(rows) + ".");
        }
    }

    private List<String> reaching(long frame) {
        return rows().stream()
                .filter(row -> row.clips().stream()
                        .map(Clip::range)
                        .anyMatch(clip -> clip.start() < frame && clip.end() > frame))
                .map(Row::name)
                .toList();
    }

    private void trims() {
        List<String> trimmed = plan.prints().stream()
                .filter(print -> print.trimDb() != 0)
                .map(print -> print.file() + " "
                        + String.format(Locale.ROOT, "%+.1f dB", print.trimDb()).replace("-", "−"))
                .toList();
        said.add(
                trimmed.isEmpty()
                        ? "No level was normalised, and nothing was limited that the session does not limit."
                        : "Trimmed: " + names(trimmed) + ". The opposite brings the session’s balance back.");
    }

    private static String names(List<String> names) {
        return names.size() <= NAMES_AT_MOST
                ? String.join(", ", names)
                : String.join(", ", names.subList(0, NAMES_AT_MOST)) + " and " + (names.size() - NAMES_AT_MOST)
                        + " more";
    }
}
