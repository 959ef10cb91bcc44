package apodex.parcel;

import apodex.proof.Verdict;
import java.util.List;
import java.util.Locale;

/**
 * Sets a session sheet as a page of its own: no script, nothing from elsewhere, so that it opens anywhere and for long. It is
 * well-formed XML, since the PDF is made from it.
 */
final class SheetHtml {
    private static final String STYLE =
            """
            @page { size: A4; margin: 16mm 15mm 16mm 15mm; @bottom-left { content: "%s"; font-family: Archivo; font-size: 8pt; color: #55606b; }
              @bottom-right { content: counter(page) " / " counter(pages); font-family: Archivo; font-size: 8pt; color: #55606b; } }
            body { font-family: Archivo, "Archivo Variable", "Helvetica Neue", Arial, sans-serif; font-size: 9.5pt; line-height: 1.36; color: #1d2733; background: #ffffff; max-width: 190mm; margin: 0 auto; }
            h1 { font-size: 22pt; margin: 0 0 1mm 0; background: #efe3bd; padding: 2.5mm 4mm; }
            h2 { font-size: 11.5pt; margin: 6mm 0 1.6mm 0; border-bottom: 1.4pt solid #1d2733; padding-bottom: 0.8mm; page-break-after: avoid; }
            p { margin: 0 0 1.6mm 0; white-space: pre-line; }
            .under { color: #55606b; margin: 0 0 3mm 4mm; }
            .glyph, .line { font-family: "DejaVu Sans", sans-serif; }
            .line { white-space: nowrap; color: #17666b; font-size: 9pt; }
            table { border-collapse: collapse; width: 100%%; -fs-table-paginate: paginate; }
            th { text-align: left; font-size: 8pt; color: #55606b; font-weight: bold; padding: 0.6mm 2mm 0.6mm 0; border-bottom: 0.6pt solid #d9d0bc; }
            td { padding: 0.7mm 2mm 0.7mm 0; border-bottom: 0.4pt solid #e8e1d0; vertical-align: top; }
            tr { page-break-inside: avoid; }
            .fig { font-family: "IBM Plex Mono", Consolas, monospace; font-size: 8.3pt; text-align: right; white-space: nowrap; }
            .file { font-family: "IBM Plex Mono", Consolas, monospace; font-size: 8.3pt; }
            .facts td { border: 0; padding: 0.3mm 3mm 0.3mm 0; }
            .facts td.name { color: #55606b; width: 30mm; white-space: nowrap; }
            .cards td { border-bottom: 0.4pt solid #e8e1d0; }
            .cards .number { font-family: "IBM Plex Mono", Consolas, monospace; font-size: 8.3pt; color: #55606b; width: 8mm; }
            .cards .who { font-weight: bold; width: 46mm; }
            .cards .what { color: #55606b; font-size: 8.6pt; }
            .whole { white-space: nowrap; }
            .good { color: #43702f; font-weight: bold; }
            .fact { color: #55606b; font-weight: bold; }
            .look, .wrong { color: #8f2d17; font-weight: bold; }
            """;

    private final StringBuilder out = new StringBuilder();
    private boolean inCards;

    private SheetHtml() {}

    static String of(Sheet sheet) {
        SheetHtml html = new SheetHtml();
        html.out
                .append(
                        "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"/><meta name=\"viewport\" content=\"width=device-width\"/><title>")
                .append(escaped(sheet.title()))
                .append(": session sheet</title><style>\n")
                .append(style(sheet.title()))
                .append("</style></head><body>\n<h1>")
                .append(escaped(sheet.title()))
                .append("</h1>\n<p class=\"under\">")
                .append(escaped(sheet.under()))
                .append("</p>\n");
        for (Sheet.Block block : sheet.blocks()) {
            html.block(block);
        }
        html.endCards();
        return html.out.append("</body></html>\n").toString();
    }

    private static String style(String title) {
        // in a style sheet nothing may end the string, the element or the line
        return STYLE.formatted(title.replaceAll("[\\\\\"<>&\\p{Cntrl}]", " "));
    }

    private void block(Sheet.Block block) {
        if (!(block instanceof Sheet.RowCard)) {
            endCards();
        }
        if (block instanceof Sheet.Heading heading) {
            out.append("<h2>").append(escaped(heading.text())).append("</h2>\n");
        } else if (block instanceof Sheet.Facts facts) {
            out.append("<table class=\"facts\">");
            facts.facts().forEach(fact -> out.append("<tr><td class=\"name\">")
                    .append(escaped(fact.name()))
                    .append("</td><td>")
                    .append(escaped(fact.value()))
                    .append("</td></tr>\n"));
            out.append("</table>\n");
        } else if (block instanceof Sheet.Paragraph paragraph) {
            out.append("<p>").append(escaped(paragraph.text())).append("</p>\n");
        } else if (block instanceof Sheet.Table table) {
            table(table);
        } else if (block instanceof Sheet.RowCard card) {
            out.append(inCards ? "" : "<table class=\"cards\">");
            inCards = true;
            out.append("<tr><td class=\"number\">")
                    .append(escaped(card.number()))
                    .append("</td><td class=\"who\">")
                    .append(escaped(card.name()))
                    .append("</td><td class=\"line\">")
                    .append(SignalLine.of(card.line()))
                    .append("</td><td class=\"what\">")
                    .append(String.join(
                            "<br/>",
                            card.about().stream()
                                    .map(SheetHtml::escaped)
                                    .map(SheetHtml::wholeFigures)
                                    .toList()))
                    .append("</td></tr>\n");
        } else if (block instanceof Sheet.Finding finding) {
            out.append("<p><span class=\"")
                    .append(finding.grade().name().toLowerCase(Locale.ROOT))
                    .append("\">")
                    .append("<span class=\"glyph\">" + mark(finding.grade()) + "</span> ")
                    .append(escaped(finding.headline()))
                    .append("</span> ")
                    .append(escaped(finding.detail()))
                    .append("</p>\n");
        }
    }

    private void endCards() {
        if (inCards) {
            out.append("</table>\n");
            inCards = false;
        }
    }

    private void table(Sheet.Table table) {
        out.append("<table><thead><tr>");
        for (int c = 0; c < table.head().size(); c++) {
            out.append("<th")
                    .append(table.figures().get(c) ? " style=\"text-align:right\"" : "")
                    .append('>')
                    .append(escaped(table.head().get(c)))
                    .append("</th>");
        }
        out.append("</tr></thead><tbody>\n");
        for (List<String> row : table.rows()) {
            out.append("<tr>");
            for (int c = 0; c < row.size(); c++) {
                out.append("<td class=\"")
                        .append(
                                table.figures().get(c)
                                        ? "fig"
                                        : c == 0 && table.head().get(0).equals("File") ? "file" : "")
                        .append("\">")
                        .append(escaped(row.get(c)))
                        .append("</td>");
            }
            out.append("</tr>\n");
        }
        out.append("</tbody></table>\n");
    }

    /** Figures are not broken at their point. */
    private static String wholeFigures(String html) {
        return html.replaceAll("([−+]?\\d+\\.\\d+)", "<span class=\"whole\">$1</span>");
    }

    private static String escaped(String text) {
        StringBuilder safe = new StringBuilder();
        text.codePoints().forEach(point -> {
            switch (point) {
                case '<' -> safe.append("&lt;");
                case '>' -> safe.append("&gt;");
                case '&' -> safe.append("&amp;");
                case '"' -> safe.append("&quot;");
                default -> {
                    boolean allowed = point == '\n'
                            || point == '\t'
                            || point >= 0x20
                                    && !(point >= 0xD800 && point <= 0xDFFF)
                                    && point != 0xFFFE
                                    && point != 0xFFFF;
                    safe.appendCodePoint(allowed ? point : ' '); // XML knows no other control characters
                }
            }
        });
        return safe.toString();
    }

    private static String mark(Verdict.Grade grade) {
        return switch (grade) {
            case GOOD -> "✓";
            case FACT -> "·";
            case LOOK, WRONG -> "▲";
        };
    }
}
