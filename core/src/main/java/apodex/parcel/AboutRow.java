package apodex.parcel;

import apodex.handoff.Plan;
import apodex.handoff.PlanRow;
import apodex.measure.StereoImage;
import apodex.session.Brought;
import apodex.session.PartRow;
import apodex.session.Routing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Station;
import apodex.signal.Returns;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** What the sheet says of one row: what is in its files, what is not, or why it has none. Rows are named by their numbers on it. */
final class AboutRow {
    private final Session session;
    private final Plan plan;
    private final PlanRow planned;
    private final Row row;
    private final TreeSet<Station> printed;

    private AboutRow(Session session, Plan plan, PlanRow planned) {
        this.session = session;
        this.plan = plan;
        this.planned = planned;
        this.row = session.row(planned.row()).orElseThrow();
        this.printed = new TreeSet<>(plan.stationsOf(planned.row()));
    }

    /**
     * A sentence each.
     *
     * @param session as the handoff sees it
     */
    static List<String> of(Session session, Plan plan, PlanRow planned) {
        return new AboutRow(session, plan, planned).sentences();
    }

    private List<String> sentences() {
        List<String> about = new ArrayList<>();
        if (printed.isEmpty()) {
            about.add(whyNoFile());
            setUp(about);
        } else {
            held(about);
            leftOut(about);
            if (plan.edits().hold(row.id())) {
                about.add("Raw goes out as edits: its recordings, laid by " + Papers.EDITS + ".");
            }
            if (planned.trimDb() != 0) {
                about.add(String.format(Locale.ROOT, "Trimmed by %+.1f dB.", planned.trimDb())
                        .replace("-", "−"));
            }
            if (isMono()
                    && planned.image() != null
                    && switch (planned.image()) {
                        case SAME_ON_BOTH_SIDES, LEFT_ONLY, RIGHT_ONLY -> true;
                        case SILENT, MONO, STEREO -> false;
                    }) {
                about.add(planned.evidence());
            }
        }
        boolean isBeforeBuses =
                printed.isEmpty() ? !row.kind().isSource() : printed.last().compareTo(Station.BUS) < 0;
        if (isBeforeBuses) {
            goesTo(about);
        }
        for (Brought brought : row.strip().brought()) {
            if (printed.contains(brought.station())) {
                about.add("At " + brought.station().label() + " it was rendered elsewhere: "
                        + brought.clips().stream()
                                .map(clip -> session.recording(clip.recording()).fileName())
                                .distinct()
                                .collect(Collectors.joining(", "))
                        + ".");
            }
        }
        if (!row.about().note().isEmpty()) {
            about.add("Note: " + row.about().note() + ".");
        }
        return about;
    }

    private String whyNoFile() {
        if (planned.unmade() != null) {
            return "Not printed: " + planned.unmade();
        }
        if (row.kind() == RowKind.AUDIO && row.clips().isEmpty()) {
            return "Not printed: nothing is on it.";
        }
        if (planned.image() == StereoImage.Kind.SILENT) {
            return "Not printed: it is silent all through.";
        }
        if ((row.kind() == RowKind.BUS || row.kind() == RowKind.RETURN)
                && Routing.feeding(session, row, Routing.Through.OUTPUTS_AND_SENDS)
                        .isEmpty()) {
            return "Not printed: nothing goes to it.";
        }
        if (isSharedOut()) {
            return "No file of its own: what "
                    + numbers(Routing.feeding(session, row, Routing.Through.OUTPUTS_AND_SENDS))
                    + " sent there is in those files.";
        }
        List<Row> carrying = Routing.downstream(session, row, Routing.Through.OUTPUTS).stream()
                .filter(next -> next.kind() == RowKind.BUS && isPrinted(next))
                .toList();
        if (row.strip().muted()) {
            return "Not printed: it is muted in the mix.";
        }
        return carrying.isEmpty()
                ? "Not printed."
                : "No file of its own: it is in " + numbers(carrying.subList(0, 1)) + ".";
    }

    private boolean isSharedOut() {
        return row.kind() == RowKind.RETURN
                && plan.sharing().returns() == Returns.SHARED_OUT
                && plan.prints().stream().anyMatch(print -> print.station().compareTo(Station.FADER) > 0);
    }

    /** Of a sum that has no file: what goes to it and how it is set, so that it can be built again. */
    private void setUp(List<String> about) {
        if (row.kind().isSource() || row.kind() == RowKind.MIX || isSharedOut()) {
            return;
        }
        List<Row> from = Routing.feeding(session, row, Routing.Through.OUTPUTS_AND_SENDS);
        List<String> set = LeftOut.of(session, row, Station.RAW, plan.sharing().returns());
        if (!from.isEmpty()) {
            about.add((row.kind() == RowKind.RETURN ? "Sent to by " : "Fed by ")
                    + numbers(from)
                    + (set.isEmpty() ? "." : ": " + String.join("; ", set) + "."));
        }
    }

    /** Which buses it feeds, where that is not the mix alone. */
    private void goesTo(List<String> about) {
        List<Row> to = row.strip().outputs().stream()
                .flatMap(id -> session.row(id).stream())
                .filter(next -> next.kind() != RowKind.MIX)
                .toList();
        boolean mixToo = row.strip().outputs().contains(session.mix().id());
        if (!to.isEmpty()) {
            about.add("Goes to " + numbers(to) + (mixToo ? " and to the mix." : "."));
        } else if (!mixToo && row.kind() != RowKind.MIX && row.strip().sends().isEmpty()) {
            about.add("Goes nowhere: it is not in the mix.");
        }
    }

    private void held(List<String> about) {
        if (row.kind() == RowKind.RETURN) {
            List<Row> from = Routing.feeding(session, row, Routing.Through.OUTPUTS_AND_SENDS);
            if (!from.isEmpty()) {
                about.add("What " + numbers(from) + (from.size() == 1 ? " sends" : " send") + " there.");
            }
        } else if (row.kind() == RowKind.INSTRUMENT) {
            List<Row> parts = session.rows().stream()
                    .filter(each ->
                            each instanceof PartRow part && part.instrument().equals(row.id()))
                    .toList();
            if (!parts.isEmpty()) {
                about.add("The instrument without " + numbers(parts)
                        + (parts.size() == 1 ? ", which is a part of it." : ", which are parts of it."));
            }
        } else if (row instanceof PartRow part) {
            about.add("A part of "
                    + numbers(session.row(part.instrument()).stream().toList()) + ", by itself.");
        } else if (row.kind() == RowKind.BUS) {
            List<Row> members = Routing.members(session, row);
            List<Row> alone = members.stream().filter(this::isPrinted).toList();
            List<Row> beside = Routing.besides(session, row);
            if (!members.isEmpty()) {
                about.add("Holds " + numbers(members) + "."
                        + (alone.isEmpty()
                                ? ""
                                : alone.size() == members.size()
                                        ? " They are files as well: lay the group or them, not both."
                                        : " " + numbers(alone) + (alone.size() == 1 ? " is a file" : " are files")
                                                + " as well: not to be laid beside the group."));
            }
            if (!beside.isEmpty()) {
                about.add("Holds once more what " + numbers(beside) + (beside.size() == 1 ? " carries" : " carry")
                        + ": in the session it runs beside.");
            }
        }
    }

    private void leftOut(List<String> about) {
        List<String> everywhere =
                LeftOut.of(session, row, printed.last(), plan.sharing().returns());
        if (!everywhere.isEmpty()) {
            about.add("Left out: " + String.join("; ", everywhere) + ".");
        }
        for (Station station : printed.headSet(printed.last(), false).descendingSet()) {
            List<String> more = new ArrayList<>(
                    LeftOut.of(session, row, station, plan.sharing().returns()));
            more.removeAll(everywhere);
            if (!more.isEmpty()) {
                about.add((everywhere.isEmpty()
                                ? "Left out at " + station.label() + ": "
                                : "At " + station.label() + " also: ")
                        + String.join("; ", more) + ".");
            }
        }
    }

    private boolean isMono() {
        return plan.prints().stream().anyMatch(print -> print.row().equals(row.id()) && print.channels() == 1);
    }

    private boolean isPrinted(Row other) {
        return plan.prints().stream().anyMatch(print -> print.row().equals(other.id()));
    }

    /** As "02, 04 to 06". */
    private String numbers(List<Row> rows) {
        Set<String> ids = rows.stream().map(Row::id).collect(Collectors.toSet());
        List<Integer> numbers = plan.rows().stream()
                .filter(each -> ids.contains(each.row()))
                .map(PlanRow::number)
                .sorted()
                .toList();
        List<String> runs = new ArrayList<>();
        for (int first = 0, last; first < numbers.size(); first = last + 1) {
            last = first;
            while (last + 1 < numbers.size() && numbers.get(last + 1) == numbers.get(last) + 1) {
                last++;
            }
            String from = String.format(Locale.ROOT, "%02d", numbers.get(first));
            String to = String.format(Locale.ROOT, "%02d", numbers.get(last));
            runs.add(first == last ? from : last == first + 1 ? from + ", " + to : from + " to " + to);
        }
        return String.join(", ", runs);
    }
}
