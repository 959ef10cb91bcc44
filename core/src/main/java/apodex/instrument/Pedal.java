package apodex.instrument;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The damper pedal: keys that are let go while it is down sound until it comes up. */
public final class Pedal {
    /** MIDI 1.0, “Controller numbers”: 64 and above is down. */
    private static final int DAMPER = 64;

    private static final int DOWN = 64;

    private Pedal() {}

    /** Notes as they sound, in their order: each as long as its key or the pedal holds it. */
    public static List<Note> held(List<Note> notes, List<Message> messages) {
        List<Message> pedal = messages.stream()
                .filter(message -> message.sets(DAMPER))
                .sorted(Comparator.comparingDouble(Message::quarter))
                .toList();
        if (pedal.isEmpty()) {
            return notes;
        }
        double last = notes.stream()
                .mapToDouble(note -> note.quarter() + note.quarters())
                .max()
                .orElse(0);
        List<Note> held = new ArrayList<>();
        for (Note note : notes) {
            double end = Math.max(note.quarter() + note.quarters(), up(pedal, note.quarter() + note.quarters(), last));
            held.add(new Note(note.quarter(), end - note.quarter(), note.pitch(), note.velocity()));
        }
        return held;
    }

    /** When a pedal that is down at a place comes up; the place itself when it is not down. @param last where one that never does, does */
    private static double up(List<Message> pedal, double at, double last) {
        boolean down = false;
        for (Message message : pedal) {
            boolean presses = message.value() >= DOWN;
            if (message.quarter() > at && down && !presses) {
                return message.quarter();
            }
            if (message.quarter() <= at) {
                down = presses;
            }
        }
        return down ? Math.max(at, last) : at;
    }
}
