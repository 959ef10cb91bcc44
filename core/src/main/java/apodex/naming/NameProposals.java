package apodex.naming;

import apodex.session.NamedBy;
import apodex.session.Recording;
import apodex.session.RenameRow;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.SetAbout;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Names for the rows of a session that could do with a better one. What a person typed stays. */
public final class NameProposals {
    private NameProposals() {}

    /** One for every row whose name or role would change, in the order of the rows. */
    public static List<NameProposal> of(Session session) {
        Map<Row, NameProposal> cleaned = new LinkedHashMap<>();
        for (Row row : session.rows()) {
            cleaned.put(row, isKept(row) ? asItIs(row) : clean(session, row));
        }
        number(cleaned);
        return cleaned.values().stream()
                .filter(each -> !each.proposed().equals(each.now()))
                .toList();
    }

    private static boolean isKept(Row row) {
        return row.kind() == RowKind.MIX || row.about().named() == NamedBy.HAND;
    }

    private static NameProposal asItIs(Row row) {
        return new NameProposal(
                row.id(), row.name(), row.name(), "", row.about().role());
    }

    private static NameProposal clean(Session session, Row row) {
        String name = VagueName.isVague(row.name()) ? hint(session, row).orElse(row.name()) : row.name();
        Role role = row.about().role() != Role.OTHER
                ? row.about().role()
                : RoleGuess.of(name).orElse(Role.OTHER);
        NameCleaner.Cleaned cleaned = NameCleaner.clean(name, role);
        boolean tidy = cleaned.name().equalsIgnoreCase(row.name())
                && Character.isUpperCase(row.name().codePointAt(0))
                && !row.name().equals(row.name().toUpperCase(Locale.ROOT));
        return new NameProposal(row.id(), row.name(), tidy ? row.name() : cleaned.name(), cleaned.note(), role);
    }

    /** What its first recording was called, where that says more than the row. */
    private static Optional<String> hint(Session session, Row row) {
        if (row.clips().isEmpty()) {
            return Optional.empty();
        }
        Recording recording = session.recording(row.clips().get(0).recording());
        return List.of(
                        recording.title() == null ? "" : recording.title(),
                        recording.fileName().replaceFirst("\\.[^.]{1,5}$", ""))
                .stream()
                .filter(each -> !each.isBlank()
                        && !VagueName.isVague(each)
                        && each.length() <= 80
                        && !VagueName.isVague(
                                NameCleaner.clean(each, Role.OTHER).name()))
                .findFirst();
    }

    /** Proposed names that would meet another get numbers. */
    private static void number(Map<Row, NameProposal> cleaned) {
        Map<String, Integer> uses = new HashMap<>();
        Set<String> taken = new HashSet<>();
        cleaned.forEach((row, proposal) -> {
            uses.merge(SafeName.clashKey(proposal.proposed()), 1, Integer::sum);
            if (isKept(row)) {
                taken.add(SafeName.clashKey(proposal.proposed()));
            }
        });
        cleaned.replaceAll((row, proposal) -> {
            String name = proposal.proposed();
            boolean vague = VagueName.isVague(name);
            if (!isKept(row) && !vague && uses.get(SafeName.clashKey(name)) > 1) {
                int number = 1;
                while (!taken.add(SafeName.clashKey(numbered(name, number)))) {
                    number++;
                }
                name = numbered(name, number);
            }
            return new NameProposal(proposal.row(), proposal.now(), name, proposal.note(), proposal.role());
        });
    }

    /** The number goes before the side: {@code Guitar 2 L}. */
    private static String numbered(String name, int number) {
        String side = name.endsWith(" L") || name.endsWith(" R") ? name.substring(name.length() - 2) : "";
        return name.substring(0, name.length() - side.length()) + " " + number + side;
    }

    /** The edits that accept a proposal. */
    public static List<SessionEdit> accepting(Session session, NameProposal proposal) {
        List<SessionEdit> edits = new ArrayList<>();
        edits.add(new RenameRow(proposal.row(), proposal.proposed(), NamedBy.PROPOSAL));
        Row row = session.row(proposal.row()).orElseThrow();
        String note = row.about().withMoreNote(proposal.note()).note();
        if (!note.equals(row.about().note()) || proposal.role() != row.about().role()) {
            edits.add(new SetAbout(proposal.row(), proposal.role(), note));
        }
        return edits;
    }
}
