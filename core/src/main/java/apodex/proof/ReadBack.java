package apodex.proof;

import apodex.audio.AllCores;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.measure.Loudness;
import apodex.measure.SoundMeasures;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;

/**
 * One pass over all files, once: takes their checksums, and in the same pass lays those together that are to make something. What was
 * measured while printing holds for a file whose samples have the digest they had then; any other is measured anew.
 */
final class ReadBack {
    /** What is held of all files together; the more of each, the less often threads wait for each other. */
    private static final int HELD_BYTES = 24 << 20;

    private static final int LEAST_BLOCKS = 8;
    private static final int MOST_BLOCKS = 64;

    private final Plan plan;
    private final List<Printing.Made> made;
    private final Path files;
    private final int threads;
    private final Proving.Told told;
    private final ReadFile[] read;
    private long framesRead;

    private ReadBack(Plan plan, List<Printing.Made> made, Path files, int threads, Proving.Told told) {
        this.plan = plan;
        this.made = made;
        this.files = files;
        this.threads = threads;
        this.told = told;
        this.read = new ReadFile[plan.prints().size()];
    }

    /**
     * What is to be laid together of a section.
     *
     * @param prints  what is added
     * @param against what that is to be: printed files
     * @param beside  what that is to be: a file that was not printed; null for none
     * @param mono    whether both are folded to mono before they are compared
     */
    record Together(List<Print> prints, List<Print> against, @Nullable Path beside, boolean mono) {
        static final Together NOTHING = new Together(List.of(), List.of(), null, false);

        private Member.Part part(Print print) {
            return prints.contains(print)
                    ? Member.Part.ADDED
                    : against.contains(print) ? Member.Part.AGAINST : Member.Part.NONE;
        }
    }

    /** What files made together. @param leftover what is left of it when what it is to be is taken away */
    record Made(Leftover leftover, Loudness loudness) {
        /** Integrated loudness; null when it is too quiet to tell. */
        @Nullable
        Double lufs() {
            OptionalDouble lufs = loudness.integratedLufs();
            return lufs.isEmpty() ? null : lufs.getAsDouble();
        }
    }

    /**
     * All there is to know of the files themselves.
     *
     * @param files  in the plan's order
     * @param sums   by section
     */
    record Result(List<ReadFile> files, List<Made> sums) {}

    /** @param together by section */
    static Result of(
            Plan plan, List<Printing.Made> made, Path files, List<Together> together, int threads, Proving.Told told)
            throws IOException {
        ReadBack back = new ReadBack(plan, made, files, threads, told);
        List<Made> sums = new ArrayList<>();
        try (AllCores cores = new AllCores(threads)) {
            for (int section = 0; section < plan.sections().size(); section++) {
                sums.add(back.section(section, together.get(section), cores));
            }
            back.measureAnew(cores);
        }
        return new Result(Arrays.asList(back.read), sums);
    }

    private Made section(int section, Together together, AllCores cores) throws IOException {
        Map<Integer, Member> members = new LinkedHashMap<>();
        int blocks = blocks(section);
        try {
            for (int index = 0; index < read.length; index++) {
                Print print = plan.prints().get(index);
                if (print.section() == section) {
                    open(index, print, together, blocks, members);
                }
            }
            List<Member> all = new ArrayList<>(members.values());
            try (Member beside = beside(together, blocks)) {
                if (beside != null) {
                    all.add(beside);
                }
                Made sum = walk(plan.sections().get(section).frames(), all, together, blocks, cores);
                if (beside != null && beside.trouble() != null) {
                    throw new IOException("What the files must be together cannot be read.", beside.trouble());
                }
                members.forEach((index, member) -> read[index] = found(index, member));
                return sum;
            }
        } finally {
            for (Member member : members.values()) {
                member.close();
            }
        }
    }

    /** So many blocks are read of every file before they are laid together. */
    private int blocks(int section) {
        long frameBytes = plan.prints().stream()
                .filter(print -> print.section() == section)
                .mapToLong(
                        print -> (long) print.channels() * plan.depth().sample().bytes())
                .sum();
        long blocks = HELD_BYTES / Math.max(1, frameBytes * SumBlock.FRAMES);
        return (int) Math.max(LEAST_BLOCKS, Math.min(MOST_BLOCKS, blocks));
    }

    private void open(int index, Print print, Together together, int blocks, Map<Integer, Member> members) {
        try {
            Laid laid = Laid.of(print, made.get(index));
            members.put(
                    index,
                    new Member(files.resolve(print.path()), laid, together.part(print), blocks * SumBlock.FRAMES));
        } catch (IOException | RuntimeException e) {
            read[index] = FileReader.unread(files, plan, print, e);
        }
    }

    private static @Nullable Member beside(Together together, int blocks) throws IOException {
        return together.beside() == null
                ? null
                : new Member(together.beside(), Laid.plainly(), Member.Part.AGAINST, blocks * SumBlock.FRAMES);
    }

    /**
     * First every file is read, as many at once as there are cores; then stretch by stretch all of them are added, in their order, as many
     * stretches at once.
     */
    private Made walk(long frames, List<Member> members, Together together, int blocks, AllCores cores)
            throws IOException {
        Leftover leftover = new Leftover(frames);
        Loudness loudness = new Loudness(plan.rate(), 2);
        List<Member> added = members.stream()
                .filter(member -> member.part() != Member.Part.NONE)
                .toList();
        List<Stretch> stretches = IntStream.range(0, blocks)
                .mapToObj(i -> new Stretch(i * SumBlock.FRAMES, new SumBlock()))
                .toList();
        for (long first = 0; first < frames; first += blocks * SumBlock.FRAMES) {
            int count = (int) Math.min(blocks * SumBlock.FRAMES, frames - first);
            cores.each(members, member -> {
                member.read(count);
                return member;
            });
            if (!added.isEmpty()) {
                cores.each(stretches, stretch -> stretch.addUp(added, count, together.mono()));
                for (Stretch stretch : stretches) {
                    int here = stretch.frames(count);
                    loudness.add(stretch.block().sum, here);
                    leftover.add(stretch.block().left, first + stretch.from(), here);
                }
            }
            framesRead += count;
            told.read((double) framesRead / Math.max(1, plan.frames()));
            if (told.isCancelled()) {
                throw new CancellationException("Cancelled while reading back.");
            }
        }
        cores.each(members, member -> {
            member.finish();
            return member;
        });
        return new Made(leftover, loudness);
    }

    /** Where in what was read a block of the sum lies. */
    private record Stretch(int from, SumBlock block) {
        int frames(int read) {
            return Math.max(0, Math.min(SumBlock.FRAMES, read - from));
        }

        Stretch addUp(List<Member> members, int read, boolean mono) {
            int count = frames(read);
            block.clear();
            for (Member member : members) {
                member.layOnto(block, from, count);
            }
            block.compare(count, mono);
            return this;
        }
    }

    private @Nullable ReadFile found(int index, Member member) {
        Print print = plan.prints().get(index);
        if (member.trouble() != null) {
            return FileReader.unread(files, plan, print, member.trouble());
        }
        SoundMeasures measures = made.get(index).measures();
        Reading.Checksums checksums = member.reading().checksums();
        boolean holds =
                measures != null && checksums.digest().equals(made.get(index).digest());
        return holds
                ? FileReader.found(
                        print.file(), print.folder(), member.reading().info(), checksums, measures, made.get(index))
                : null;
    }

    private void measureAnew(AllCores cores) throws IOException {
        List<Integer> unknown = IntStream.range(0, read.length)
                .filter(i -> read[i] == null)
                .boxed()
                .toList();
        cores.each(unknown, index -> {
            Print print = plan.prints().get(index);
            try {
                read[index] = FileReader.read(files.resolve(print.path()), print.folder(), made.get(index));
            } catch (IOException | RuntimeException e) {
                read[index] = FileReader.unread(files, plan, print, e);
            }
            return index;
        });
    }
}
