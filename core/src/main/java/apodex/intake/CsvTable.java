package apodex.intake;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table in a text: RFC 4180, with commas, semicolons, tabs or bars between its cells. What stands above the headings is passed over.
 *
 * @param headings  of its columns
 * @param lines     below them
 * @param separator between the cells
 */
public record CsvTable(List<String> headings, List<Line> lines, char separator) {
    private static final int LONGEST_FILE = 32 << 20;
    private static final char[] SEPARATORS = {'\t', ';', ',', '|'};
    /** Lines above the headings. */
    private static final int LONGEST_PREAMBLE = 40;

    private static final int LEAST_COLUMNS = 3;
    private static final double MOST = 0.8;
    private static final Pattern NUMBER = Pattern.compile("[-+−]?[\\d.,:;|\\s]+");

    /** @param number of the line in the file, from 1; where a quoted break makes several of it, the last */
    public record Line(long number, List<String> cells) {}

    /** The table that a file holds; empty when it holds none. */
    public static Optional<CsvTable> read(Path file) throws IOException {
        if (Files.size(file) > LONGEST_FILE) {
            return Optional.empty();
        }
        byte[] bytes = Files.readAllBytes(file);
        return isText(bytes) ? parse(decode(bytes)) : Optional.empty();
    }

    /** Sound has zeros in it, and UTF-16 says what it is. */
    private static boolean isText(byte[] bytes) {
        if (isUtf16(bytes)) {
            return true;
        }
        for (int i = 0; i < Math.min(bytes.length, 4_096); i++) {
            if (bytes[i] == 0) {
                return false;
            }
        }
        return true;
    }

    private static boolean isUtf16(byte[] bytes) {
        return bytes.length >= 2
                && (bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE
                        || bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF);
    }

    /** By its byte order mark; without one UTF-8 where it is that, or else Windows-1252. */
    static String decode(byte[] bytes) {
        if (isUtf16(bytes)) {
            return new String(bytes, StandardCharsets.UTF_16);
        }
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            return new String(bytes, Charset.forName("windows-1252"));
        }
    }

    private static Optional<CsvTable> parse(String text) throws IOException {
        for (char separator : SEPARATORS) {
            if (text.indexOf(separator) >= 0) {
                Optional<CsvTable> table = table(records(text, separator), separator);
                if (table.isPresent()) {
                    return table;
                }
            }
        }
        return Optional.empty();
    }

    private static List<Line> records(String text, char separator) throws IOException {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .setCommentMarker(separator == '#' ? null : '#')
                .setLenientEof(true)
                .setTrailingData(true)
                .get();
        List<Line> lines = new ArrayList<>();
        try (CSVParser parser = CSVParser.builder()
                .setReader(new StringReader(text))
                .setFormat(format)
                .get()) {
            for (CSVRecord each : parser) {
                lines.add(new Line(parser.getCurrentLineNumber(), List.copyOf(each.toList())));
            }
        } catch (UncheckedIOException e) {
            return lines; // what came before a quote that nobody closed
        }
        return lines;
    }

    /** Headings are the first line of words that has as many cells as what follows. */
    private static Optional<CsvTable> table(List<Line> lines, char separator) {
        for (int i = 0; i < Math.min(LONGEST_PREAMBLE, lines.size()); i++) {
            List<String> cells = trimmed(lines.get(i).cells());
            boolean words = cells.size() > 1
                    && cells.stream()
                            .allMatch(cell ->
                                    cell.isBlank() || !NUMBER.matcher(cell).matches())
                    && cells.stream().filter(cell -> !cell.isBlank()).count() > 1;
            boolean fits = i + 1 >= lines.size()
                    || Math.abs(trimmed(lines.get(i + 1).cells()).size() - cells.size()) <= cells.size() / 2;
            if (words && fits) {
                return Optional.of(new CsvTable(cells, lines.subList(i + 1, lines.size()), separator));
            }
        }
        return Optional.empty();
    }

    private static List<String> trimmed(List<String> cells) {
        int end = cells.size();
        while (end > 0 && cells.get(end - 1).isBlank()) {
            end--;
        }
        return cells.subList(0, end);
    }

    /** What stands in a column, empty cells passed over. */
    Stream<String> cells(int column) {
        return lines.stream()
                .filter(line -> column < line.cells().size())
                .map(line -> line.cells().get(column).strip())
                .filter(cell -> !cell.isEmpty());
    }

    /** Whether it has the shape of a list: some lines of three columns and more, nearly all filled alike. */
    boolean isLikelyAList() {
        long alike = lines.stream()
                .filter(line -> Math.abs(trimmed(line.cells()).size() - headings.size()) <= 1)
                .count();
        return headings.size() >= LEAST_COLUMNS && lines.size() >= 2 && alike >= MOST * lines.size();
    }

    Stream<String> all() {
        return lines.stream().flatMap(line -> line.cells().stream());
    }
}
