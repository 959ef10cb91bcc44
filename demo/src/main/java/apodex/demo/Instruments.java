package apodex.demo;

import apodex.instrument.Note;
import apodex.session.InstrumentRow;
import apodex.session.PartRow;
import apodex.session.Row;
import java.util.ArrayList;
import java.util.List;

/** What is played from notes: a small kit with some drums on rows of their own, a harbour bell and a pad like fog. */
final class Instruments {
    private static final int KICK = 36;
    private static final int SNARE = 38;
    private static final int CLOSED_HAT = 42;
    private static final int SHAKER = 70;
    private static final int LOW_TOM = 43;

    private Instruments() {}

    static List<Row> rows() {
        return List.of(
                new InstrumentRow("kit", "Little kit", "drumKit", kit(), Mixer.rhythm(-7, 12)),
                new PartRow("kick", "Kick", "kit", "kick", Mixer.rhythm(-4, 0)),
                new PartRow("snare", "Snare", "kit", "snare", Mixer.rhythm(-9, -8)),
                new PartRow("kit-room", "Kit room", "kit", "room", Mixer.rhythm(-14, 0)),
                new InstrumentRow("bell", "Harbour bell", "bell", bell(), Mixer.bell()),
                new InstrumentRow("fog", "Fog", "pad", fog(), Mixer.band(-19, 0)));
    }

    private static double beatOf(int bar) {
        return (bar - 1) * 3.0;
    }

    private static List<Note> kit() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 13; bar < Score.BARS; bar++) {
            if (bar >= 21 && bar < 25) {
                continue;
            }
            double beat = beatOf(bar);
            notes.add(new Note(beat, 0.5, KICK, 96));
            notes.add(new Note(beat + 1, 0.25, SNARE, 58));
            notes.add(new Note(beat + 2, 0.25, SNARE, 66));
            for (int eighth = 0; eighth < 6; eighth++) {
                notes.add(new Note(
                        beat + eighth * 0.5, 0.2, eighth % 2 == 0 ? CLOSED_HAT : SHAKER, eighth == 0 ? 70 : 44));
            }
            if (bar % 8 == 4) {
                notes.add(new Note(beat + 2.5, 0.4, LOW_TOM, 84));
            }
        }
        return notes;
    }

    private static List<Note> bell() {
        List<Note> notes = new ArrayList<>();
        for (int bar : new int[] {1, 5, 13, 21, 25, 33, 37}) {
            notes.add(new Note(beatOf(bar), 2, 79, 80));
            notes.add(new Note(beatOf(bar) + 2, 1, 74, 50));
        }
        return notes;
    }

    private static List<Note> fog() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar < Score.BARS; bar += 2) {
            notes.add(new Note(beatOf(bar), 6, 55, 70));
            notes.add(new Note(beatOf(bar), 6, 62, 60));
            notes.add(new Note(beatOf(bar), 6, 67, bar % 4 == 1 ? 60 : 50));
        }
        return notes;
    }
}
