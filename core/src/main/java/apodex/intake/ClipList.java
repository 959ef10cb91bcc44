package apodex.intake;

import apodex.intake.LaidRow.LaidClip;
import apodex.intake.LaidRow.LaidTake;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Reads a list of clips in CSV (RFC 4180, with commas, semicolons or tabs): one line a clip, columns by name. {@code docs/clip-list.md}
 * describes it. Lines that make no sense are said, one by one; the others come in.
 */
final class ClipList {
    private static final int LONGEST_FILE = 32 << 20;
    private static final int MOST_TROUBLES = 200;
    private static final List<String> COLUMNS =
            List.of("row", "take", "file", "position", "offset", "length", "gain", "fade in", "fade out");
    private static final List<String> NEEDED = List.of("row", "file", "position");

    private final List<String> troubles;
    private final Map<String, Map<String, List<LaidClip>>> rows = new LinkedHashMap<>();
    private final Map<String, Integer> columns = new LinkedHashMap<>();
    private final Map<String, WrittenTime.WrittenIn> units = new LinkedHashMap<>();
    private char separator;

    private ClipList(List<String> troubles) {
        this.troubles = troubles;
    }

    /** Whether a text's first line names the columns of a clip list. */
    static boolean isClipList(Path file) throws IOException {
        if (Files.size(file) > LONGEST_FILE) {
            return false;
        }
        String first = decode(Files.readAllBytes(file))
                .lines()
                .filter(line -> !line.isBlank())
                .findFirst()
                .orElse("");
        String plain = first.toLowerCase(Locale.ROOT);
        return NEEDED.stream().allMatch(plain::contains)
                && (plain.contains(",") || plain.contains(";") || plain.contains("\t"));
    }

    /**
     * Reads a list.
     *
     * @param troubles gets a sentence for every line that was left out
     */
    static List<LaidRow> read(Path file, List<String> troubles) throws IOException {
        ClipList list = new ClipList(troubles);
        list.lines(decode(Files.readAllBytes(file)));
        List<LaidRow> laid = new ArrayList<>();
        list.rows.forEach((name, takes) -> {
            List<LaidTake> all = new ArrayList<>();
            takes.forEach((take, clips) -> all.add(new LaidTake(take, clips)));
            laid.add(new LaidRow(name, all));
        });
        return laid;
    }

    /** By its byte order mark; without one UTF-8 where it is that, or else Windows-1252. */
    static String decode(byte[] bytes) {
        if (bytes.length >= 2
                && (bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE
                        || bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF)) {
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

    private void lines(String text) {
        int number = 0;
        boolean headed = false;
        for (String line : text.split("\\R", -1)) {
            number++;
            if (line.isBlank() || line.startsWith("#")) {
                continue;
            }
            if (!headed) {
                head(line);
                headed = true;
                continue;
            }
            try {
                clip(cells(line));
            } catch (IllegalArgumentException e) {
                trouble("Line " + number + ": " + e.getMessage());
            }
        }
    }

    private void trouble(String sentence) {
        if (troubles.size() < MOST_TROUBLES) {
            troubles.add(sentence);
        }
    }

    private void head(String line) {
        separator = line.indexOf('\t') >= 0 ? '\t' : line.indexOf(';') >= 0 ? ';' : ',';
        List<String> names = cells(line);
        for (int i = 0; i < names.size(); i++) {
            String name = names.get(i).strip().toLowerCase(Locale.ROOT).replace('_', ' ');
            String bare = name.replaceAll("\\s*\\(.*\\)$", "")
                    .replace("fadein", "fade in")
                    .replace("fadeout", "fade out");
            if (COLUMNS.contains(bare)) {
                columns.putIfAbsent(bare, i);
                units.put(
                        bare,
                        name.contains("second") || name.contains("(s)")
                                ? WrittenTime.WrittenIn.SECONDS
                                : name.contains("bar") ? WrittenTime.WrittenIn.BARS : WrittenTime.WrittenIn.SAMPLES);
            } else {
                trouble("The column “" + names.get(i).strip() + "” is not known and left out.");
            }
        }
    }

    private List<String> cells(String line) {
        List<String> cells = new ArrayList<>();
        StringBuilder cell = new StringBuilder();
        boolean quoted = false;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            if (c == '"' && quoted && i + 1 < line.length() && line.charAt(i + 1) == '"') {
                cell.append(line.charAt(++i));
            } else if (c == '"') {
                quoted = !quoted;
            } else if (c == separator && !quoted) {
                cells.add(cell.toString());
                cell.setLength(0);
            } else {
                cell.append(c);
            }
        }
        cells.add(cell.toString());
        return cells;
    }

    private void clip(List<String> cells) {
        String row = text(cells, "row");
        String file = text(cells, "file");
        if (row.isEmpty() || file.isEmpty()) {
            throw new IllegalArgumentException("it names no " + (row.isEmpty() ? "row." : "file."));
        }
        WrittenTime position = place(cells, "position");
        if (position == null) {
            throw new IllegalArgumentException("it gives no position.");
        }
        WrittenTime length = place(cells, "length");
        if (length != null && length.value() <= 0) {
            throw new IllegalArgumentException("its length is not more than nothing.");
        }
        String take = text(cells, "take");
        rows.computeIfAbsent(row, name -> new LinkedHashMap<>())
                .computeIfAbsent(
                        take.isEmpty() ? "Take 1" : take.matches("\\d+") ? "Take " + take : take,
                        name -> new ArrayList<>())
                .add(new LaidClip(
                        file,
                        position,
                        place(cells, "offset"),
                        length,
                        gain(cells),
                        place(cells, "fade in"),
                        place(cells, "fade out")));
    }

    private String text(List<String> cells, String column) {
        Integer at = columns.get(column);
        return at == null || at >= cells.size() ? "" : cells.get(at).strip();
    }

    private WrittenTime place(List<String> cells, String column) {
        String written = text(cells, column);
        return written.isEmpty() ? null : WrittenTime.parse(number(written), units.get(column));
    }

    /** Where commas do not separate cells, they can stand for the decimal point. */
    private String number(String written) {
        return separator == ',' && !written.matches("-?\\d+,\\d+.*") ? written : written.replace(',', '.');
    }

    private double gain(List<String> cells) {
        String written = number(text(cells, "gain"))
                .toLowerCase(Locale.ROOT)
                .replace("db", "")
                .replace('−', '-')
                .strip();
        if (written.isEmpty()) {
            return 0;
        }
        try {
            return Double.parseDouble(written);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("“" + written + "” is no gain in dB.");
        }
    }
}
