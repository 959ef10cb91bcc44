package apodex.demo;

import java.util.ArrayList;
import java.util.List;

/** What every player plays. 38 bars of three quarters: intro 1-4, verse 5-20, turn 21-24, verse 25-32, out 33-38. */
final class Score {
    static final int BARS = 38;
    static final int BEATS_PER_BAR = 3;
    static final double BEATS_PER_MINUTE = 96;

    /** A chord: root of the bass, then the notes above it, all near middle C. */
    private enum Chord {
        G(43, 59, 62, 67),
        C(48, 60, 64, 67),
        D(50, 62, 66, 69),
        EM(40, 59, 64, 67),
        AM(45, 60, 64, 69);

        private final int root;
        private final int[] upper;

        Chord(int root, int... upper) {
            this.root = root;
            this.upper = upper;
        }
    }

    private static final Chord[] VERSE = {
        Chord.G, Chord.G, Chord.C, Chord.G, Chord.EM, Chord.C, Chord.D, Chord.D,
        Chord.G, Chord.EM, Chord.C, Chord.D, Chord.AM, Chord.D, Chord.G, Chord.G
    };
    /** The tune, a bar a line: pitch and beats, one after the other; 0 rests. */
    private static final int[][] TUNE = {
        {67, 2, 69, 1},
        {71, 2, 69, 1},
        {72, 2, 71, 1},
        {67, 3},
        {64, 1, 67, 1, 71, 1},
        {72, 2, 76, 1},
        {74, 3},
        {0, 3},
        {71, 2, 74, 1},
        {76, 2, 71, 1},
        {72, 1, 71, 1, 69, 1},
        {69, 2, 66, 1},
        {69, 2, 72, 1},
        {66, 2, 69, 1},
        {67, 3},
        {0, 3}
    };

    private Score() {}

    private static Chord chord(int bar) {
        if (bar >= BARS - 2) {
            return Chord.G;
        }
        return VERSE[Math.floorMod(bar - 5, VERSE.length)];
    }

    private static double beatOf(int bar) {
        return (bar - 1) * (double) BEATS_PER_BAR;
    }

    /** Root on one, fifth on one of every other bar. */
    static List<Note> tuba() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 5; bar < BARS; bar++) {
            int pitch = chord(bar).root - (bar % 2 == 0 ? 5 : 0);
            notes.add(new Note(beatOf(bar), bar == BARS - 1 ? 3 : 1.6, pitch, 0.8));
        }
        return notes;
    }

    /** Chords on two and three, held in the turn. */
    static List<Note> accordion() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar < BARS; bar++) {
            boolean held = bar >= 21 && bar < 25 || bar >= BARS - 3;
            for (int pitch : chord(bar).upper) {
                if (held) {
                    notes.add(new Note(beatOf(bar), 2.9, pitch, 0.6));
                } else {
                    notes.add(new Note(beatOf(bar) + 1, 0.7, pitch, 0.7));
                    notes.add(new Note(beatOf(bar) + 2, 0.6, pitch, 0.55));
                }
            }
        }
        return notes;
    }

    /** Broken chords in eighths, high up. */
    static List<Note> dulcimer() {
        List<Note> notes = new ArrayList<>();
        int[] order = {0, 1, 2, 1, 2, 1};
        for (int bar = 1; bar < BARS; bar++) {
            for (int eighth = 0; eighth < 6; eighth++) {
                int pitch = chord(bar).upper[order[eighth]] + 12;
                notes.add(new Note(beatOf(bar) + eighth * 0.5, 1.5, pitch, eighth == 0 ? 0.9 : 0.6));
            }
        }
        return notes;
    }

    /** Root, then the chord, low and slow. */
    static List<Note> baritoneGuitar() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 6; bar < BARS; bar++) {
            notes.add(new Note(beatOf(bar), 2.5, chord(bar).root + 12, 0.9));
            notes.add(new Note(beatOf(bar) + 1, 1.8, chord(bar).upper[0], 0.6));
            notes.add(new Note(beatOf(bar) + 2, 0.9, chord(bar).upper[1], 0.6));
        }
        return notes;
    }

    /** The tune of both verses, one octave down for the lead voice. */
    static List<Note> leadVoice() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 9; bar < 33; bar++) {
            if (bar >= 21 && bar < 25) {
                continue;
            }
            int[] tune = TUNE[Math.floorMod(bar - 9, TUNE.length)];
            double beat = beatOf(bar);
            for (int i = 0; i < tune.length; i += 2) {
                if (tune[i] > 0) {
                    notes.add(new Note(beat, tune[i + 1] * 0.95, tune[i] - 12, 0.8));
                }
                beat += tune[i + 1];
            }
        }
        return notes;
    }

    /** One chord note a bar. @param part 0 lowest, 2 highest */
    static List<Note> choir(int part) {
        List<Note> notes = new ArrayList<>();
        for (int bar = 25; bar < BARS; bar++) {
            int pitch = chord(bar).upper[part];
            notes.add(new Note(beatOf(bar), 2.85, part == 0 ? pitch - 12 : pitch, 0.7));
        }
        return notes;
    }

    /** Low hits on one, light ones on two and three, a pick-up every fourth bar. */
    static List<Note> handPercussion() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 5; bar < BARS; bar++) {
            notes.add(new Note(beatOf(bar), 1, 50, 1.0));
            notes.add(new Note(beatOf(bar) + 1, 0.5, 62, 0.5));
            notes.add(new Note(beatOf(bar) + 2, 0.5, 62, 0.6));
            if (bar % 4 == 0) {
                notes.add(new Note(beatOf(bar) + 2.5, 0.5, 65, 0.7));
            }
        }
        return notes;
    }

    /** Alone in the first half of the turn. */
    static List<Note> frameDrum() {
        return List.of(
                new Note(beatOf(21), 2, 38, 1.0),
                new Note(beatOf(21) + 2, 1, 41, 0.7),
                new Note(beatOf(22), 1, 38, 1.0),
                new Note(beatOf(22) + 1, 0.5, 41, 0.8),
                new Note(beatOf(22) + 1.5, 0.5, 41, 0.6));
    }
}
