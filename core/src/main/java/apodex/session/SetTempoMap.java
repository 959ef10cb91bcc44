package apodex.session;

import apodex.time.MeterChange;
import apodex.time.TempoChange;
import java.util.List;

/** Gives all tempo and meter changes after the start at once. */
public record SetTempoMap(List<TempoChange> tempoChanges, List<MeterChange> meterChanges) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Song song = session.song();
        Song changed = new Song(
                song.title(), song.artist(), song.tempo(), song.meter(), song.key(), tempoChanges, meterChanges);
        return session.withSong(changed);
    }

    @Override
    public String describe(Session before) {
        return "Change the tempo map";
    }
}
