package apodex.signal;

import apodex.instrument.Instrument;
import apodex.instrument.Instrument.Part;
import apodex.instrument.Note;
import apodex.instrument.Performance;
import apodex.instrument.Voice;
import apodex.session.Playing;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/** Some parts of an instrument playing its notes. Voices are added in the order of their notes, part after part. */
final class InstrumentNode extends Node {
    private final Performance performance;
    private final Start[] starts;
    private final List<Sounding> playing = new ArrayList<>();
    private final double[][] mono = new double[1][];
    private double[] centred = new double[0];
    private final double[][] stereo = new double[2][];
    private final Curtain curtain;
    private int next;
    private int skipped;

    /** A note of a part and when it is struck and let go. */
    private record Start(long frame, long stop, Note note, Part part) {}

    /** A voice that has been struck. */
    private record Sounding(Voice voice, int channels) {}

    /** @param curtain from when on no key is struck, and those that are down are let go */
    InstrumentNode(Playing played, TempoMap tempo, SampleRate rate, Curtain curtain) {
        this(played, played.performance(tempo, rate), tempo, rate, curtain);
    }

    private InstrumentNode(Playing played, Performance performance, TempoMap tempo, SampleRate rate, Curtain curtain) {
        super(played.channels(), 0, rings(performance, rate, curtain), 0);
        this.performance = performance;
        this.curtain = curtain;
        Instrument instrument = played.instrument().orElseThrow();
        List<Start> all = new ArrayList<>();
        for (Note note : performance.notes()) {
            long start = tempo.frameOf(note.quarter(), rate);
            long stop = tempo.frameOf(note.quarter() + note.quarters(), rate);
            for (Part part : played.parts()) {
                if (instrument.plays(part, note)) {
                    all.add(new Start(start, stop, note, part));
                }
            }
        }
        all.sort(Comparator.comparingLong(Start::frame)
                .thenComparing(start -> start.note().pitch()));
        this.starts = all.toArray(Start[]::new);
    }

    /** What is let go by the curtain rings out after it; without one it ends within the song. */
    private static long rings(Performance performance, SampleRate rate, Curtain curtain) {
        return curtain.falls() ? Math.round(performance.ringSeconds() * rate.hertz()) : 0;
    }

    @Override
    boolean run(double[][] block, int slot, long first, int frames, boolean sounds) {
        while (next == 0 && skipped < starts.length && starts[skipped].frame < first && playing.isEmpty()) {
            skipped++; // struck before the walk began
        }
        next = Math.max(next, skipped);
        long until = Math.min(first + frames, curtain.frame());
        boolean sounding = !playing.isEmpty() || next < starts.length && starts[next].frame < until;
        if (!sounding) {
            return false;
        }
        for (int c = 0; c < width; c++) {
            Arrays.fill(block[c], 0, frames, 0);
        }
        for (int i = 0; i < playing.size(); i++) {
            add(playing.get(i), block, 0, frames);
        }
        while (next < starts.length && starts[next].frame < until) {
            Start start = starts[next++];
            long stop = Math.min(start.stop, curtain.frame()); // let go where the range ends
            Sounding voice =
                    new Sounding(performance.voice(start.part, start.note, start.frame, stop), start.part.channels());
            add(voice, block, (int) (start.frame - first), frames);
            playing.add(voice);
        }
        playing.removeIf(each -> each.voice.isOver());
        performance.shape(block, width, first, frames);
        return true;
    }

    private void add(Sounding each, double[][] block, int from, int to) {
        if (each.channels == 2) {
            stereo[0] = block[0];
            stereo[1] = block[1];
            each.voice.add(stereo, from, to);
        } else if (width == 1) {
            mono[0] = block[0];
            each.voice.add(mono, from, to);
        } else {
            addCentred(each.voice, block, from, to);
        }
    }

    /** A mono part of an instrument that is stereo as a whole: on both sides. */
    private void addCentred(Voice voice, double[][] block, int from, int to) {
        if (centred.length < to) {
            centred = new double[block[0].length];
        }
        Arrays.fill(centred, from, to, 0);
        mono[0] = centred;
        voice.add(mono, from, to);
        for (int c = 0; c < width; c++) {
            double[] out = block[c];
            for (int i = from; i < to; i++) {
                out[i] += centred[i];
            }
        }
    }
}
