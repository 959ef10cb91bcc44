package apodex.handoff;

import apodex.audio.FileKind;
import apodex.handoff.Handoff.Sides;
import apodex.naming.NameStyle;
import apodex.session.Bounds;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * What holds for all files. Whatever is null is left to what stands behind: to the brief, and then to what is usual.
 *
 * @param depth       sample format; usually the recordings' own
 * @param format      container; usually WAV
 * @param rate        usually the session's
 * @param returns     what becomes of returns at Bus and Mix; usually own files
 * @param dynamics    how shared effects act on one row at Bus and Mix; usually in place
 * @param sides       channels of rows for which nothing else is said; usually automatic
 * @param leadInBars  bars before the range; usually 0
 * @param count       clicks in the lead-in instead of silence, in the file of the click; usually none
 * @param click       a file with the beat; usually none
 * @param tailSeconds how long files go on after the range; usually until all is quiet
 * @param levels      how loud files are; usually as they are
 * @param headroomDb  how far the loudest file stays below full scale where that is asked for, 0 to 24; usually 6
 * @param takes       Raw of takes that are not the chosen one as well; usually not
 * @param edits       in the place of Raw of audio rows the recordings they are cut from, and what lays them out; usually not
 * @param handleSeconds how much more of a recording goes out on each side of a clip then, 0 to 600; usually 2
 * @param notes       the notes of instrument rows as Standard MIDI Files; usually, where there are any
 * @param listening   the reference mix as a small file to listen to; usually not
 * @param listeningAs what kind of file that is; usually MP3
 * @param cues        markers in the files, where their kind has a place for them; usually not
 * @param layOut      what lays the files out in other programs: timeline, clip list, tempo map, a page; usually
 * @param document    the session itself, to be opened in Apodex; usually not
 * @param folders     how files are put into folders; usually by kind
 * @param naming      how file names are put together; usually number, row and what it is
 * @param splitMegabytes largest zip, in millions of bytes, 10 at least; usually one zip, however large
 */
public record Settings(
        @Called("the sample format") @Nullable Depth depth,
        @Called("the kind of file") @Nullable FileKind format,
        @Called("the rate") @Nullable SampleRate rate,
        @Called("returns") @Nullable Returns returns,
        @Called("shared dynamics") @Nullable Dynamics dynamics,
        @Called("the channels") @Nullable Sides sides,
        @Called("the lead-in") @Nullable Integer leadInBars,
        @Called("the count") @Nullable Boolean count,
        @Called("the click") @Nullable Click click,
        @Called("the tail") @Nullable Double tailSeconds,
        @Called("the levels") @Nullable Levels levels,
        @Called("the headroom") @Nullable Double headroomDb,
        @Called("other takes") @Nullable Boolean takes,
        @Called("edits") @Nullable Boolean edits,
        @Called("the handles") @Nullable Double handleSeconds,
        @Called("notes") @Nullable Boolean notes,
        @Called("the mix to listen to") @Nullable Boolean listening,
        @Called("the kind of the mix to listen to") @Nullable FileKind listeningAs,
        @Called("markers in the files") @Nullable Boolean cues,
        @Called("what lays the files out") @Nullable Boolean layOut,
        @Called("the session document") @Nullable Boolean document,
        @Called("folders") @Nullable Folders folders,
        @Called("file names") @Nullable NameStyle naming,
        @Called("the largest zip") @Nullable Integer splitMegabytes) {
    private static final int SMALLEST_SPLIT = 10;
    private static final List<RecordComponent> FIELDS = List.of(Settings.class.getRecordComponents());
    /** Nothing said. */
    public static final Settings OPEN = of(new Object[FIELDS.size()]);

    public static final Bounds LEAD_IN_BARS = new Bounds(0, 64);
    public static final Bounds HEADROOM_DB = new Bounds(0, 24);
    public static final Bounds TAIL_SECONDS = new Bounds(0, 600);
    public static final Bounds HANDLE_SECONDS = new Bounds(0, 600);

    /** What holds when nobody says anything. Depth, rate, tail and size of zips stay open: they follow the session. */
    public static final Settings USUAL = OPEN.withFormat(FileKind.WAV)
            .withSharing(Returns.OWN_FILES, Dynamics.IN_PLACE)
            .withSides(Sides.AUTOMATIC)
            .withLeadIn(0, false)
            .withClick(Click.NONE)
            .withLevels(Levels.AS_THEY_ARE, 6.0)
            .withEdits(false, 2.0)
            .withExtras(false, true, false, false)
            .withListeningAs(FileKind.MP3)
            .withCues(false)
            .withLayOut(true)
            .withFolders(Folders.KIND)
            .withNaming(NameStyle.USUAL);

    /** What people call a setting. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @interface Called {
        String value();
    }

    public Settings {
        if (format != null && format.isLossy()) {
            throw new IllegalArgumentException(
                    format.label() + " is to listen to; files that are handed on are WAV, AIFF or FLAC.");
        }
        if (headroomDb != null && !HEADROOM_DB.hold(headroomDb)) {
            throw new IllegalArgumentException("Headroom is " + HEADROOM_DB.words() + " dB, not " + headroomDb + ".");
        }
        if (handleSeconds != null && !HANDLE_SECONDS.hold(handleSeconds)) {
            throw new IllegalArgumentException(
                    "Handles are " + HANDLE_SECONDS.words() + " seconds long, not " + handleSeconds + ".");
        }
        if (listeningAs != null && !listeningAs.isPacked()) {
            throw new IllegalArgumentException(
                    "The mix to listen to is a small file, MP3 or FLAC, not " + listeningAs.label() + ".");
        }
        if (splitMegabytes != null && splitMegabytes < SMALLEST_SPLIT) {
            throw new IllegalArgumentException(
                    "A zip can be split into parts of 10 MB or more, not " + splitMegabytes + ".");
        }
    }

    /** These, and where they say nothing, the others. */
    public Settings over(Settings other) {
        Object[] values = values();
        Object[] behind = other.values();
        for (int i = 0; i < values.length; i++) {
            values[i] = values[i] == null ? behind[i] : values[i];
        }
        return of(values);
    }

    /** Names of the settings that say something. */
    List<String> said() {
        return OPEN.differences(this);
    }

    /** Names of the settings that another says otherwise. */
    List<String> differences(Settings other) {
        Object[] mine = values();
        Object[] theirs = other.values();
        List<String> names = new ArrayList<>();
        for (int i = 0; i < mine.length; i++) {
            if (!Objects.equals(mine[i], theirs[i])) {
                names.add(FIELDS.get(i).getAnnotation(Called.class).value());
            }
        }
        return names;
    }

    private Object[] values() {
        Object[] values = new Object[FIELDS.size()];
        for (int i = 0; i < values.length; i++) {
            try {
                values[i] = FIELDS.get(i).getAccessor().invoke(this);
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException("A record cannot read itself.", e);
            }
        }
        return values;
    }

    private static Settings of(Object[] values) {
        try {
            return (Settings) Settings.class.getDeclaredConstructors()[0].newInstance(values);
        } catch (InvocationTargetException e) {
            throw e.getCause() instanceof IllegalArgumentException refused
                    ? refused
                    : new IllegalStateException(e.getCause());
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("A record cannot make itself.", e);
        }
    }

    private Settings with(String name, Object value) {
        Object[] values = values();
        for (int i = 0; i < values.length; i++) {
            if (FIELDS.get(i).getName().equals(name)) {
                values[i] = value;
            }
        }
        return of(values);
    }

    public Settings withDepth(Depth other) {
        return with("depth", other);
    }

    public Settings withFormat(FileKind other) {
        return with("format", other);
    }

    public Settings withRate(SampleRate other) {
        return with("rate", other);
    }

    /** Whether files carry their share of returns, and of what sums do to dynamics. */
    public Settings withSharing(Returns newReturns, Dynamics newDynamics) {
        return with("returns", newReturns).with("dynamics", newDynamics);
    }

    public Settings withSides(Sides other) {
        return with("sides", other);
    }

    /** Bars of silence before the start, and whether a click counts them. */
    public Settings withLeadIn(Integer bars, Boolean counted) {
        return with("leadInBars", bars).with("count", counted);
    }

    public Settings withClick(Click other) {
        return with("click", other);
    }

    /** Seconds after the end; null until it is quiet. */
    public Settings withTail(Double seconds) {
        return with("tailSeconds", seconds);
    }

    /** How loud files are, and by how much the loudest stays below full scale where that is asked for. */
    public Settings withLevels(Levels other, Double headroom) {
        return with("levels", other).with("headroomDb", headroom);
    }

    /** Whether edits go out in the place of files of Raw, and with how many seconds beside each clip. */
    public Settings withEdits(Boolean other, Double handles) {
        return with("edits", other).with("handleSeconds", handles);
    }

    public Settings withExtras(Boolean newTakes, Boolean newNotes, Boolean newListening, Boolean newDocument) {
        return with("takes", newTakes)
                .with("notes", newNotes)
                .with("listening", newListening)
                .with("document", newDocument);
    }

    /** What kind of file the mix to listen to is. */
    public Settings withListeningAs(FileKind other) {
        return with("listeningAs", other);
    }

    /** Whether timeline, clip list, tempo map and a page on how to load them come along. */
    public Settings withLayOut(Boolean other) {
        return with("layOut", other);
    }

    /** Whether files hold the session's markers. */
    public Settings withCues(Boolean other) {
        return with("cues", other);
    }

    public Settings withFolders(Folders other) {
        return with("folders", other);
    }

    public Settings withNaming(NameStyle other) {
        return with("naming", other);
    }

    /** Parcels in parts of so many megabytes at the most; null in one. */
    public Settings withSplit(Integer megabytes) {
        return with("splitMegabytes", megabytes);
    }
}
