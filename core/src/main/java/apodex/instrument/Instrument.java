package apodex.instrument;

import apodex.time.SampleRate;
import java.util.List;

/** A house instrument. */
public abstract class Instrument {
    private final String id;
    private final String name;
    private final String words;
    private final double ringSeconds;
    private final double peak;
    private final List<Part> parts;

    /**
     * One of its outputs.
     *
     * @param id       its name in documents
     * @param name     its name for people
     * @param channels 1 or 2
     */
    public record Part(String id, String name, int channels) {}

    /** @param peak of one note struck as hard as can be */
    Instrument(String id, String name, String words, double ringSeconds, double peak, Part... parts) {
        this.id = id;
        this.name = name;
        this.words = words;
        this.ringSeconds = ringSeconds;
        this.peak = peak;
        this.parts = List.of(parts);
    }

    /** Stands in sessions: never changes. */
    public final String id() {
        return id;
    }

    /** For people. */
    public final String name() {
        return name;
    }

    /** What it is, in one line. */
    public final String words() {
        return words;
    }

    /** Seconds after a note's end until it is silent. */
    public final double ringSeconds() {
        return ringSeconds;
    }

    /** How high one note gets that is struck as hard as can be; 1 is full scale. */
    final double peak() {
        return peak;
    }

    /** Quarters for which a note counts among those that sound at once. */
    double sounding(Note note) {
        return note.quarters();
    }

    /** Whether it has a pitch that can be bent. */
    boolean isTuned() {
        return true;
    }

    /** What comes out separately; one at least. */
    public final List<Part> parts() {
        return parts;
    }

    /** Whether a part sounds when the note is played. */
    public boolean plays(Part part, Note note) {
        return true;
    }

    /**
     * A voice for a note.
     *
     * @param heldFrames how long it is held
     */
    public abstract Voice voice(Part part, Note note, long heldFrames, SampleRate rate);
}
