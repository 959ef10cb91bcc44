package apodex.intake;

import apodex.intake.LaidRow.LaidClip;
import apodex.intake.LaidRow.LaidTake;
import apodex.session.Fade;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Reads a table as a list of clips: one line a clip. {@code docs/clip-list.md} describes the headings that need no telling. Lines that
 * make no sense are said, one by one; the others come in.
 */
final class ClipList {
    private static final int MOST_TROUBLES = 200;
    private static final Set<String> YES = Set.of("1", "yes", "y", "true", "x", "muted", "mute", "on", "ja", "oui");

    private static final Set<String> REVERSED = Set.of("reversed", "inverted", "-", "−", "-1", "180");

    private final CsvTable table;
    private final ClipListForm form;
    private final List<String> troubles;
    private final Map<String, Map<String, List<LaidClip>>> rows = new LinkedHashMap<>();

    private ClipList(CsvTable table, ClipListForm form, List<String> troubles) {
        this.table = table;
        this.form = form;
        this.troubles = troubles;
    }

    /**
     * Reads a list.
     *
     * @param troubles gets a sentence for every line and column that was left out
     */
    static List<LaidRow> read(CsvTable table, ClipListForm form, List<String> troubles) {
        ClipList list = new ClipList(table, form, troubles);
        list.read();
        List<LaidRow> laid = new ArrayList<>();
        list.rows.forEach((name, takes) -> {
            List<LaidTake> all = new ArrayList<>();
            takes.forEach((take, clips) -> all.add(new LaidTake(take, clips)));
            laid.add(new LaidRow(name, all));
        });
        return laid;
    }

    private void read() {
        form.columns().stream()
                .filter(column -> column.is() == null && !column.heading().isBlank())
                .forEach(column -> trouble("The column “" + column.heading().strip() + "” is not known and left out."));
        for (CsvTable.Line line : table.lines()) {
            try {
                clip(line);
            } catch (IllegalArgumentException e) {
                trouble("Line " + line.number() + ": " + e.getMessage());
            }
        }
    }

    private void trouble(String sentence) {
        if (troubles.size() < MOST_TROUBLES) {
            troubles.add(sentence);
        }
    }

    private void clip(CsvTable.Line line) {
        String file = form.cell(ClipColumn.FILE, line);
        String row = form.place(ClipColumn.ROW).isPresent() ? form.cell(ClipColumn.ROW, line) : Drop.stem(file);
        if (row.isEmpty() || file.isEmpty()) {
            throw new IllegalArgumentException("it names no " + (row.isEmpty() ? "row." : "file."));
        }
        WrittenTime position = time(line, ClipColumn.POSITION);
        if (position == null) {
            throw new IllegalArgumentException("it gives no position.");
        }
        WrittenTime length = time(line, ClipColumn.LENGTH);
        WrittenTime end = time(line, ClipColumn.END);
        if (length != null && length.value() <= 0 || end != null && length == null && end.value() <= position.value()) {
            throw new IllegalArgumentException("its length is not more than nothing.");
        }
        String take = form.cell(ClipColumn.TAKE, line);
        rows.computeIfAbsent(row, name -> new LinkedHashMap<>())
                .computeIfAbsent(
                        take.isEmpty() ? "Take 1" : take.matches("\\d+") ? "Take " + take : take,
                        name -> new ArrayList<>())
                .add(new LaidClip(
                        file,
                        position,
                        time(line, ClipColumn.OFFSET),
                        length,
                        end,
                        gain(line),
                        time(line, ClipColumn.FADE_IN),
                        time(line, ClipColumn.FADE_OUT),
                        curve(line, ClipColumn.FADE_IN_CURVE),
                        curve(line, ClipColumn.FADE_OUT_CURVE),
                        YES.contains(form.cell(ClipColumn.MUTED, line).toLowerCase(Locale.ROOT)),
                        REVERSED.contains(form.cell(ClipColumn.POLARITY, line).toLowerCase(Locale.ROOT)),
                        form.cell(ClipColumn.NOTE, line)));
    }

    @Nullable
    private WrittenTime time(CsvTable.Line line, ClipColumn column) {
        String written = form.cell(column, line);
        if (written.isEmpty()) {
            return null;
        }
        WrittenTime.WrittenIn unit =
                form.columns().get(form.place(column).orElseThrow()).unit();
        return WrittenTime.parse(number(written), unit == null ? WrittenTime.WrittenIn.SAMPLES : unit, form.timecode());
    }

    /** Where commas do not separate cells, they can stand for the decimal point. */
    private String number(String written) {
        return table.separator() == ',' && !written.matches("-?\\d+,\\d+.*") ? written : written.replace(',', '.');
    }

    private Fade.Curve curve(CsvTable.Line line, ClipColumn column) {
        String written = form.cell(column, line);
        return written.isEmpty()
                ? Fade.Curve.STRAIGHT
                : Fade.Curve.called(written).orElseGet(() -> {
                    trouble("Line " + line.number() + ": a fade that goes “" + written
                            + "” is not known; it goes in a straight line.");
                    return Fade.Curve.STRAIGHT;
                });
    }

    private double gain(CsvTable.Line line) {
        String written = number(form.cell(ClipColumn.GAIN, line))
                .toLowerCase(Locale.ROOT)
                .replace("db", "")
                .replace('−', '-')
                .strip();
        if (written.isEmpty()) {
            return 0;
        }
        if (written.matches("-(inf.*|∞|oo)")) {
            return Double.NEGATIVE_INFINITY;
        }
        try {
            return Double.parseDouble(written);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("“" + written + "” is no gain in dB.");
        }
    }
}
