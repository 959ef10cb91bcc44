package apodex.proof;

import apodex.handoff.Cover;
import apodex.handoff.Outgoing;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.session.Row;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Ways;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * The files of a section that laid together must be the reference mix, and if there are none such, why not. Told from the shares
 * alone: files are meant to add up when what they carry together is what the mix is made of.
 *
 * @param prints    what is to be added
 * @param reference the reference mix; two files when its sides are apart
 * @param whyNot    why these are not meant to add up, for people; empty when they are
 * @param missing   names of rows of which something is missing in the files, or too much
 */
record SumSet(List<Print> prints, List<Print> reference, String whyNot, List<String> missing) {
    private static final int MOST_NAMES = 3;

    static SumSet of(Outgoing outgoing, Plan plan, int section) {
        List<Print> here = plan.prints().stream()
                .filter(print -> print.section() == section && !print.isClick())
                .toList();
        List<Print> reference = here.stream().filter(Print::isReference).toList();
        Cover cover = Cover.of(outgoing, row -> !atTheEnd(here, outgoing, row).isEmpty());
        List<Print> prints = new ArrayList<>();
        cover.rows().forEach(row -> prints.addAll(atTheEnd(here, outgoing, row)));
        Set<String> missing = new LinkedHashSet<>();
        cover.without().forEach(row -> missing.add(row.name()));
        List<String> off = off(outgoing, cover.rows());
        if (missing.isEmpty()) {
            missing.addAll(off);
        }
        String whyNot = whyNot(outgoing, cover, plan, here, prints, reference, off);
        return new SumSet(prints, reference, whyNot, whyNot.isEmpty() ? List.of() : List.copyOf(missing));
    }

    private static String whyNot(
            Outgoing outgoing,
            Cover cover,
            Plan plan,
            List<Print> here,
            List<Print> prints,
            List<Print> reference,
            List<String> off) {
        if (reference.isEmpty()) {
            return "there is no reference mix among the files";
        }
        if (!cover.without().isEmpty()) {
            return without(cover.without(), plan, here);
        }
        if (prints.isEmpty()) {
            return "no file was taken where rows enter the mix";
        }
        if (!off.isEmpty()) {
            return outgoing.isLeftOut()
                    ? "returns are left out"
                    : "something of " + named(off) + " is in no file, or in two";
        }
        if (cover.rows().stream().anyMatch(outgoing::isActedOnAlone)) {
            return "shared effects act on each file alone";
        }
        List<String> elsewhere = prints.stream()
                .filter(print -> print.station() == Station.BUS)
                .flatMap(print -> outgoing.row(print.source()).stream())
                .filter(row -> row.strip().broughtAt(Station.BUS).isPresent())
                .map(Row::name)
                .distinct()
                .toList();
        if (!elsewhere.isEmpty()) {
            return named(elsewhere) + (elsewhere.size() == 1 ? " was" : " were")
                    + " rendered elsewhere, beside the mix";
        }
        List<String> folded = prints.stream()
                .filter(print -> print.sides() == Channels.MONO_SUM && !isMono(reference))
                .map(Print::rowName)
                .toList();
        return folded.isEmpty() ? "" : named(folded) + (folded.size() == 1 ? " is" : " are") + " folded to mono";
    }

    private static String without(List<Row> rows, Plan plan, List<Print> here) {
        List<String> before = rows.stream()
                .filter(row -> here.stream().anyMatch(print -> print.source().equals(row.id())))
                .map(Row::name)
                .toList();
        List<String> edited = rows.stream()
                .filter(row -> plan.edits().hold(row.id()))
                .map(Row::name)
                .filter(name -> !before.contains(name))
                .toList();
        List<String> gone = rows.stream()
                .map(Row::name)
                .filter(name -> !before.contains(name) && !edited.contains(name))
                .toList();
        List<String> reasons = new ArrayList<>();
        if (!edited.isEmpty()) {
            reasons.add(named(edited) + (edited.size() == 1 ? " goes" : " go") + " out as edits");
        }
        if (!before.isEmpty()) {
            reasons.add(named(before) + (before.size() == 1 ? " stands" : " stand") + " before the mix");
        }
        if (!gone.isEmpty()) {
            reasons.add(named(gone) + (gone.size() == 1 ? " has" : " have") + " no file");
        }
        return String.join(", ", reasons);
    }

    /** Some names, and how many more there are. */
    static String named(List<String> names) {
        int more = names.size() - MOST_NAMES;
        return more > 0
                ? String.join(", ", names.subList(0, MOST_NAMES)) + " and " + more + " more"
                : String.join(", ", names);
    }

    /** Whether the reference mix is folded to mono, so that everything can be held against it as mono. */
    static boolean isMono(List<Print> reference) {
        return reference.stream().allMatch(print -> print.sides() == Channels.MONO_SUM);
    }

    /** The files of a row at the last station it has: what is not offered after it sounds the same. */
    private static List<Print> atTheEnd(List<Print> here, Outgoing outgoing, Row row) {
        List<Station> offered = outgoing.stations(row);
        return offered.isEmpty()
                ? List.of()
                : here.stream()
                        .filter(print ->
                                print.source().equals(row.id()) && print.station() == offered.get(offered.size() - 1))
                        .toList();
    }

    /** Names of rows with sound of their own whose ways into the mix are not those of the files, each once. */
    private static List<String> off(Outgoing outgoing, List<Row> rows) {
        long[] sum = new long[outgoing.ofMix().length];
        for (Row row : rows) {
            long[] share = outgoing.share(row);
            for (int i = 0; i < sum.length; i++) {
                sum[i] = Ways.plus(sum[i], share[i]);
            }
        }
        return outgoing.sources().stream()
                .filter(row -> sum[outgoing.place(row)] != outgoing.ofMix()[outgoing.place(row)])
                .map(Row::name)
                .toList();
    }
}
