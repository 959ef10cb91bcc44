package apodex.handoff;

import apodex.audio.AllCores;
import apodex.audio.FileKind;
import apodex.audio.SoundLabel;
import apodex.measure.SoundMeasures;
import apodex.notes.MidiFile;
import apodex.session.InstrumentRow;
import apodex.session.Session;
import apodex.signal.Measuring;
import apodex.signal.Passage;
import apodex.signal.Placed;
import apodex.signal.PlainSum;
import apodex.signal.Printed;
import apodex.signal.Recordings;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.Function;
import java.util.stream.IntStream;

/**
 * Makes everything a plan asks for, in the folders in which it is to lie: a walk for each section, then what is made from its
 * files. What an earlier run printed of the very same content is taken over.
 */
public final class Printing {
    private final Session session;
    private final Settings settings;
    private final Plan plan;
    private final Path folder;
    private final Recordings recordings;
    private final int threads;
    private final WalkObserver observer;
    private final Function<String, Optional<Earlier>> earlier;
    private final Map<Integer, PlainSum> plainSums;
    private final ContentKeys contentKeys;
    private final Map<Print, String> keys = new IdentityHashMap<>();
    private final Made[] made;
    private final List<Long> lengths = new ArrayList<>();
    private double shareBefore;

    private Printing(
            Session session,
            Settings settings,
            Plan plan,
            Path folder,
            Recordings recordings,
            int threads,
            WalkObserver observer,
            Function<String, Optional<Earlier>> earlier,
            Map<Integer, PlainSum> plainSums) {
        this.plainSums = plainSums;
        this.session = session;
        this.settings = settings;
        this.plan = plan;
        this.folder = folder;
        this.recordings = recordings;
        this.threads = threads;
        this.observer = observer;
        this.earlier = earlier;
        this.contentKeys = new ContentKeys(session, plan, settings);
        this.made = new Made[plan.prints().size()];
    }

    /**
     * What became of one print.
     *
     * @param key       what its bytes follow from
     * @param channels  channels of the file
     * @param quietAt   frame of the session at which it had been quiet for a second
     * @param overs     samples that passed full scale and were held there
     * @param placed    on which side its sound sits in the session
     * @param takenOver whether an earlier run made it
     * @param digest    {@link apodex.audio.SampleDigest} of its samples; null of runs from before it was taken
     * @param measures  of its samples; null of runs from before they were taken while printing
     */
    public record Made(
            String key,
            int channels,
            long quietAt,
            long overs,
            Placed placed,
            boolean takenOver,
            @Nullable String digest,
            @Nullable SoundMeasures measures) {
        static Made of(String key, Printed printed, long quietAt, Placed placed) {
            return new Made(
                    key,
                    printed.channels(),
                    quietAt,
                    printed.overs(),
                    placed,
                    false,
                    printed.digest(),
                    printed.measures());
        }

        /** The same, not made anew. */
        Made again() {
            return new Made(key, channels, quietAt, overs, placed, true, digest, measures);
        }
    }

    /** Where a file comes from that is there already. */
    public enum Origin {
        RUN_BEFORE,
        /** A part of this very run, printed elsewhere. */
        THIS_RUN
    }

    /**
     * A file that is there already, whole and unchanged since.
     *
     * @param frames length of its section then
     */
    public record Earlier(Path file, long frames, Made made, Origin origin) {
        /** Of an earlier run. */
        public Earlier(Path file, long frames, Made made) {
            this(file, frames, made, Origin.RUN_BEFORE);
        }

        private Made inThisRun() {
            return origin == Origin.RUN_BEFORE ? made.again() : made;
        }
    }

    /**
     * What came out.
     *
     * @param plan   with real lengths, channels and sizes
     * @param prints in the plan's order
     */
    public record Result(Plan plan, List<Made> prints) {}

    /** Prints everything. */
    public static Result print(
            Session session,
            Handoff handoff,
            Plan plan,
            Path folder,
            Recordings recordings,
            int threads,
            WalkObserver observer)
            throws IOException {
        return print(session, handoff, plan, folder, recordings, threads, observer, key -> Optional.empty(), Map.of());
    }

    /**
     * Prints.
     *
     * @param session as it is
     * @param folder  empty
     * @param earlier what is there already, by content key
     * @param plainSums what is written beside, by section, where anything is walked at all
     * @throws IOException           when a recording cannot be read or a file cannot be written
     * @throws CancellationException when the observer or an interrupt ended it
     */
    public static Result print(
            Session session,
            Handoff handoff,
            Plan plan,
            Path folder,
            Recordings recordings,
            int threads,
            WalkObserver observer,
            Function<String, Optional<Earlier>> earlier,
            Map<Integer, PlainSum> plainSums)
            throws IOException {
        return new Printing(
                        AsPlanned.of(session, handoff),
                        handoff.settled(),
                        plan,
                        folder,
                        recordings,
                        threads,
                        observer,
                        earlier,
                        plainSums)
                .print();
    }

    private Result print() throws IOException {
        Files.createDirectories(folder);
        for (Print print : plan.prints()) {
            Files.createDirectories(folder.resolve(print.path()).getParent());
        }
        for (int section = 0; section < plan.sections().size(); section++) {
            print(section);
            shareBefore += shareOf(section);
        }
        for (int section = 0; section < plan.sections().size(); section++) {
            if (!plan.listening().get(section).isEmpty()) {
                listening(
                        plan.reference(section).orElseThrow(),
                        folder.resolve(plan.listening().get(section)));
            }
        }
        if (plan.format().isPacked()) {
            pack();
        }
        excerpts();
        for (int section = 0; section < plan.beats().size(); section++) {
            if (!plan.beats().get(section).isEmpty()) {
                beat(section, folder.resolve(plan.beats().get(section)));
            }
        }
        for (NoteFile notes : plan.notes()) {
            List<InstrumentRow> rows = session.rows().stream()
                    .filter(InstrumentRow.class::isInstance)
                    .map(InstrumentRow.class::cast)
                    .filter(row -> !row.notes().isEmpty()
                            && (notes.row().isEmpty() || notes.row().equals(row.id())))
                    .toList();
            Path file = folder.resolve(notes.folder()).resolve(notes.file());
            Files.createDirectories(file.getParent());
            Passage passage = plan.sections().get(notes.section()).passage();
            MidiFile.write(session, rows, passage.range(), passage.leadInFrames(), file);
        }
        List<Long> sizes = new ArrayList<>();
        for (Print print : plan.prints()) {
            sizes.add(Files.size(folder.resolve(print.path())));
        }
        List<Made> all = List.of(made);
        return new Result(plan.printed(all.stream().map(Made::channels).toList(), sizes, lengths), all);
    }

    private void excerpts() throws IOException {
        double each = plan.edits().isEmpty()
                ? 0
                : (1 - sectionsShare()) / plan.edits().excerpts().size();
        for (Excerpt excerpt : plan.edits().excerpts()) {
            ExcerptCopy.write(session, excerpt, recordings, folder, observer::isCancelled);
            shareBefore += each;
            observer.printed(shareBefore);
        }
    }

    /** What of the work is the walks', rather than the cutting of recordings. */
    private double sectionsShare() {
        return plan.bytes() == 0 ? 1 : 1 - (double) plan.edits().bytes() / plan.bytes();
    }

    private void listening(Print mix, Path file) throws IOException {
        Path plain = folder.resolve(plan.walkPath(mix));
        plan.listeningAs()
                .pack(
                        Files.exists(plain) ? plain : folder.resolve(mix.path()), // taken over as it was packed
                        file,
                        plan.labels(session).ofListening(plan.section(mix)));
    }

    private double shareOf(int section) {
        return plan.frames() == 0
                ? 0
                : sectionsShare() * (double) plan.sections().get(section).frames() / plan.frames();
    }

    /** Takes over what can be, unless what is new makes the section longer or shorter than it was. */
    private void print(int section) throws IOException {
        List<Print> all = plan.prints().stream()
                .filter(print -> print.section() == section)
                .toList();
        List<Print> walked = all.stream().filter(print -> !print.isClick()).toList();
        List<Print> fresh =
                walked.stream().filter(print -> earlier(print) == null).toList();
        List<Print> kept =
                walked.stream().filter(print -> earlier(print) != null).toList();
        long frames = plan.sections().get(section).frames();
        if (!kept.isEmpty()) {
            long before = earlier(kept.get(0)).frames();
            boolean oneLength = kept.stream().allMatch(print -> earlier(print).frames() == before);
            long quietAt = kept.stream()
                    .mapToLong(print -> earlier(print).made().quietAt())
                    .max()
                    .orElse(0);
            frames = fresh.isEmpty() ? before : oneLength ? walk(section, fresh, kept, quietAt) : -1;
            if (!oneLength || frames != before) {
                for (Print print : fresh) {
                    Files.deleteIfExists(folder.resolve(plan.walkPath(print)));
                }
                frames = walk(section, walked, List.of(), 0);
                kept = List.of();
            }
        } else if (!walked.isEmpty()) {
            frames = walk(section, walked, List.of(), 0);
        }
        for (Print print : kept) {
            Earlier there = earlier(print);
            Files.copy(there.file(), folder.resolve(print.path()));
            made[plan.prints().indexOf(print)] = there.inThisRun();
        }
        for (Print click : all.stream().filter(Print::isClick).toList()) {
            click(click, frames);
        }
        lengths.add(frames);
    }

    private Earlier earlier(Print print) {
        return earlier.apply(key(print)).orElse(null);
    }

    private String key(Print print) {
        return keys.computeIfAbsent(print, contentKeys::of);
    }

    /** @return the length of the files */
    private long walk(int section, List<Print> prints, List<Print> beside, long quietAt) throws IOException {
        double before = shareBefore;
        double share = shareOf(section);
        WalkObserver here = new WalkObserver() {
            @Override
            public void printed(double ofSection) {
                observer.printed(before + share * ofSection);
            }

            @Override
            public boolean isCancelled() {
                return observer.isCancelled();
            }
        };
        PlainSum plainSum = plainSums.get(section);
        if (plainSum != null) {
            Files.deleteIfExists(plainSum.file()); // of a walk whose length did not fit
        }
        List<Printed> printed = new Walk(
                        session,
                        plan.taps(session, prints, folder),
                        plan.sections().get(section).passage(),
                        plan.sharing(),
                        recordings,
                        threads)
                .beside(plan.taps(session, beside, folder), quietAt)
                .measuring(Measuring.ALL)
                .along(plainSum)
                .print(here);
        for (int i = 0; i < prints.size(); i++) {
            Print print = prints.get(i);
            Printed each = printed.get(i);
            made[plan.prints().indexOf(print)] = Made.of(key(print), each, each.quietAt(), Placing.of(plan, print));
        }
        return printed.get(0).frames();
    }

    private void click(Print print, long frames) throws IOException {
        ClickTrack track = new ClickTrack(session, plan.rate());
        PlannedSection section = plan.section(print);
        Printed printed = track.write(
                track.knocks(section.passage(), settings.count(), settings.click() != Click.NONE, frames),
                frames,
                plan.depth().sample(),
                plan.format().plain(),
                folder.resolve(plan.walkPath(print)),
                plan.label(session, print),
                print.section());
        made[plan.prints().indexOf(print)] =
                Made.of(key(print), printed, section.passage().range().end(), Placed.MIDDLE);
    }

    /** Every beat, counted in where there is a lead-in. */
    private void beat(int section, Path file) throws IOException {
        Files.createDirectories(file.getParent());
        PlannedSection here = plan.sections().get(section);
        long frames = lengths.get(section);
        Path plain = file.resolveSibling(file.getFileName() + FileKind.WAV.ending());
        ClickTrack track = new ClickTrack(session, plan.rate());
        SoundLabel label = plan.labels(session).ofBeat(here);
        track.write(
                track.knocks(here.passage(), true, true, frames),
                frames,
                Plan.BEAT_DEPTH,
                FileKind.WAV,
                plain,
                label,
                section);
        FileKind.FLAC.pack(plain, file, label);
        Files.delete(plain);
    }

    private void pack() throws IOException {
        List<Integer> fresh = IntStream.range(0, made.length)
                .filter(i -> !made[i].takenOver())
                .boxed()
                .toList();
        AllCores.with(fresh, threads, index -> {
            if (observer.isCancelled()) {
                throw new CancellationException("Cancelled while packing files.");
            }
            Print print = plan.prints().get(index);
            Path plain = folder.resolve(plan.walkPath(print));
            plan.format().pack(plain, folder.resolve(print.path()), plan.label(session, print));
            Files.delete(plain);
            return print;
        });
    }
}
