package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import apodex.measure.SoundScan;
import apodex.session.AddRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.RowIds;
import apodex.session.RowKind;
import apodex.session.SessionEdit;
import apodex.session.SetOutputs;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.session.Together;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/**
 * One voice sung several times, planned as files of their own: together they can be one stereo stem. Singers do not sing in step with
 * themselves to the sample, so energies add: the stem is brought down by what all of them have beyond the loudest.
 */
final class DoubledVoices extends Check {
    private static final Set<String> DOUBLING = Set.of(
            "double", "doubles", "doubled", "doubling", "dbl", "dubl", "doppel", "doppelung", "doublage", "doble");
    private static final Set<String> SIDES = Set.of("l", "r", "left", "right");
    /** Less than this nobody turns down. */
    private static final double LEAST_DB = 0.5;

    DoubledVoices() {
        super("doubledVoices");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        Map<String, List<Row>> voices = new LinkedHashMap<>();
        at.sources().stream()
                .filter(row -> at.goesOut(row) && !row.strip().muted() && Roles.of(row) == Role.VOICES)
                .forEach(row -> voices.computeIfAbsent(voice(row), name -> new ArrayList<>())
                        .add(row));
        voices.forEach((name, rows) -> {
            boolean isDoubled = rows.size() > 1 && rows.stream().anyMatch(DoubledVoices::isDouble);
            OptionalDouble more = isDoubled ? more(at, rows) : OptionalDouble.empty();
            if (more.isPresent() && more.getAsDouble() >= LEAST_DB) {
                found.accept(finding(at, rows, more.getAsDouble()));
            }
        });
    }

    private Finding finding(Look at, List<Row> rows, double more) {
        String db = Look.db(more);
        Finding finding = Finding.of(
                        this,
                        Severity.KNOW,
                        "One voice, several files",
                        RowNames.of(rows) + " are one voice, sung "
                                + (rows.size() == 2 ? "twice" : rows.size() + " times")
                                + ". Together they are " + db
                                + " dB louder than the loudest of them; as one stereo stem that can be taken off.",
                        Look.ids(rows))
                .with("Doubling adds", db + " dB");
        Optional<Row> group = group(at, rows);
        List<String> route = new ArrayList<>(List.of(rows.get(0).id()));
        group.ifPresent(bus -> route.add(bus.id()));
        route.add(at.session().mix().id());
        finding = finding.showing(Evidence.route(route));
        if (group.isPresent()) {
            return finding.about("grouped")
                    .offering(Remedy.printing(
                            "Print " + group.get().name() + " in their place, " + db + " dB down",
                            stem(at, rows, group.get(), -more)))
                    .offering(Remedy.printing("The same, and set its level by ear", stem(at, rows, group.get(), 0)));
        }
        List<List<String>> outputs =
                rows.stream().map(row -> row.strip().outputs()).distinct().toList();
        return outputs.size() == 1 ? finding.offering(grouping(rows, outputs.get(0))) : finding;
    }

    /** How much louder, in dB, all are together than the loudest of them; empty while not all are measured. */
    private static OptionalDouble more(Look at, List<Row> rows) {
        double sum = 0;
        double loudest = 0;
        for (Row row : rows) {
            double energy = 0;
            for (Clip clip : row.clips()) {
                Optional<SoundScan> scan = at.scan(clip);
                if (scan.isEmpty()) {
                    return OptionalDouble.empty();
                }
                energy += scan.get()
                                .measure(clip.firstChannel(), clip.channels(), at.heard(clip))
                                .energy()
                        / clip.channels()
                        * Math.pow(10, clip.gainDb() / 10);
            }
            energy *= Math.pow(10, row.strip().faderDb() / 10);
            sum += energy;
            loudest = Math.max(loudest, energy);
        }
        return loudest == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.rint(100 * Math.log10(sum / loudest)) / 10);
    }

    /** A bus that holds just these. */
    private static Optional<Row> group(Look at, List<Row> rows) {
        return at.session().rows().stream()
                .filter(bus -> bus.kind() == RowKind.BUS
                        && Set.copyOf(at.feeding(bus)).equals(Set.copyOf(rows))
                        && rows.stream().allMatch(row -> row.strip().outputs().equals(List.of(bus.id()))))
                .findFirst();
    }

    private static Adjustment stem(Look at, List<Row> rows, Row bus, double db) {
        return new Adjustment(
                List.of(new Choice(bus.id(), Station.RAW)),
                Choices.of(at, rows),
                Map.of(bus.id(), db),
                Map.of(bus.id(), Sides.STEREO),
                null,
                null);
    }

    /** What is heard stays: a bus at rest adds them where they were added before. */
    private static Remedy grouping(List<Row> rows, List<String> outputs) {
        Row first = rows.stream().filter(row -> !isDouble(row)).findFirst().orElse(rows.get(0));
        String name = first.name() + " Group";
        BusRow bus = new BusRow(RowIds.fresh(), name, Strip.feeding(outputs.toArray(String[]::new)));
        List<SessionEdit> edits = new ArrayList<>();
        edits.add(new AddRow(bus, null));
        rows.forEach(row -> edits.add(new SetOutputs(row.id(), List.of(bus.id()))));
        return Remedy.harmless("Make one group of them", new Together("Group " + first.name(), edits));
    }

    private static List<String> words(Row row) {
        return Arrays.asList(row.name().toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
    }

    private static boolean isDouble(Row row) {
        return words(row).stream().anyMatch(DOUBLING::contains);
    }

    /** The name without what tells one singing from the next. */
    private static String voice(Row row) {
        return words(row).stream()
                .filter(word -> !DOUBLING.contains(word) && !SIDES.contains(word) && !word.matches("\\d+"))
                .collect(Collectors.joining(" "));
    }
}
