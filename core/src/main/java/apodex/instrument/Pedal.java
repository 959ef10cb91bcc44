package apodex.instrument;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

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
        NavigableMap<Double, Double> presses = presses(pedal, last);
        List<Note> held = new ArrayList<>(notes.size());
        for (Note note : notes) {
            double end = note.quarter() + note.quarters();
            Map.Entry<Double, Double> press = presses.floorEntry(end);
            double until = press == null ? end : Math.max(end, press.getValue());
            held.add(note.at(note.quarter(), until - note.quarter()));
        }
        return held;
    }

    /** When it comes up by when it goes down. @param last where one that never comes up does */
    private static NavigableMap<Double, Double> presses(List<Message> pedal, double last) {
        NavigableMap<Double, Double> presses = new TreeMap<>();
        Double down = null;
        for (Message message : pedal) {
            boolean isDown = message.value() >= DOWN;
            if (isDown && down == null) {
                down = message.quarter();
            } else if (!isDown && down != null) {
                presses.put(down, message.quarter());
                down = null;
            }
        }
        if (down != null) {
            presses.put(down, Math.max(down, last));
        }
        return presses;
    }
}
