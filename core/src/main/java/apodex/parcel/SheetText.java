package apodex.parcel;

import apodex.proof.Verdict;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Sets a session sheet as plain text, readable in any editor. */
final class SheetText {
    private static final int WIDTH = 92;
    /** Wider tables are lines of words instead. */
    private static final int WIDEST = 110;

    private static final int NAME_WIDTH = 14;
    private static final int MARK_WIDTH = 7;

    private final StringBuilder out = new StringBuilder();

    private SheetText() {}

    static String of(Sheet sheet) {
        SheetText text = new SheetText();
        text.underlined(sheet.title(), '=');
        text.paragraph(sheet.under(), "");
        sheet.blocks().forEach(text::block);
        return text.out.toString();
    }

    private void block(Sheet.Block block) {
        if (block instanceof Sheet.Heading heading) {
            out.append('\n');
            underlined(heading.text(), '-');
        } else if (block instanceof Sheet.Facts facts) {
            facts.facts().forEach(fact -> hanging(pad(fact.name(), NAME_WIDTH), fact.value()));
        } else if (block instanceof Sheet.Paragraph paragraph) {
            paragraph.text().lines().forEach(line -> paragraph(line, ""));
        } else if (block instanceof Sheet.Table table) {
            table(table);
        } else if (block instanceof Sheet.RowCard card) {
            out.append(pad(card.number(), 4))
                    .append(pad(card.name(), 30))
                    .append(SignalLine.of(card.line()))
                    .append('\n');
            card.about().forEach(each -> hanging("    ", each));
        } else if (block instanceof Sheet.Finding finding) {
            hanging(pad(mark(finding.grade()), MARK_WIDTH), finding.headline() + ": " + finding.detail());
        }
    }

    private void underlined(String text, char with) {
        out.append(text).append('\n');
        Stream.generate(() -> String.valueOf(with))
                .limit(text.codePointCount(0, text.length()))
                .forEach(out::append);
        out.append('\n');
    }

    private void table(Sheet.Table table) {
        int[] widths = new int[table.head().size()];
        Stream.concat(Stream.of(table.head()), table.rows().stream()).forEach(row -> {
            for (int c = 0; c < widths.length; c++) {
                widths[c] = Math.max(widths[c], length(row.get(c)));
            }
        });
        if (Arrays.stream(widths).sum() > WIDEST) {
            table.rows().forEach(row -> hanging("  ", inWords(table.head(), row)));
            return;
        }
        line(table.head(), table, widths);
        table.rows().forEach(row -> line(row, table, widths));
    }

    /** A line of a table with its columns named, those that hold nothing left out. */
    private static String inWords(List<String> head, List<String> row) {
        return IntStream.range(0, row.size())
                .filter(c -> !row.get(c).isEmpty())
                .mapToObj(c -> c == 0 ? row.get(0) : head.get(c) + ": " + row.get(c))
                .collect(Collectors.joining(" · "));
    }

    private void line(List<String> cells, Sheet.Table table, int[] widths) {
        StringBuilder line = new StringBuilder();
        for (int c = 0; c < cells.size(); c++) {
            String blanks = " ".repeat(Math.max(0, widths[c] - length(cells.get(c))));
            line.append(c == 0 ? "" : "  ")
                    .append(table.figures().get(c) ? blanks + cells.get(c) : cells.get(c) + blanks);
        }
        out.append(line.toString().stripTrailing()).append('\n');
    }

    private void paragraph(String text, String indent) {
        out.append(wrapped(text, indent.length()).stream()
                        .map(line -> indent + line)
                        .collect(Collectors.joining("\n")))
                .append('\n');
    }

    private void hanging(String head, String text) {
        List<String> lines = wrapped(text, head.length());
        for (int i = 0; i < lines.size(); i++) {
            out.append(i == 0 ? head : " ".repeat(head.length()))
                    .append(lines.get(i))
                    .append('\n');
        }
    }

    private static List<String> wrapped(String text, int indent) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            if (!line.isEmpty() && indent + length(line.toString()) + 1 + length(word) > WIDTH) {
                lines.add(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        lines.add(line.toString());
        return lines;
    }

    private static String pad(String text, int width) {
        return text + " ".repeat(Math.max(1, width - length(text)));
    }

    private static int length(String text) {
        return text.codePointCount(0, text.length());
    }

    private static String mark(Verdict.Grade grade) {
        return switch (grade) {
            case GOOD -> "[ok]";
            case FACT -> "[note]";
            case LOOK -> "[look]";
            case WRONG -> "[wrong]";
        };
    }
}
