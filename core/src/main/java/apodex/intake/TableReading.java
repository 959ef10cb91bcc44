package apodex.intake;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A table of an intake, read as a list in some way: what would come of it, and the correction that makes it so. */
public final class TableReading {
    private static final int SHOWN_LINES = 12;
    private static final int SHOWN_CLIPS = 8;

    private final Intake intake;
    private final String file;
    private final KeptDocuments documents;
    private final CsvTable table;
    /** That the intake is added to. */
    @Nullable
    private final Session onto;

    /**
     * What a reading comes to.
     *
     * @param headings of the table
     * @param lines    its first
     * @param form     in which it is read
     * @param isList   whether the form says enough to read it
     * @param clips    how many it lays out; for a list of tracks, how many files it names
     * @param rows     on how many rows
     * @param first    of the clips
     * @param troubles what was left out of it, and why
     */
    public record Preview(
            List<String> headings,
            List<List<String>> lines,
            ClipListForm form,
            boolean isList,
            int clips,
            int rows,
            List<ShownClip> first,
            List<String> troubles) {}

    /**
     * A clip as it would lie.
     *
     * @param seconds from the session's start
     * @param length  in seconds
     * @param isHere  whether its recording came
     */
    public record ShownClip(String row, String file, double seconds, double length, boolean isHere) {}

    /**
     * @param kept what {@link DropExaminer#examine} kept
     * @param onto the session that the intake is added to; null: it becomes one of its own
     * @throws IllegalArgumentException when the file is no table
     */
    public TableReading(Intake intake, String file, Path kept, @Nullable Session onto) throws IOException {
        this.intake = intake;
        this.onto = onto;
        this.file = file;
        this.documents = KeptDocuments.of(kept);
        DroppedFile document = documents.byId.get(file);
        Optional<CsvTable> read = document == null ? Optional.empty() : CsvTable.read(document.content());
        this.table = read.orElseThrow(() -> new IllegalArgumentException("That file is no table."));
    }

    /** In the way it is read now, or as is likely meant. */
    public ClipListForm form() {
        ClipListForm now = intake.file(file).form();
        return now == null ? ClipListForm.guess(table).likely(table) : now;
    }

    /** Headings of the table. */
    public List<String> headings() {
        return table.headings();
    }

    /** What it would come to. */
    public Preview preview(ClipListForm form) throws IOException {
        check(form);
        List<List<String>> lines = table.lines().stream()
                .limit(SHOWN_LINES)
                .map(CsvTable.Line::cells)
                .toList();
        List<String> troubles = new ArrayList<>();
        if (form.isOfTracks()) {
            int named = (int) new TrackList(table, form)
                    .corrections(intake.files()).stream()
                            .filter(Correction.InRow.class::isInstance)
                            .count();
            return new Preview(table.headings(), lines, form, true, named, named, List.of(), troubles);
        }
        if (!form.isOfClips()) {
            return new Preview(table.headings(), lines, form, false, 0, 0, List.of(), troubles);
        }
        Sorted alone = Sorted.ofDocuments(List.of(documents.byId.get(file)), (each, same) -> Optional.of(form));
        Media media = media();
        List<Row> rows = listed(alone, media).rows();
        alone.remarks.forEach(remark -> troubles.add(remark.reason()));
        List<ShownClip> first = new ArrayList<>();
        int clips = 0;
        for (Row row : rows) {
            for (Clip clip : ((AudioRow) row).allClips()) {
                clips++;
                if (first.size() < SHOWN_CLIPS) {
                    first.add(shown(row, clip, media));
                }
            }
        }
        return new Preview(table.headings(), lines, form, true, clips, rows.size(), first, troubles);
    }

    private ShownClip shown(Row row, Clip clip, Media media) {
        Optional<Recording> here = media.known(clip.recording());
        String name = here.or(() -> media.missing().stream()
                        .filter(recording -> recording.sha256().equals(clip.recording()))
                        .findFirst())
                .map(Recording::fileName)
                .orElse("");
        return new ShownClip(
                row.name(),
                name,
                intake.rate().seconds(clip.position()),
                intake.rate().seconds(clip.frames()),
                here.isPresent());
    }

    /**
     * The correction that reads it so.
     *
     * @throws IllegalArgumentException when the form does not say enough
     */
    public Correction.ReadAs correction(ClipListForm form) throws IOException {
        check(form);
        if (form.isOfTracks()) {
            return new Correction.ReadAs(
                    file,
                    form,
                    intake.lists(),
                    intake.listed(),
                    intake.missing(),
                    new TrackList(table, form).corrections(intake.files()));
        }
        if (!form.isOfClips()) {
            throw new IllegalArgumentException(
                    "A list needs a column of files, and one of positions, or of rows or notes.");
        }
        Intake read = new Correction.ReadAs(file, form, intake.lists(), intake.listed(), List.of(), List.of())
                .applyTo(intake);
        Sorted all = Sorted.ofDocuments(ParcelPapers.of(documents.files()).rest, documents.forms(read));
        Media media = media();
        Lists lists = DropExaminer.listed(all, media, intake.rate(), song(), intake.start());
        List<String> named = intake.sounds().stream()
                .filter(each -> media.isUsed(each.recording()))
                .map(IntakeFile::id)
                .toList();
        List<String> missing = media.missing().stream().map(Recording::fileName).toList();
        return new Correction.ReadAs(file, form, lists, named, missing, List.of());
    }

    private void check(ClipListForm form) {
        if (form.columns().size() != table.headings().size()) {
            throw new IllegalArgumentException(
                    "The table has " + table.headings().size() + " columns, not "
                            + form.columns().size() + ".");
        }
    }

    private SessionLayout.Listed listed(Sorted sorted, Media media) {
        Song song = SessionLayout.song(sorted, song(), intake.lists().tempo());
        return SessionLayout.listed(sorted, media, intake.rate(), song, intake.lists(), intake.start());
    }

    private Media media() {
        return Media.of(intake).and(onto == null ? List.of() : onto.recordings());
    }

    private Song song() {
        return onto == null ? Song.titled(intake.title()) : onto.song();
    }
}
