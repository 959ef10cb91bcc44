package apodex.handoff;

import apodex.audio.FileKind;
import apodex.audio.ResampleKernel;
import apodex.audio.SampleFormat;
import apodex.naming.FileNames;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Take;
import apodex.time.FrameRange;
import apodex.time.SampleRate;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** Finds what has to be cut out of the recordings so that the clips of some rows can be laid again, with room to move their edges. */
final class EditMaker {
    private final Session session;
    private final List<FrameRange> ranges;
    private final double handleSeconds;
    private final FileKind wanted;
    private final String folder;
    private final FileNames names;
    /** Frames that resampling looks at beside those it makes, by rate: kernels are costly. */
    private final Map<SampleRate, Integer> looksBeside = new HashMap<>();

    /**
     * @param session  as the handoff sees it
     * @param ranges   clips that lie in none of them stay at home; none: all go out
     * @param wanted   kind of the files, where it holds the recording as it is; else WAV
     */
    EditMaker(
            Session session,
            List<FrameRange> ranges,
            double handleSeconds,
            FileKind wanted,
            String folder,
            FileNames names) {
        this.session = session;
        this.ranges = ranges;
        this.handleSeconds = handleSeconds;
        this.wanted = wanted;
        this.folder = folder;
        this.names = names;
    }

    /** Channels of a recording that a clip uses. */
    private record Source(String recording, int firstChannel, int channels) {
        static Source of(Clip clip) {
            return new Source(clip.recording(), clip.firstChannel(), clip.channels());
        }
    }

    /** Frames of a recording, and the clip that asked for them first. */
    private record Span(long start, long end, Clip first) {}

    /** @param isReadable whether a clip's recording is there */
    Edits of(Map<AudioRow, List<Take>> takes, Predicate<Clip> isReadable) {
        List<Edits.EditedRow> rows = new ArrayList<>();
        Map<Source, List<Span>> spans = new LinkedHashMap<>();
        takes.forEach((row, some) -> {
            rows.add(new Edits.EditedRow(row.id(), some.stream().map(Take::id).toList()));
            some.stream()
                    .flatMap(take -> take.clips().stream())
                    .filter(clip -> Edits.isWanted(ranges, clip))
                    .filter(isReadable)
                    .forEach(clip -> spans.computeIfAbsent(Source.of(clip), source -> new ArrayList<>())
                            .add(span(clip)));
        });
        List<Excerpt> excerpts = new ArrayList<>();
        spans.forEach((source, some) -> {
            for (Span span : joined(some)) {
                excerpts.add(excerpt(source, span));
            }
        });
        return new Edits(ranges, rows, excerpts);
    }

    /**
     * What a clip needs of its recording. It begins where a frame of the recording is one of the session, so that clips lie to the frame,
     * and has what resampling looks at beside the clip itself.
     */
    private Span span(Clip clip) {
        Recording recording = session.recording(clip.recording());
        long own = recording.rate().hertz();
        long here = session.rate().hertz();
        long beside = Math.round(handleSeconds * own)
                + (own == here ? 0 : looksBeside.computeIfAbsent(recording.rate(), this::looksBeside));
        long from = Math.floorDiv(clip.offset() * own, here) - beside;
        long to = Math.floorDiv((clip.offset() + clip.frames()) * own + here - 1, here) + beside;
        long step = step(recording.rate());
        long start = Math.floorDiv(Math.max(0, from), step) * step;
        return new Span(start, Math.min(recording.frames(), to), clip);
    }

    private int looksBeside(SampleRate own) {
        return new ResampleKernel(own, session.rate()).half();
    }

    /** Frames of a recording after which one falls on a frame of the session again. */
    private long step(SampleRate own) {
        return own.hertz()
                / BigInteger.valueOf(own.hertz())
                        .gcd(BigInteger.valueOf(session.rate().hertz()))
                        .longValue();
    }

    /** What overlaps or touches is one file. */
    private static List<Span> joined(List<Span> spans) {
        List<Span> sorted = new ArrayList<>(spans);
        sorted.sort(Comparator.comparingLong(Span::start));
        List<Span> joined = new ArrayList<>();
        for (Span span : sorted) {
            Span last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            if (last != null && span.start() <= last.end()) {
                joined.set(joined.size() - 1, new Span(last.start(), Math.max(last.end(), span.end()), last.first()));
            } else {
                joined.add(span);
            }
        }
        return joined;
    }

    private Excerpt excerpt(Source source, Span span) {
        Recording recording = session.recording(source.recording());
        SampleFormat sample = written(recording.sample());
        FileKind kind = wanted.cannotHold(sample).isEmpty() ? wanted : FileKind.WAV;
        String file = recording.fileName().replace('\\', '/');
        String name = file.substring(file.lastIndexOf('/') + 1);
        int dot = name.lastIndexOf('.');
        String stem = dot > 0 ? name.substring(0, dot) : name;
        boolean isPart = source.channels() < recording.channels();
        String channels = isPart
                ? " ch " + (source.firstChannel() + 1)
                        + (source.channels() == 2 ? "-" + (source.firstChannel() + 2) : "")
                : "";
        Excerpt open = new Excerpt(
                names.own(stem + channels, kind.ending()),
                folder,
                source.recording(),
                source.firstChannel(),
                source.channels(),
                span.start(),
                span.end() - span.start(),
                recording.rate(),
                sample,
                kind,
                timeReference(recording, span),
                0);
        long bytes = kind.bytes(open.rate(), open.channels(), sample, open.frames(), ExcerptCopy.label(session, open));
        return open.sized(bytes);
    }

    /** Where the first frame lies when the first clip lies where it should; a handle may reach before midnight, where no stamp is. */
    private long timeReference(Recording recording, Span span) {
        long clip = session.startReference()
                + span.first().position()
                - span.first().offset();
        long own = Math.round(
                (double) clip * recording.rate().hertz() / session.rate().hertz());
        return Math.max(0, own + span.start());
    }

    /** The format a file of it has: what it holds is kept as it is. */
    private static SampleFormat written(SampleFormat recorded) {
        return switch (recorded) {
            case UINT8, INT8, INT16 -> SampleFormat.INT16;
            case INT24 -> SampleFormat.INT24;
            case INT32 -> SampleFormat.INT32;
            case FLOAT32, FLOAT64 -> SampleFormat.FLOAT32;
        };
    }
}
