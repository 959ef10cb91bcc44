package apodex.intake;

import apodex.intake.Seat.Side;
import apodex.intake.Seat.Use;
import apodex.naming.NameCleaner;
import apodex.naming.RoleGuess;
import apodex.naming.VagueName;
import apodex.session.Role;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Tells from names and folders where each recording belongs: the row it belongs to, its side or take there, its role and bus.
 * Names are read together: what counts all files of a folder is no part of a name, what tells two of them apart is.
 */
final class NamedSeats {
    private static final Pattern IN_FRONT =
            Pattern.compile("\\s*(\\d{1,4})(?:\\s*[_.)\\]-]+\\s*|\\s+)(?=\\S*\\p{L})(.+)");
    private static final Pattern TAKE = Pattern.compile(
            "(?:take|tk|t)[\\s_.-]*(\\d{1,3})|0*(\\d{1,3})(?:_0*\\d{1,3})?|comp[\\s_.-]*(\\d{1,3})",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern SIDE = Pattern.compile("(.+?)[\\s_.-]*(?:\\(([LR])\\)|\\b([LR]))");
    private static final Pattern BEHIND = Pattern.compile("(.+?[\\s_.-]+)(\\d{2,3})");
    /** Of the files of a folder: then it is counted. */
    private static final double MOST = 0.6;

    private final List<Named> files;
    private final String common;
    private final String song;
    /** Folder and beginning of names that are counted with zeros in front, and how many digits they have. */
    private final Map<String, Integer> padded = new HashMap<>();

    /**
     * A recording by what can be known of it without hearing it.
     *
     * @param told     what the file itself says it holds; empty when it does not
     * @param channels number of channels
     */
    record Named(String folder, String name, String told, int channels, String note) {
        String stem() {
            return Drop.stem(name);
        }
    }

    /** @param number that the file is counted with; 0 for none */
    record Read(int number, Seat seat) {}

    private NamedSeats(List<Named> files, String song) {
        this.files = files;
        this.song = song;
        this.common = FolderNames.common(files.stream().map(Named::folder).toList());
        for (Named file : files) {
            Matcher behind = BEHIND.matcher(withoutNumber(file.stem()));
            if (behind.matches() && behind.group(2).startsWith("0")) {
                padded.put(key(file, behind), behind.group(2).length());
            }
        }
    }

    private static String key(Named file, Matcher behind) {
        return file.folder() + "/" + behind.group(1).toLowerCase(Locale.ROOT);
    }

    private static String withoutNumber(String stem) {
        Matcher front = IN_FRONT.matcher(stem);
        return front.matches() ? front.group(2) : stem;
    }

    /** What follows 09 is counted as it was: with a zero in front it is told from a name that has a number. */
    private String countedOn(Named file, String stem) {
        Matcher behind = BEHIND.matcher(stem);
        return behind.matches()
                        && !behind.group(2).startsWith("0")
                        && padded.getOrDefault(key(file, behind), 0)
                                == behind.group(2).length()
                ? behind.group(1) + "0" + behind.group(2)
                : stem;
    }

    /** One for each file, in the same order. */
    static List<Read> of(List<Named> files, String song) {
        return new NamedSeats(files, song).read();
    }

    private List<Read> read() {
        Map<String, Integer> counted = new HashMap<>();
        Map<String, Integer> all = new HashMap<>();
        for (Named file : files) {
            all.merge(file.folder(), 1, Integer::sum);
            if (IN_FRONT.matcher(file.stem()).matches()) {
                counted.merge(file.folder(), 1, Integer::sum);
            }
        }
        List<Read> read = new ArrayList<>();
        for (Named file : files) {
            boolean isCounted = all.get(file.folder()) > 1
                    && counted.getOrDefault(file.folder(), 0) >= MOST * all.get(file.folder());
            read.add(read(file, isCounted));
        }
        return told(apart(read));
    }

    private Read read(Named file, boolean counted) {
        String stem = file.stem();
        int number = 0;
        Matcher front = IN_FRONT.matcher(stem);
        if (front.matches()) {
            boolean padded = front.group(1).startsWith("0");
            if (counted || padded) {
                number = Integer.parseInt(front.group(1));
                stem = front.group(2);
            }
        }
        stem = countedOn(file, stem);
        String folder = FolderNames.telling(file.folder(), common);
        if (VagueName.isVague(stem) && !file.told().isBlank() && !VagueName.isVague(file.told())) {
            stem = file.told();
        }
        Role ofFolder = RoleGuess.of(folder).orElse(Role.OTHER);
        Role role = RoleGuess.of(stem).orElse(ofFolder);
        NameCleaner.Cleaned cleaned = NameCleaner.clean(stem, role);
        String name = cleaned.name();
        Side side = Side.WHOLE;
        Matcher sided = SIDE.matcher(name);
        if (file.channels() == 1 && sided.matches()) {
            side = "L".equals(sided.group(2)) || "L".equals(sided.group(3)) ? Side.LEFT : Side.RIGHT;
            name = sided.group(1).strip();
        }
        boolean reference = ReferenceName.is(stem, folder, song);
        String note = join(cleaned.note(), file.note());
        String group = reference || folder.isEmpty()
                ? ""
                : NameCleaner.clean(folder, ofFolder).name();
        Seat seat = new Seat(
                reference ? Use.REFERENCE : Use.ROW,
                NoteRows.safe(name),
                role,
                note,
                take(cleaned.note()),
                side,
                group,
                Place.start());
        return new Read(number, seat);
    }

    private static String join(String one, String other) {
        return one.isBlank() || other.isBlank() || one.equals(other)
                ? one + (one.equals(other) ? "" : other)
                : one + "; " + other;
    }

    /** The number of a take that a note holds; 0 for none. */
    private static int take(String note) {
        for (String piece : note.split(",\\s*")) {
            Matcher matcher = TAKE.matcher(piece.strip());
            if (matcher.matches()) {
                String digits = matcher.group(1) != null
                        ? matcher.group(1)
                        : matcher.group(2) != null ? matcher.group(2) : matcher.group(3);
                return Integer.parseInt(digits);
            }
        }
        return 0;
    }

    /** Keeps together what is a pair or takes of one row, and gives all others a row of their own. */
    private List<Read> apart(List<Read> read) {
        Map<String, List<Integer>> together = new LinkedHashMap<>();
        for (int i = 0; i < read.size(); i++) {
            Seat seat = read.get(i).seat();
            String key = seat.use() + "\n" + seat.group() + "\n" + seat.row().toLowerCase(Locale.ROOT) + "\n"
                    + Math.min(3, files.get(i).channels());
            together.computeIfAbsent(key, name -> new ArrayList<>()).add(i);
        }
        List<Read> apart = new ArrayList<>(read);
        together.values().forEach(places -> settle(apart, places));
        return apart;
    }

    private void settle(List<Read> read, List<Integer> places) {
        Map<String, Integer> seen = new HashMap<>();
        boolean sided = places.stream().allMatch(i -> read.get(i).seat().side() != Side.WHOLE);
        long lefts = places.stream()
                .filter(i -> read.get(i).seat().side() == Side.LEFT)
                .count();
        boolean paired = sided && lefts * 2 == places.size();
        boolean takes = places.stream()
                        .map(i -> read.get(i).seat().take() + " "
                                + read.get(i).seat().side())
                        .distinct()
                        .count()
                == places.size();
        for (int i : places) {
            Seat seat = read.get(i).seat();
            if (seat.side() != Side.WHOLE && !paired) {
                seat = seat.withRow(seat.row() + (seat.side() == Side.LEFT ? " L" : " R"))
                        .withSide(Side.WHOLE);
            }
            boolean one = places.size() == (paired ? 2 : 1);
            if (!one && !(takes && seat.take() > 0)) {
                int copy = seen.merge(seat.row() + seat.side(), 1, Integer::sum);
                seat = copy == 1 ? seat : seat.withRow(numbered(seat.row(), copy));
            }
            read.set(i, new Read(read.get(i).number(), seat.withTake(Math.max(1, one ? 1 : seat.take()))));
        }
    }

    private static String numbered(String name, int number) {
        boolean sided = name.endsWith(" L") || name.endsWith(" R");
        String side = sided ? name.substring(name.length() - 2) : "";
        return name.substring(0, name.length() - side.length()) + " " + number + side;
    }

    /** Rows of one name that are not one row: told apart by their folders, or else counted. */
    private List<Read> told(List<Read> read) {
        Map<String, Set<String>> groups = new HashMap<>();
        for (Read each : read) {
            groups.computeIfAbsent(key(each.seat().row()), row -> new HashSet<>())
                    .add(each.seat().group());
        }
        Map<String, String> owner = new HashMap<>();
        List<Read> told = new ArrayList<>();
        for (int i = 0; i < read.size(); i++) {
            Seat seat = read.get(i).seat();
            String row = seat.row();
            if (groups.get(key(row)).size() > 1 && !seat.group().isEmpty()) {
                row = NoteRows.safe(seat.group() + " " + row);
            }
            String who =
                    seat.group() + "\n" + key(seat.row()) + "\n" + files.get(i).channels();
            String free = row;
            for (int copy = 2; !owner.computeIfAbsent(key(free), name -> who).equals(who); copy++) {
                free = numbered(row, copy);
            }
            told.add(new Read(read.get(i).number(), seat.withRow(free)));
        }
        return told;
    }

    private static String key(String name) {
        return name.toLowerCase(Locale.ROOT);
    }
}
