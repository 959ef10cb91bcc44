package apodex.intake;

import apodex.intake.WrittenTime.WrittenIn;
import apodex.time.SampleRate;
import apodex.time.TimecodeRate;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How a table from elsewhere is read as a list: what its columns hold and what they count. Told once for a set of headings, it holds for
 * the next list that has them.
 *
 * @param columns  one for each column of the table, in its order
 * @param timecode how timecodes count; null where there are none
 */
public record ClipListForm(List<Column> columns, @Nullable TimecodeRate timecode) {
    private static final Pattern SOUND =
            Pattern.compile(".+\\.(?:wav|wave|aif|aiff|aifc|flac|bwf|rf64|w64|mp3)", Pattern.CASE_INSENSITIVE);

    /** Columns that number lines. */
    private static final Set<String> COUNTS =
            Set.of("", "#", "no", "no.", "nr", "nr.", "number", "index", "id", "order");

    private static final Pattern BRACKETS = Pattern.compile("\\s*[(\\[].*[)\\]]\\s*$");

    private static final Pattern COUNTED_BY = Pattern.compile("samples at (\\d{4,6})\\b");

    public ClipListForm {
        columns = List.copyOf(columns);
        Set<ClipColumn> seen = EnumSet.noneOf(ClipColumn.class);
        for (Column column : columns) {
            if (column.unit() == WrittenIn.TICKS) {
                throw new IllegalArgumentException("Nothing says how many ticks make a second.");
            }
            if (column.is() != null && !seen.add(column.is())) {
                throw new IllegalArgumentException(
                        "Two columns cannot both be “" + column.is().ours() + "”.");
            }
        }
    }

    /**
     * A column.
     *
     * @param heading as the table has it
     * @param is      what it holds; null when it is passed over
     * @param unit    what its bare numbers count; null when it says no time, or nothing tells
     */
    public record Column(String heading, @Nullable ClipColumn is, @Nullable WrittenIn unit) {}

    /** What is likely meant, told from the headings and from how the cells are written. */
    static ClipListForm guess(CsvTable table) {
        List<Column> columns = new ArrayList<>();
        Set<ClipColumn> taken = EnumSet.noneOf(ClipColumn.class);
        boolean coded = false;
        for (int i = 0; i < table.headings().size(); i++) {
            String heading = table.headings().get(i);
            ClipColumn is = null;
            for (ClipColumn each : ClipColumn.values()) {
                if (each.isCalled(plain(heading)) && taken.add(each)) {
                    is = each;
                    break;
                }
            }
            int at = i;
            coded |= is != null && is.isTime() && table.cells(at).anyMatch(TimecodeRate::isWritten);
            columns.add(new Column(heading, is, is == null || !is.isTime() ? null : unit(heading, table, at)));
        }
        return new ClipListForm(columns, coded ? said(table).orElse(null) : null).withFiles(table);
    }

    /** Where no heading says files, the column that holds names of sound files is likely it. */
    private ClipListForm withFiles(CsvTable table) {
        for (int i = 0; i < columns.size() && place(ClipColumn.FILE).isEmpty(); i++) {
            int at = i;
            long named = table.cells(at)
                    .filter(cell -> SOUND.matcher(cell).matches())
                    .count();
            if (columns.get(i).is() == null
                    && named > 0
                    && 2 * named >= table.cells(at).count()) {
                List<Column> more = new ArrayList<>(columns);
                more.set(i, new Column(columns.get(i).heading(), ClipColumn.FILE, null));
                return new ClipListForm(more, timecode);
            }
        }
        return this;
    }

    /** The same with a likely unit where nothing tells one: a person sees what comes of it before it is read. */
    ClipListForm likely(CsvTable table) {
        List<Column> likely = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            Column column = columns.get(i);
            boolean open = column.is() != null && column.is().isTime() && column.unit() == null;
            boolean whole = table.cells(i).filter(WrittenTime::isBareNumber).allMatch(cell -> cell.matches("-?\\d+"));
            likely.add(
                    open
                            ? new Column(column.heading(), column.is(), whole ? WrittenIn.SAMPLES : WrittenIn.SECONDS)
                            : column);
        }
        return new ClipListForm(likely, timecode);
    }

    private static String plain(String heading) {
        return BRACKETS.matcher(
                        heading.toLowerCase(Locale.ROOT).replace('_', ' ').strip())
                .replaceAll("")
                .strip();
    }

    @Nullable
    private static WrittenIn unit(String heading, CsvTable table, int column) {
        String name = heading.toLowerCase(Locale.ROOT);
        if (name.contains("second") || name.contains("(s)") || name.contains("sec")) {
            return WrittenIn.SECONDS;
        }
        if (name.contains("(ms)") || name.contains("millisecond")) {
            return WrittenIn.MILLISECONDS;
        }
        if (name.contains("bar") || name.contains("beat")) {
            return WrittenIn.BARS;
        }
        if (name.contains("sample") || name.contains("frame")) {
            return WrittenIn.SAMPLES;
        }
        boolean bare = table.cells(column).anyMatch(WrittenTime::isBareNumber);
        return !bare
                ? WrittenIn.SAMPLES
                : ClipColumn.valueOfOurs(plain(heading)).isPresent() && isOurs(table) ? WrittenIn.SAMPLES : null;
    }

    /** Whether the headings are those that our own description names: then bare numbers are samples, as it says. */
    private static boolean isOurs(CsvTable table) {
        return List.of(ClipColumn.ROW, ClipColumn.FILE, ClipColumn.POSITION).stream()
                .allMatch(needed -> table.headings().stream()
                        .anyMatch(heading -> plain(heading).equals(needed.ours())));
    }

    /** The rate that a heading says samples are counted by, as {@code position (samples at 48000)}. */
    Optional<SampleRate> rate() {
        return columns.stream()
                .map(column -> COUNTED_BY.matcher(column.heading().toLowerCase(Locale.ROOT)))
                .filter(Matcher::find)
                .map(said -> Long.parseLong(said.group(1)))
                .filter(SampleRate::isUsable)
                .map(hertz -> SampleRate.of(hertz.intValue()))
                .findFirst();
    }

    /** A frame rate that the table itself says. */
    private static Optional<TimecodeRate> said(CsvTable table) {
        boolean drops = table.all().anyMatch(cell -> cell.matches("\\d{2}:\\d{2}:\\d{2};\\d{2}.*"));
        return drops ? Optional.of(TimecodeRate.FPS_29_97_DROP) : Optional.empty();
    }

    /** How many columns are understood. */
    int known() {
        return (int) columns.stream().filter(column -> column.is() != null).count();
    }

    Optional<Integer> place(ClipColumn column) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).is() == column) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** What a line holds in a column, without blanks around it; empty when it holds nothing there. */
    String cell(ClipColumn column, CsvTable.Line line) {
        return place(column)
                .filter(at -> at < line.cells().size())
                .map(at -> line.cells().get(at).strip())
                .orElse("");
    }

    /** Whether it lays clips out: each in a row, of a file, somewhere. */
    @JsonIgnore
    public boolean isOfClips() {
        return place(ClipColumn.FILE).isPresent() && place(ClipColumn.POSITION).isPresent();
    }

    /** Whether it says what files are, and not where. */
    @JsonIgnore
    public boolean isOfTracks() {
        return place(ClipColumn.FILE).isPresent()
                && place(ClipColumn.POSITION).isEmpty()
                && (place(ClipColumn.ROW).isPresent() || place(ClipColumn.NOTE).isPresent());
    }

    /** Whether nothing has to be asked. */
    boolean isSure(CsvTable table) {
        boolean timecodes = columns.stream()
                .anyMatch(column -> column.is() != null
                        && column.is().isTime()
                        && table.cells(columns.indexOf(column)).anyMatch(TimecodeRate::isWritten));
        return (isOfClips() && place(ClipColumn.ROW).isPresent() || isOfTracks() && !mayHoldPlaces(table))
                && columns.stream()
                        .noneMatch(column -> column.is() != null && column.is().isTime() && column.unit() == null)
                && (!timecodes || timecode != null);
    }

    /** Whether a column that is not understood may say where something lies. */
    private boolean mayHoldPlaces(CsvTable table) {
        for (int i = 0; i < columns.size(); i++) {
            boolean counts = COUNTS.contains(plain(columns.get(i).heading()));
            long places = table.cells(i).filter(WrittenTime::mayBePlace).count();
            if (columns.get(i).is() == null
                    && !counts
                    && 2 * places > table.cells(i).count()) {
                return true;
            }
        }
        return false;
    }

    /** The same for every list with these headings. */
    public static String key(List<String> headings) {
        return String.join(
                "\n",
                headings.stream()
                        .map(each -> each.strip().toLowerCase(Locale.ROOT))
                        .toList());
    }
}
