package apodex.intake;

import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import apodex.session.Recording;
import apodex.session.Station;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** One thing that came dry and as it was rendered with its effects would sound twice: it is one row that holds both. */
final class AskWetAndDry extends Asking {
    /** Stands for this question among those agreed on; no row can be called so. */
    private static final String WET_AND_DRY = "/wet and dry";

    private static final Set<String> DRY = Set.of("dry", "di", "raw", "pre", "clean", "direct");
    private static final Set<String> WET = Set.of("wet", "amp", "post", "fx", "effects", "processed", "cab", "cabinet");
    /** Of the shorter one's length: two renderings of one thing lie over each other. */
    private static final double MOST = 0.8;

    /** What a row's name says of how it was taken. */
    private enum Taken {
        DRY,
        NOT_SAID,
        WET
    }

    /**
     * A row by its name.
     *
     * @param base the name without what says how it was taken
     */
    private record Named(String name, String base, Taken taken, List<IntakeFile> files) {}

    private record Pair(Named dry, Named wet) {}

    AskWetAndDry(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        if (intake.agreed().contains(WET_AND_DRY)) {
            return;
        }
        Map<String, List<Named>> byBase = new LinkedHashMap<>();
        intake.rows().forEach((name, files) -> {
            if (files.stream().allMatch(file -> file.station().isEmpty())) {
                Named named = named(name, files);
                byBase.computeIfAbsent(named.base().toLowerCase(Locale.ROOT), base -> new ArrayList<>())
                        .add(named);
            }
        });
        List<Pair> pairs = new ArrayList<>();
        byBase.values().forEach(rows -> pair(rows).ifPresent(pairs::add));
        if (!pairs.isEmpty()) {
            questions.add(question(pairs));
        }
    }

    /** Only where nothing else could be meant. */
    private static Optional<Pair> pair(List<Named> rows) {
        List<Named> wet = rows.stream().filter(row -> row.taken() == Taken.WET).toList();
        if (rows.size() != 2 || wet.size() != 1) {
            return Optional.empty();
        }
        Named dry = rows.get(rows.get(0) == wet.get(0) ? 1 : 0);
        return takes(wet.get(0)) == 1 && liesOver(dry, wet.get(0))
                ? Optional.of(new Pair(dry, wet.get(0)))
                : Optional.empty();
    }

    private static long takes(Named row) {
        return row.files().stream().map(file -> file.seat().take()).distinct().count();
    }

    private static boolean liesOver(Named one, Named other) {
        double a = seconds(one);
        double b = seconds(other);
        return Math.min(a, b) >= MOST * Math.max(a, b);
    }

    private static double seconds(Named row) {
        Recording recording = row.files().get(0).recording();
        return recording.rate().seconds(recording.frames());
    }

    private static Named named(String name, List<IntakeFile> files) {
        int blank = name.lastIndexOf(' ');
        Taken byName = blank < 0 ? Taken.NOT_SAID : taken(name.substring(blank + 1));
        String base = byName == Taken.NOT_SAID ? name : name.substring(0, blank);
        Taken byFolder = Taken.NOT_SAID;
        for (String folder : files.get(0).folder().split("/")) {
            byFolder = taken(folder) == Taken.NOT_SAID ? byFolder : taken(folder);
            base = taken(folder) != Taken.NOT_SAID ? withoutFolder(base, folder) : base;
        }
        return new Named(name, base, byName == Taken.NOT_SAID ? byFolder : byName, files);
    }

    /** Rows of one name in two folders are called after them. */
    private static String withoutFolder(String name, String folder) {
        return name.toLowerCase(Locale.ROOT).startsWith(folder.toLowerCase(Locale.ROOT) + " ")
                ? name.substring(folder.length() + 1)
                : name;
    }

    private static Taken taken(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        return DRY.contains(lower) ? Taken.DRY : WET.contains(lower) ? Taken.WET : Taken.NOT_SAID;
    }

    private Question question(List<Pair> pairs) {
        List<String> ids = new ArrayList<>();
        List<Correction> join = new ArrayList<>();
        for (Pair pair : pairs) {
            List<String> dry = ids(pair.dry().files());
            List<String> wet = ids(pair.wet().files());
            ids.addAll(dry);
            ids.addAll(wet);
            boolean isFree = intake.rows().keySet().stream()
                    .noneMatch(name -> name.equalsIgnoreCase(pair.dry().base()));
            String row = isFree ? pair.dry().base() : pair.dry().name();
            join.add(new Correction.InRow(dry, row));
            join.add(new Correction.Beside(wet, row, Station.INSERTS));
            Place host = pair.dry().files().get(0).seat().place();
            if (pair.wet().files().stream().allMatch(file -> file.seat().place().by() == Place.By.START)
                    && host.by() != Place.By.START) {
                join.add(new Correction.LieAt(wet, host.frame()));
            }
        }
        join.add(new Correction.Agreed(WET_AND_DRY));
        Pair first = pairs.get(0);
        String words = pairs.size() == 1
                ? "“" + first.dry().name() + "” and “" + first.wet().name()
                        + "” look like one thing, dry and as it was rendered: together they would sound twice."
                : pairs.size() + " rows came twice, dry and as they were rendered, “"
                        + first.dry().name() + "” and “" + first.wet().name()
                        + "” for one: together they would sound twice.";
        return new Question(
                Kind.WET_AND_DRY,
                ids,
                words,
                List.of(
                        new Answer("One row each, heard as rendered", new Correction.Several(join), true),
                        new Answer("Rows of their own", new Correction.Agreed(WET_AND_DRY), false)));
    }
}
