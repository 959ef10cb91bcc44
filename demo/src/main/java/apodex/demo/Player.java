package apodex.demo;

import java.util.List;

/** Turns notes into sound. */
interface Player {
    /**
     * Plays one note into a track.
     *
     * @param track full length of the song; the note is added
     * @param start frame of its first sample
     * @param held  frames it is held
     */
    void play(double[] track, int start, int held, Note note);

    /** Plays all notes and brings the loudest sample to {@code peakDbfs}. */
    default double[] perform(List<Note> notes, double peakDbfs) {
        double[] track = new double[Timing.SONG_FRAMES];
        for (Note note : notes) {
            int start = Timing.frame(note.beat());
            play(track, start, Timing.frame(note.beat() + note.beats()) - start, note);
        }
        return Mixing.toPeak(track, peakDbfs);
    }
}
