package apodex.demo;

import apodex.audio.BroadcastExtension;
import apodex.audio.PcmEncoder;
import apodex.audio.Dither;
import apodex.audio.SampleFormat;
import apodex.audio.WavWriter;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.intake.RecordingStore;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.Key;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionRules;
import apodex.session.Song;
import apodex.session.Take;
import apodex.signal.Station;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The demo session: 3/4, 96 beats a minute and slower at the end, G major, 48 kHz, 24-bit. Its recordings run a little before and after
 * their clips, carry time stamps, and go into the store like any other.
 */
public final class LowTideWaltz {
    public static final String TITLE = "Low Tide Waltz";
    /** Recorded at ten in the morning. */
    private static final long START_REFERENCE = 10L * 60 * 60 * Timing.RATE.hertz();
    private static final String RECORDED_ON = "2026-05-17";
    private static final int HANDLE_FRAMES = 12_000;
    private static final int FADE_FRAMES = 480;
    /** The bus whose fader stands at unity: its Inserts are its Fader. */
    private static final String RHYTHM_AT_REST = "rhythm";

    private final RecordingStore store;
    private final Path workFolder;
    private final List<Recording> recordings = new ArrayList<>();

    private LowTideWaltz(RecordingStore store, Path workFolder) {
        this.store = store;
        this.workFolder = workFolder;
    }

    /**
     * Records all tracks into the store.
     *
     * @param workFolder an empty folder for files on their way
     */
    public static Session record(RecordingStore store, Path workFolder) throws IOException {
        return new LowTideWaltz(store, workFolder).record();
    }

    private Session record() throws IOException {
        List<Row> rows = new ArrayList<>();
        for (Track track : TrackList.all()) {
            int number = rows.size() + 1;
            List<Take> takes = new ArrayList<>();
            if (track.name().startsWith("LD VOX")) {
                for (Track other : TrackList.otherLeads()) {
                    takes.add(new Take("t" + (takes.size() + 1), "Take " + (takes.size() + 1), clips(other)));
                }
            }
            String active = "t" + (takes.size() + 1);
            takes.add(new Take(active, takes.isEmpty() ? "Take 1" : "Comp of three", clips(track)));
            rows.add(new AudioRow("r" + number, track.name(), takes, active, Mixer.ofTrack(number)));
        }
        rows.addAll(Instruments.rows());
        rows.addAll(Mixer.busesAndReturns());
        rows.add(Mixer.mix());
        rows.sort(Comparator.comparingInt(row -> Mixer.ORDER.indexOf(row.id())));
        Song song = new Song(TITLE, "Salt Harbour Players", Score.BEATS_PER_MINUTE, Timing.METER, Key.parse("G major"),
                Timing.SLOWING, List.of());
        List<Marker> markers = List.of(marker(1, "Intro"), marker(5, "Verse"), marker(21, "Turn"), marker(25, "Last verse"),
                marker(33, "Out"));
        return SessionRules.checked(new Session(song, Timing.RATE, START_REFERENCE, RECORDED_ON, PanLaw.MINUS_3, markers,
                recordings.stream().distinct().toList(), rows));
    }

    private static Marker marker(int bar, String name) {
        return new Marker(Timing.bar(bar), name);
    }

    /** What a mixer is sent: dry tracks, the amplifier's sound as a twin, groups and returns as a guide, the mix. */
    public static Handoff handoff(Session session) {
        List<Choice> chosen = new ArrayList<>();
        for (Row row : session.rows()) {
            if (row instanceof BusRow || row instanceof MixRow) {
                chosen.add(new Choice(row.id(), Station.FADER));
            } else {
                chosen.add(new Choice(row.id(), row instanceof ReturnRow ? Station.INSERTS : Station.RAW));
            }
            if (row.strip().inserts().stream().anyMatch(Insert::kept)) {
                chosen.add(new Choice(row.id(), Station.SHAPED));
            }
        }
        chosen.remove(new Choice(RHYTHM_AT_REST, Station.FADER));
        chosen.add(new Choice(RHYTHM_AT_REST, Station.INSERTS));
        return Handoff.named("The mixer").printing(null, chosen);
    }

    private List<Clip> clips(Track track) throws IOException {
        List<Clip> clips = new ArrayList<>();
        for (int part = 0; part < track.parts().size(); part++) {
            clips.addAll(clips(track, part));
        }
        return clips;
    }

    private List<Clip> clips(Track track, int partNumber) throws IOException {
        Track.Part part = track.parts().get(partNumber);
        int from = Math.max(0, Timing.bar(part.fromBar()) - HANDLE_FRAMES);
        int clipEnd = part.toBar() > Score.BARS ? Timing.SONG_FRAMES : Timing.bar(part.toBar());
        int to = Math.min(Timing.SONG_FRAMES, clipEnd + HANDLE_FRAMES);
        Recording recording = write(track, partNumber, from, to);
        recordings.add(recording);
        List<Clip> clips = new ArrayList<>();
        int clipStart = Timing.bar(part.fromBar());
        for (int cut : part.cuts()) {
            int at = Timing.bar(Math.abs(cut));
            clips.add(clip(recording, clipStart, at, from));
            clipStart = cut < 0 ? Timing.bar(1 - cut) : at;
        }
        clips.add(clip(recording, clipStart, clipEnd, from));
        return clips;
    }

    private static Clip clip(Recording recording, int start, int end, int recordedFrom) {
        boolean lastOfSong = end == Timing.SONG_FRAMES;
        return new Clip(recording.sha256(), 0, recording.channels(), start, start - recordedFrom, end - start, 0, 0,
                lastOfSong ? FADE_FRAMES : 0);
    }

    private Recording write(Track track, int partNumber, int from, int to) throws IOException {
        String name = track.name().replace("?", "") + "_" + (partNumber + 1) + ".wav";
        Path file = Files.createTempFile(workFolder, "take-", ".wav");
        Files.delete(file);
        int channels = track.sides().size();
        int frames = to - from;
        double[][] block = new double[channels][];
        for (int c = 0; c < channels; c++) {
            block[c] = java.util.Arrays.copyOfRange(track.sides().get(c), from, to);
        }
        PcmEncoder encoder = new PcmEncoder(SampleFormat.INT24, channels, 0);
        byte[] bytes = new byte[frames * encoder.frameBytes()];
        encoder.encode(block, 0, frames, 0, Dither.NONE, bytes);
        BroadcastExtension broadcast = new BroadcastExtension(track.name(), "Salt Harbour", "", RECORDED_ON,
                "10:00:00", START_REFERENCE + from, "");
        try (WavWriter out = new WavWriter(file, Timing.RATE, channels, SampleFormat.INT24, frames, broadcast)) {
            out.write(bytes, bytes.length);
        }
        return store.bring(file, name);
    }
}
