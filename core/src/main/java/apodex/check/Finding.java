package apodex.check;

import java.util.ArrayList;
import java.util.List;

/**
 * What a check found.
 *
 * @param check    id of the check
 * @param key      stays the same while the same fault is found at the same place
 * @param severity how much it matters
 * @param title    what it is, in a few words
 * @param words    where and how, in a sentence or two
 * @param rows     ids of the rows it is about
 * @param evidence numbers and what to draw
 * @param remedies what can be done, the likeliest first
 */
public record Finding(
        String check,
        String key,
        Severity severity,
        String title,
        String words,
        List<String> rows,
        Evidence evidence,
        List<Remedy> remedies) {
    public Finding {
        rows = List.copyOf(rows);
        remedies = List.copyOf(remedies);
    }

    /** A finding about some rows, with nothing to show for it yet. */
    static Finding of(Check check, Severity severity, String title, String words, List<String> rows) {
        return new Finding(
                check.id(),
                check.id() + ":" + String.join(",", rows),
                severity,
                title,
                words,
                rows,
                Evidence.NONE,
                List.of());
    }

    /** The same, told apart from other findings of its check on its rows. */
    Finding about(String what) {
        return new Finding(check, key + ":" + what, severity, title, words, rows, evidence, remedies);
    }

    /** The same with one more number. */
    Finding with(String what, String value) {
        List<Evidence.Figure> figures = new ArrayList<>(evidence.figures());
        figures.add(new Evidence.Figure(what, value));
        return showing(new Evidence(figures, evidence.drawing()));
    }

    Finding showing(Evidence.Drawing drawing) {
        return showing(new Evidence(evidence.figures(), drawing));
    }

    private Finding showing(Evidence other) {
        return new Finding(check, key, severity, title, words, rows, other, remedies);
    }

    Finding offering(Remedy remedy) {
        List<Remedy> all = new ArrayList<>(remedies);
        all.add(remedy);
        return new Finding(check, key, severity, title, words, rows, evidence, all);
    }

    /** What a dismissal is about: when this changes, so has the evidence. The place of a row in the order is none. */
    public String seen() {
        return words.replaceAll("Row \\d+ ", "") + evidence.figures();
    }
}
