package apodex.intake;

import apodex.naming.RoleGuess;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A table that says of files which rows they are, and what there is to know of them. */
record TrackList(CsvTable table, ClipListForm form) {
    /** What it puts right of some files; those it does not name stay as they are. */
    List<Correction> corrections(List<IntakeFile> files) {
        List<Correction> corrections = new ArrayList<>();
        for (CsvTable.Line line : table.lines()) {
            String named = form.cell(ClipColumn.FILE, line);
            List<IntakeFile> meant = files.stream()
                    .filter(file -> file.isSound() && isCalled(file, named))
                    .toList();
            if (meant.size() == 1) {
                List<String> id = List.of(meant.get(0).id());
                String row = form.cell(ClipColumn.ROW, line);
                if (!row.isEmpty()) {
                    corrections.add(new Correction.InRow(id, NoteRows.safe(row)));
                    RoleGuess.of(row).ifPresent(role -> corrections.add(new Correction.OfRole(id, role)));
                }
                String note = form.cell(ClipColumn.NOTE, line);
                if (!note.isEmpty()) {
                    corrections.add(new Correction.Noted(id, note));
                }
            }
        }
        return corrections;
    }

    /** By its path where the list gives one, else by its name, with or without its ending. */
    private static boolean isCalled(IntakeFile file, String named) {
        String path = named.replace('\\', '/').toLowerCase(Locale.ROOT);
        String name = path.substring(path.lastIndexOf('/') + 1);
        String own = file.name().toLowerCase(Locale.ROOT);
        String whole = (file.folder().isEmpty() ? "" : file.folder() + "/").toLowerCase(Locale.ROOT) + own;
        boolean alike = own.equals(name) || Drop.stem(own).equals(name);
        return alike && (!path.contains("/") || whole.endsWith(path) || path.endsWith(whole));
    }
}
