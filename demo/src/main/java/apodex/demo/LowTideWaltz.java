package apodex.demo;

import apodex.audio.BroadcastExtension;
import apodex.audio.Dither;
import apodex.audio.PcmEncoder;
import apodex.audio.SampleFormat;
import apodex.audio.SoundLabel;
import apodex.audio.WavWriter;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.intake.RecordingStore;
import apodex.session.About;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Insert;
import apodex.session.Key;
import apodex.session.Marker;
import apodex.session.PanLaw;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionRules;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Take;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

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
    /** 5 ms at every edge, as an editor puts there without thinking. */
    private static final int EDGE_FRAMES = 240;
    /** Where nobody did. */
    private static final List<String> BARE_EDGES = List.of("bari ribbon preC take4 FINAL");
    /** An edit that slipped by 3 ms. */
    private static final String SLIPPED = "Tuba";

    private static final int SLIP_FRAMES = 144;
    private static final String CLIP_EFFECT_ON = "Choir Tenor";
    private static final String CLICK = "clk";
    /** The click came from another machine. */
    private static final SampleRate CLICK_RATE = new SampleRate(44_100);
    /** The bus that is printed beside its members: a doubling to find. Its fader stands at unity, so its Inserts are its Fader. */
    private static final String DOUBLED = "rhythm";

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
            About about = track.name().startsWith("bari") ? About.NOTHING.withRole(Role.GUITARS) : About.NOTHING;
            rows.add(new AudioRow("r" + number, track.name(), takes, active, Mixer.ofTrack(number), about));
        }
        rows.addAll(Instruments.rows());
        rows.addAll(Mixer.busesAndReturns());
        rows.add(Mixer.mix());
        rows.sort(Comparator.comparingInt(row -> Mixer.ORDER.indexOf(row.id())));
        Song song = new Song(
                TITLE,
                "Salt Harbour Players",
                Score.BEATS_PER_MINUTE,
                Timing.METER,
                Key.parse("G major"),
                Timing.SLOWING,
                List.of());
        List<Marker> markers = List.of(
                marker(1, "Intro"),
                marker(5, "Verse"),
                marker(21, "Turn"),
                marker(25, "Last verse"),
                marker(33, "Out"));
        return SessionRules.checked(new Session(
                song,
                Timing.RATE,
                START_REFERENCE,
                RECORDED_ON,
                PanLaw.MINUS_3,
                markers,
                recordings.stream().distinct().toList(),
                rows));
    }

    private static Marker marker(int bar, String name) {
        return new Marker(Timing.bar(bar), name);
    }

    /**
     * What a mixer is sent: dry tracks, the amplifier's sound as a twin, the mix; and, chosen by hand, groups and returns as a
     * guide.
     */
    public static Handoff handoff(Session session) {
        List<Choice> added = new ArrayList<>();
        List<Choice> leftOut = new ArrayList<>();
        for (Row row : session.rows()) {
            if (row.id().equals(DOUBLED)) {
                added.add(new Choice(row.id(), Station.INSERTS));
            } else if (row instanceof ReturnRow && isWorthAFile(session, row)) {
                added.add(new Choice(row.id(), Station.INSERTS));
            } else if (row instanceof AudioRow && isWorthAFile(session, row)) {
                added.add(new Choice(row.id(), Station.RAW)); // silent ones too
            }
            if (row.strip().inserts().stream().noneMatch(Insert::kept)) {
                leftOut.add(new Choice(row.id(), Station.SHAPED)); // so that what single clips have on them is missing
            }
            if (isAmplified(session, row.id())) {
                leftOut.add(new Choice(row.id(), Station.RAW));
            }
        }
        added.removeAll(leftOut);
        return Handoff.named("The mixer").withFiles(added, leftOut);
    }

    /** Forgotten by whoever planned: the amplifier's dry twin. */
    private static boolean isAmplified(Session session, String row) {
        return session.row(row).orElseThrow().strip().inserts().stream()
                .anyMatch(insert -> insert.effect().equals("amplifier"));
    }

    private static boolean isWorthAFile(Session session, Row row) {
        return row instanceof ReturnRow
                ? session.rows().stream().anyMatch(each -> each.strip().sends().stream()
                        .anyMatch(send -> send.to().equals(row.id())))
                : !(row instanceof AudioRow audio) || !audio.clips().isEmpty();
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
            clips.add(clip(recording, clipStart, track.name().equals(SLIPPED) ? at - SLIP_FRAMES : at, from));
            clipStart = cut < 0 ? Timing.bar(1 - cut) : at;
        }
        clips.add(clip(recording, clipStart, clipEnd, from));
        if (track.name().equals(CLIP_EFFECT_ON)) {
            clips.replaceAll(
                    clip -> clip.withInserts(List.of(Insert.of("bell", Map.of("hertz", 400.0, "gainDb", -1.5)))));
        }
        if (!BARE_EDGES.contains(track.name())) {
            clips.replaceAll(clip -> faded(clip, clips));
        }
        return clips;
    }

    private static Clip clip(Recording recording, int start, int end, int recordedFrom) {
        boolean lastOfSong = end == Timing.SONG_FRAMES;
        return new Clip(
                recording.sha256(),
                0,
                recording.channels(),
                start,
                start - recordedFrom,
                end - start,
                0,
                0,
                lastOfSong ? FADE_FRAMES : 0);
    }

    /** Soft at both ends, except where one clip goes on into the next. */
    private static Clip faded(Clip clip, List<Clip> all) {
        boolean follows = all.stream().anyMatch(each -> each.range().end() == clip.position());
        boolean goesOn =
                all.stream().anyMatch(each -> each.position() == clip.range().end());
        Fade out = goesOn || clip.fadeOut().frames() > 0 ? clip.fadeOut() : Fade.straight(EDGE_FRAMES);
        return clip.withFades(follows ? Fade.NONE : Fade.straight(EDGE_FRAMES), out);
    }

    private Recording write(Track track, int partNumber, int from, int to) throws IOException {
        String name = track.name().replace("?", "") + "_" + (partNumber + 1) + ".wav";
        Path file = Files.createTempFile(workFolder, "take-", ".wav");
        Files.delete(file);
        int channels = track.sides().size();
        boolean foreign = track.name().equals(CLICK);
        double[][] block = new double[channels][];
        for (int c = 0; c < channels; c++) {
            block[c] = foreign
                    ? Surroundings.click(CLICK_RATE)
                    : java.util.Arrays.copyOfRange(track.sides().get(c), from, to);
        }
        int frames = block[0].length;
        SampleFormat depth = foreign ? SampleFormat.INT16 : SampleFormat.INT24;
        SampleRate rate = foreign ? CLICK_RATE : Timing.RATE;
        PcmEncoder encoder = new PcmEncoder(depth, channels, 0);
        byte[] bytes = new byte[frames * encoder.frameBytes()];
        encoder.encode(block, 0, frames, 0, Dither.NONE, bytes);
        BroadcastExtension broadcast = new BroadcastExtension(
                track.name(),
                "Salt Harbour",
                "",
                RECORDED_ON,
                "10:00:00",
                foreign ? START_REFERENCE * CLICK_RATE.hertz() / Timing.RATE.hertz() : START_REFERENCE + from,
                "");
        try (WavWriter out = new WavWriter(file, rate, channels, depth, frames, SoundLabel.of(broadcast))) {
            out.write(bytes, bytes.length);
        }
        return store.bring(file, name);
    }
}
