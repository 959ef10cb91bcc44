package apodex.instrument;

import apodex.instrument.Instrument.Part;
import apodex.time.SampleRate;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import java.util.function.DoubleToLongFunction;

/**
 * What a house instrument makes of what is played beside its notes: bend, volume, expression and pan (MIDI 1.0), and how much softer it
 * plays so that many notes at once stay below full scale.
 */
public final class Performance {
    private static final int DATA_ENTRY = 6;
    private static final int VOLUME = 7;
    private static final int PAN = 10;
    private static final int EXPRESSION = 11;
    private static final int DATA_ENTRY_FINE = 38;
    private static final int NUMBER_FINE = 100;
    private static final int NUMBER = 101;
    private static final int RESET = 121;
    private static final int MIDDLE = 64;
    private static final int FULL = 127;
    private static final int NO_BEND = 8_192;
    /** What a bend can do where nothing says otherwise (MIDI 1.0, RPN 0). */
    private static final double USUAL_SEMITONES = 2;
    /** How high the notes of a player may add up to. */
    private static final double HIGHEST = 0.98;
    /** Notes at random phases add up to about 1.75 times the root of their squares (measured, 4 to 29 at once); a little above it. */
    private static final double AT_RANDOM = 2;

    private final Instrument instrument;
    private final List<Note> notes;
    private final SampleRate rate;
    private final DoubleToLongFunction frames;
    private final Curve bend;
    private final Curve gain;
    private final Curve left;
    private final Curve right;
    private final double headroom;
    private final boolean isPlain;

    /** How far the bend wheel reaches, in semitones, and whether it is what data entry sets now. */
    private double reach = USUAL_SEMITONES;

    private int number = FULL;
    private int numberFine = FULL;
    private double volume = 1;
    private double expression = 1;

    /**
     * @param notes    as they are held
     * @param messages in any order
     * @param frames   frame of a place in quarter notes
     * @param isWide   whether any part of the instrument has two sides
     */
    public Performance(
            Instrument instrument,
            List<Note> notes,
            List<Message> messages,
            boolean isWide,
            DoubleToLongFunction frames,
            SampleRate rate) {
        this.instrument = instrument;
        this.notes = notes;
        this.rate = rate;
        this.frames = frames;
        bend = new Curve(1, rate.hertz());
        gain = new Curve(1, rate.hertz());
        boolean pans = pans(messages);
        double middle = pans ? side(MIDDLE, isWide) : 1;
        left = new Curve(middle, rate.hertz());
        right = new Curve(middle, rate.hertz());
        messages.stream()
                .sorted(Comparator.comparingDouble(Message::quarter))
                .forEach(message -> play(message, pans, isWide));
        headroom = headroom(instrument, notes);
        isPlain = gain.isFlat() && !pans && headroom == 1;
    }

    /** Whether anything is played to one side. */
    public static boolean pans(List<Message> messages) {
        return messages.stream().anyMatch(message -> message.sets(PAN) && message.value() != MIDDLE);
    }

    /** Whether it changes how notes sound. */
    public static boolean matters(Message message) {
        return message.bends()
                || message.sets(VOLUME)
                || message.sets(EXPRESSION)
                || message.sets(PAN)
                || message.sets(DATA_ENTRY)
                || message.sets(DATA_ENTRY_FINE)
                || message.sets(NUMBER)
                || message.sets(NUMBER_FINE)
                || message.sets(RESET);
    }

    private void play(Message message, boolean pans, boolean isWide) {
        long frame = frames.applyAsLong(message.quarter());
        int value = message.value();
        if (message.bends()) {
            bend.set(frame, ratio((value << 7 | message.fine()) - NO_BEND));
        } else if (message.sets(VOLUME)) {
            volume = squared(value);
            gain.set(frame, volume * expression);
        } else if (message.sets(EXPRESSION)) {
            expression = squared(value);
            gain.set(frame, volume * expression);
        } else if (message.sets(PAN) && pans) {
            left.set(frame, side(FULL + 1 - Math.max(1, value), isWide));
            right.set(frame, side(Math.max(1, value), isWide));
        } else if (message.sets(NUMBER)) {
            number = value;
        } else if (message.sets(NUMBER_FINE)) {
            numberFine = value;
        } else if (message.sets(DATA_ENTRY) && number == 0 && numberFine == 0) {
            reach = value + (reach - Math.floor(reach));
        } else if (message.sets(DATA_ENTRY_FINE) && number == 0 && numberFine == 0) {
            reach = Math.floor(reach) + value / 100.0;
        } else if (message.sets(RESET)) { // RP-015: neither volume nor pan
            expression = 1;
            gain.set(frame, volume);
            bend.set(frame, 1);
        }
    }

    private double ratio(int bent) {
        return bent == 0 ? 1 : StrictMath.pow(2, reach * bent / NO_BEND / 12);
    }

    /** General MIDI level 2, “Channel volume” and “Expression”: 40 log10 of the value by 127, in dB. */
    private static double squared(int value) {
        double share = (double) value / FULL;
        return share * share;
    }

    /** RP-036: the right side at a pan of 1 to 127; the left is its mirror. What has two sides already is only made softer on one. */
    private static double side(int pan, boolean isWide) {
        double sine = StrictMath.sin(Math.PI / 2 * (pan - 1) / (FULL - 1));
        return isWide ? Math.min(1, Math.sqrt(2) * sine) : sine;
    }

    /** Never more than all at their peaks at once; of many, what they come to at random. */
    private static double headroom(Instrument instrument, List<Note> notes) {
        List<Note> byStart =
                notes.stream().sorted(Comparator.comparingDouble(Note::quarter)).toList();
        double most = 0;
        double sum = 0;
        double squares = 0;
        PriorityQueue<double[]> sounding = new PriorityQueue<>(Comparator.comparingDouble((double[] each) -> each[0]));
        for (Note note : byStart) {
            while (!sounding.isEmpty() && sounding.peek()[0] <= note.quarter()) {
                double force = sounding.poll()[1];
                sum -= force;
                squares -= force * force;
            }
            sounding.add(new double[] {note.quarter() + instrument.sounding(note), note.force()});
            sum += note.force();
            squares += note.force() * note.force();
            most = Math.max(most, Math.min(sum, AT_RANDOM * Math.sqrt(Math.max(0, squares))));
        }
        return Math.min(1, HIGHEST / (most * instrument.peak()));
    }

    /** As they are held. */
    public List<Note> notes() {
        return notes;
    }

    /** Seconds after a note's end until it is silent, at the deepest bend. */
    public static double ringSeconds(Instrument instrument, List<Message> messages) {
        return messages.stream().anyMatch(Message::bends)
                ? new Performance(instrument, List.of(), messages, false, Math::round, new SampleRate(48_000))
                        .ringSeconds()
                : instrument.ringSeconds();
    }

    /** Seconds after a note's end until it is silent. */
    public double ringSeconds() {
        return instrument.ringSeconds() / Math.min(1, bend.lowest());
    }

    /**
     * A voice for a note.
     *
     * @param start frame where its key is struck
     * @param stop  frame where that is let go
     */
    public Voice voice(Part part, Note note, long start, long stop) {
        if (bend.isFlat() || !instrument.isTuned()) {
            return instrument.voice(part, note, stop - start, rate);
        }
        long held = Math.round(bend.sum(start, stop)); // as the voice counts, which goes faster or slower
        return new BentVoice(instrument.voice(part, note, held, rate), part.channels(), bend, start);
    }

    /** Applies volume, pan and headroom. @param block channels x frames; those before {@code frames} are changed */
    public void shape(double[][] block, int channels, long first, int frames) {
        if (isPlain) {
            return;
        }
        for (int i = 0; i < frames; i++) {
            double all = gain.at(first + i) * headroom;
            block[0][i] *= all * left.at(first + i);
            if (channels == 2) {
                block[1][i] *= all * right.at(first + i);
            }
        }
    }
}
