package apodex.proof;

import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.handoff.Print;
import apodex.measure.StereoImage;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.ReturnRow;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Strip;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.signal.Station;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * The files of a section that laid together must be the reference mix: one file for every way into the mix, each taken
 * where nothing more happens to it.
 */
final class SumSet {
    private final Session session;
    private final Plan plan;
    private final int section;
    private final Set<Print> prints = new LinkedHashSet<>();
    private final Set<String> missing = new LinkedHashSet<>();

    private SumSet(Session session, Plan plan, int section) {
        this.session = session;
        this.plan = plan;
        this.section = section;
    }

    /** @param session as the handoff sees it */
    static SumSet of(Session session, Plan plan, int section) {
        SumSet set = new SumSet(session, plan, section);
        for (Row row : session.rows()) {
            boolean into = row.strip().outputs().contains(session.mix().id());
            if (into && (!(row instanceof ReturnRow) || plan.sharing().returns() == Returns.OWN_FILES)) {
                set.cover(row);
            }
        }
        return set;
    }

    /** The files that are to be added. */
    List<Print> prints() {
        return List.copyOf(prints);
    }

    /** Names of rows that reach the mix and of which there is no file that could be added. */
    List<String> missing() {
        return List.copyOf(missing);
    }

    /** Why these files are not meant to add up, for people; empty when they are. */
    String whyNot() {
        if (plan.prints().stream().noneMatch(print -> print.section() == section && print.isReference())) {
            return "there is no reference mix among the files";
        }
        if (prints.isEmpty()) {
            return "no file was taken where rows enter the mix";
        }
        if (plan.sharing().returns() == Returns.LEFT_OUT
                && session.rows().stream().anyMatch(row -> !row.strip().sends().isEmpty())) {
            return "returns are left out";
        }
        if (plan.sharing().dynamics() == Dynamics.ALONE
                && prints.stream().anyMatch(print -> print.station().compareTo(Station.FADER) > 0)) {
            return "shared effects act on each file alone";
        }
        return "";
    }

    private void cover(Row row) {
        if (row.strip().muted()
                || row.strip().faderDb() <= Strip.SILENT_DB
                        && row.strip().faderMoves().isEmpty()
                || !sounds(row)) {
            return;
        }
        List<Print> own = atTheEnd(row);
        if (!own.isEmpty()) {
            prints.addAll(own);
        } else if (row instanceof BusRow) {
            Routing.feeding(session, row, Routing.Through.OUTPUTS).forEach(this::cover);
        } else {
            missing.add(row.name());
        }
    }

    /** The files of a row at the last station it has: what is not offered after it sounds the same. */
    private List<Print> atTheEnd(Row row) {
        List<Station> offered = plan.rows().stream()
                .filter(each -> each.row().equals(row.id()))
                .map(PlanRow::stations)
                .findFirst()
                .orElse(List.of());
        return offered.isEmpty()
                ? List.of()
                : plan.prints().stream()
                        .filter(print -> print.section() == section
                                && print.source().equals(row.id())
                                && print.station() == offered.get(offered.size() - 1))
                        .toList();
    }

    private boolean sounds(Row row) {
        if (row instanceof AudioRow audio) {
            boolean silent = plan.rows().stream()
                    .anyMatch(each -> each.row().equals(row.id()) && each.image() == StereoImage.Kind.SILENT);
            return !audio.clips().isEmpty() && !silent;
        }
        if (row instanceof ReturnRow) {
            return session.rows().stream()
                    .anyMatch(each -> each.strip().sends().stream()
                                    .anyMatch(send -> send.to().equals(row.id()))
                            && sounds(each));
        }
        return plan.rows().stream()
                .anyMatch(
                        each -> each.row().equals(row.id()) && !each.stations().isEmpty());
    }

    /** Rows whose files are in the set twice, on their own and in a bus. */
    List<String> doubled() {
        List<String> twice = new ArrayList<>();
        List<String> rows = prints.stream().map(Print::source).toList();
        for (String id : rows) {
            Row row = session.row(id).orElseThrow();
            if (Routing.downstream(session, row, Routing.Through.OUTPUTS).stream()
                    .anyMatch(each -> rows.contains(each.id()))) {
                twice.add(row.name());
            }
        }
        return twice;
    }
}
