package apodex.handoff;

import apodex.audio.SampleFormat;
import apodex.audio.SoundFacts;
import apodex.audio.SoundLabel;
import apodex.session.AudioRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Take;
import apodex.signal.Passage;
import apodex.time.SampleRate;
import java.util.Comparator;
import java.util.List;

/**
 * What each file says of itself: names, tempo, key, take, note, and markers where they are asked for. Everything in it comes from the
 * session, nothing from the clock.
 *
 * @param session as the handoff sees it
 * @param rate    of the files
 * @param depth   of the files
 * @param cues    whether markers are written into files
 */
record FileLabel(Session session, SampleRate rate, SampleFormat depth, boolean cues) {
    /** The label of one print. */
    SoundLabel of(Print print, PlannedSection section) {
        Song song = session.song();
        return new SoundLabel(
                BroadcastInfo.of(
                        session,
                        print.file(),
                        print.rowName(),
                        print.station(),
                        depth,
                        print.channels(),
                        rate,
                        section.startReference()),
                print.rowName(),
                song.title(),
                song.artist(),
                section.name(),
                take(print),
                session.row(print.row()).map(row -> row.about().note()).orElse(""),
                tempo(),
                key(),
                cues ? marks(section) : List.of());
    }

    /** The label of a mix to listen to, which is called by its song. */
    SoundLabel ofListening(PlannedSection section) {
        return besides(section, "Reference mix");
    }

    /** The label of the beat to lay files by. */
    SoundLabel ofBeat(PlannedSection section) {
        return besides(section, "Click");
    }

    private SoundLabel besides(PlannedSection section, String note) {
        Song song = session.song();
        return new SoundLabel(
                null,
                section.name().isEmpty() ? song.title() : song.title() + ", " + section.name(),
                "",
                song.artist(),
                "",
                "",
                note,
                tempo(),
                key(),
                List.of());
    }

    /** One tempo all through, or none. */
    private Double tempo() {
        return session.song().tempoChanges().isEmpty() ? session.song().tempo() : null;
    }

    /** As tags write it: {@code F#m}; modes beyond major and minor have no sign there. */
    private String key() {
        return session.song().key() == null ? "" : session.song().key().sign();
    }

    /** The take's name where there is more than one. */
    private String take(Print print) {
        Row row = session.row(print.row()).orElse(null);
        return row instanceof AudioRow audio && audio.takes().size() > 1
                ? audio.takes().stream()
                        .filter(take -> AsPlanned.rowOf(audio, take).equals(print.source()))
                        .map(Take::name)
                        .findFirst()
                        .orElse("")
                : "";
    }

    private List<SoundFacts.Mark> marks(PlannedSection section) {
        Passage passage = section.passage();
        FileFrames files = new FileFrames(rate, session.rate());
        return session.markers().stream()
                .filter(marker -> marker.frame() >= passage.range().start()
                        && marker.frame() < passage.range().end())
                .map(marker -> new SoundFacts.Mark(
                        files.at(passage.leadInFrames()
                                + marker.frame()
                                - passage.range().start()),
                        marker.name()))
                .sorted(Comparator.comparingLong(SoundFacts.Mark::frame))
                .toList();
    }
}
