package apodex.proof;

import apodex.audio.FileKind;
import apodex.audio.SoundBytes;
import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Setting;
import apodex.handoff.Brief;
import apodex.handoff.Click;
import apodex.handoff.Depth;
import apodex.handoff.Folders;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import apodex.handoff.Section;
import apodex.handoff.Settings;
import apodex.handoff.Stretch;
import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.naming.NameStyle;
import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.PanLaw;
import apodex.session.PartRow;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.SessionRules;
import apodex.session.Song;
import apodex.session.SoundFrom;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.signal.TestRecordings;
import apodex.time.Meter;
import apodex.time.MeterChange;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/** A session of anything there is, and a handoff that asks for anything there is, both by chance. */
public final class RandomHandoff {
    private static final List<Integer> RATES = List.of(8_000, 8_000, 11_025, 16_000, 22_050, 44_100, 48_000);
    private static final List<Double> TEMPOS = List.of(97.0, 101.0, 113.0, 120.0, 133.3, 240.0);
    private static final List<Station> STATIONS = List.of(Station.values());

    private final SplittableRandom random;
    private final SampleRate rate;
    private final List<Recording> made = new ArrayList<>();
    private final List<String> buses = new ArrayList<>();
    private final List<String> returns = new ArrayList<>();
    private final List<String> sources = new ArrayList<>();
    private final boolean hot;
    public final TestRecordings recordings;
    public final Session session;
    public final Handoff handoff;
    /** Whether the files of the built-in brief that is asked for were meant to add up. */
    final boolean mustAddUp;

    public RandomHandoff(long seed, Path folder) throws IOException {
        this.random = new SplittableRandom(seed);
        this.recordings = new TestRecordings(folder);
        this.rate = new SampleRate(any(RATES));
        this.hot = one(12);
        this.session = SessionRules.checked(withBrought(session(), new SplittableRandom(seed ^ 0xB0)));
        Brief brief = one(3)
                ? ownBrief()
                : any(Brief.BUILT_IN).with(any(Brief.BUILT_IN).settings());
        if (one(3)) {
            brief = new Brief("Inner groups", Brief.Rows.INNERMOST, Brief.GROUPS.stations(), Brief.GROUPS.settings());
        } else if (one(2)) {
            brief = one(2) ? Brief.GROUPS : Brief.FOR_OVERDUBS;
        }
        Handoff asked = Handoff.named("somebody").with(brief).with(settings()).withSections(sections());
        boolean byHand = one(3);
        this.handoff = byHand ? byHand(asked) : trimmed(asked);
        this.mustAddUp = !byHand
                && session.rows().stream()
                        .noneMatch(row -> row.strip().broughtAt(Station.BUS).isPresent())
                && brief.stations().equals(Brief.GROUPS.stations())
                && handoff.settled().returns() == Returns.SHARED_OUT
                && handoff.settled().dynamics() == Dynamics.IN_PLACE
                && handoff.settled().sides() != Sides.MONO;
    }

    /** Some rows have sound rendered elsewhere for a station of theirs; drawn apart, so that all else of a seed stays. */
    private Session withBrought(Session made, SplittableRandom chance) {
        List<Row> rows = new ArrayList<>();
        for (Row row : made.rows()) {
            boolean has = row.kind().isSource() && chance.nextInt(6) == 0;
            Recording recording =
                    made.recordings().get(chance.nextInt(made.recordings().size()));
            int first = row.kind().isPlayed() ? 0 : 1;
            Station station = STATIONS.get(first + chance.nextInt(Station.MIX.ordinal() - first));
            Clip clip = new Clip(
                    recording.sha256(),
                    0,
                    recording.channels(),
                    chance.nextInt(2) * chance.nextInt(rate.hertz() / 2),
                    0,
                    recording.framesAt(rate),
                    0,
                    0,
                    0);
            rows.add(
                    has
                            ? row.withStrip(row.strip().withBrought(List.of(new Brought(station, List.of(clip)))))
                            : row instanceof InstrumentRow player && chance.nextInt(6) == 0
                                    ? player.from(SoundFrom.ELSEWHERE)
                                    : row);
        }
        return made.withRows(rows.stream().map(row -> performed(row, chance)).toList());
    }

    /** Some players bend, pan, swell and tread on pedals. */
    private static Row performed(Row row, SplittableRandom chance) {
        if (!(row instanceof InstrumentRow player) || chance.nextInt(2) == 0) {
            return row;
        }
        List<Message> messages = new ArrayList<>();
        List<String> kinds = List.of("b007", "b00a", "b00b", "b040", "e000", "b006");
        if (chance.nextBoolean()) {
            messages.add(new Message(0, "b06500"));
            messages.add(new Message(0, "b06400"));
        }
        for (int i = 1 + chance.nextInt(8); i > 0; i--) {
            String kind = kinds.get(chance.nextInt(kinds.size()));
            int value = kind.equals("b006") ? chance.nextInt(25) : chance.nextInt(128);
            messages.add(new Message(chance.nextInt(4) * chance.nextDouble(4), kind + String.format("%02x", value)));
        }
        return player.with(messages);
    }

    private boolean one(int in) {
        return random.nextInt(in) == 0;
    }

    private <T> T any(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private Session session() throws IOException {
        for (int i = 0; i < 1 + random.nextInt(5); i++) {
            made.add(recording("rec" + i));
        }
        int busCount = random.nextInt(4);
        for (int i = 0; i < busCount; i++) {
            buses.add("b" + i);
        }
        int returnCount = random.nextInt(3);
        for (int i = 0; i < returnCount; i++) {
            returns.add("v" + i);
        }
        List<Row> rows = new ArrayList<>();
        int tracks = 1 + random.nextInt(6);
        for (int i = 0; i < tracks; i++) {
            sources.add("a" + i);
            rows.add(track("a" + i, i));
            isKeyPossible = true;
        }
        if (one(3)) {
            rows.add(new InstrumentRow("kit", "Kit", "drumKit", notes(), strip(0, returns)));
            for (String part : List.of("kick", "snare", "room", "shaker")) {
                if (one(2)) {
                    rows.add(new PartRow("p" + part, "Kit " + part, "kit", part, strip(0, returns)));
                }
            }
        }
        if (one(4)) {
            rows.add(new InstrumentRow("bell", "Bell", "bell", notes(), strip(0, returns)));
        }
        for (int i = 0; i < busCount; i++) {
            rows.add(new BusRow("b" + i, "Group " + i, strip(i + 1, last())));
        }
        for (int i = 0; i < returnCount; i++) {
            boolean isLast = returnCount == 2 && i == 1;
            rows.add(new ReturnRow(
                    "v" + i,
                    "Return " + i,
                    strip(isLast ? busCount : random.nextInt(busCount + 1), isLast ? List.of() : last())));
        }
        rows.add(new MixRow(
                MixRow.ID, "Mix", Strip.feeding().withInserts(inserts(2)).withFader(one(3) ? -3 : 0, 0)));
        return new Session(
                song(),
                rate,
                random.nextInt(3) * 100_000L,
                "2026-01-01",
                any(List.of(PanLaw.values())),
                List.of(),
                made,
                rows);
    }

    private Song song() {
        List<TempoChange> tempos = new ArrayList<>();
        List<MeterChange> meters = new ArrayList<>();
        if (one(2)) {
            tempos.add(new TempoChange(
                    1 + random.nextInt(4), any(TEMPOS), one(2) ? TempoChange.Way.JUMP : TempoChange.Way.GLIDE));
        }
        if (one(3)) {
            meters.add(new MeterChange(2, new Meter(3, 4)));
        }
        return new Song(
                "Random", "", one(6) ? null : any(TEMPOS), one(6) ? null : Meter.FOUR_FOUR, null, tempos, meters);
    }

    private Recording recording(String name) throws IOException {
        int channels = 1 + random.nextInt(2);
        int bits = any(List.of(16, 24, 32));
        int hertz = one(5) ? any(RATES) : rate.hertz();
        int frames = hertz / 4 + random.nextInt(hertz / 2);
        double level = hot ? 0.95 : Math.pow(10, -(6 + random.nextInt(24)) / 20.0);
        int kind = random.nextInt(9);
        double[] samples = new double[frames * channels];
        for (int i = 0; i < frames; i++) {
            double value = kind == 0
                    ? 0
                    : kind == 1
                            ? level * Math.sin(2 * Math.PI * 110 * i / hertz)
                            : kind == 2 && i < frames / 2 ? 0 : level * (2 * random.nextDouble() - 1);
            for (int c = 0; c < channels; c++) {
                boolean silent = kind == 3 && c == 0 || kind == 4 && c == 1;
                samples[i * channels + c] = silent
                        ? 0
                        : kind == 5 || c == 0
                                ? value
                                : level * (2 * random.nextDouble() - 1) * Math.signum(Math.abs(value));
            }
        }
        SoundBytes riff = SoundBytes.riff().format(bits == 32 ? 3 : 1, channels, hertz, bits);
        if (bits == 32) {
            return recordings.add(
                    name,
                    riff.chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, samples))
                            .wave());
        }
        List<Long> whole = new ArrayList<>();
        for (double sample : samples) {
            whole.add(Math.round(sample * (Math.scalb(1.0, bits - 1) - 1)));
        }
        return recordings.add(
                name,
                riff.chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, bits / 8, whole))
                        .wave());
    }

    private Row track(String id, int index) {
        List<Take> takes = new ArrayList<>();
        takes.add(new Take("t1", "Take 1", clips()));
        if (one(6)) {
            takes.add(new Take("t2", "Take 2", clips()));
        }
        return new AudioRow(id, "Track " + index, takes, "t1", strip(0, returns));
    }

    private List<Clip> clips() {
        List<Clip> clips = new ArrayList<>();
        long at = one(2) ? 0 : random.nextInt(rate.hertz() / 2);
        for (int count = one(8) ? 0 : 1 + random.nextInt(3); count > 0; count--) {
            Recording recording = any(made);
            long all = recording.framesAt(rate);
            long offset = one(2) ? 0 : random.nextLong(all / 2);
            long frames = one(2) ? all - offset : 1 + random.nextLong(all - offset);
            boolean plain = one(2);
            Fade in = plain ? Fade.NONE : new Fade(random.nextLong(frames / 3 + 1), any(List.of(Fade.Curve.values())));
            Fade out = plain ? Fade.NONE : new Fade(random.nextLong(frames / 3 + 1), any(List.of(Fade.Curve.values())));
            clips.add(new Clip(
                    recording.sha256(),
                    0,
                    recording.channels(),
                    at,
                    offset,
                    frames,
                    plain || one(2) ? 0 : random.nextInt(-12, 3),
                    in,
                    out,
                    one(8) ? plainInserts() : List.of(),
                    one(12),
                    one(10)));
            at += one(4) ? frames / 2 : frames + random.nextInt(rate.hertz() / 4);
        }
        return clips;
    }

    private List<Note> notes() {
        List<Note> notes = new ArrayList<>();
        for (int count = random.nextInt(6); count > 0; count--) {
            notes.add(new Note(
                    random.nextDouble() * 3,
                    0.05 + random.nextDouble() / 2,
                    any(List.of(36, 38, 42, 60)),
                    30 + random.nextInt(60)));
        }
        return notes;
    }

    /** The return that feeds the mix alone, so that buses and the other return can send to it without a loop. */
    private List<String> last() {
        return returns.size() == 2 ? returns.subList(1, 2) : List.of();
    }

    /**
     * @param firstBus buses from this one on may be fed, so that there are no loops
     * @param sendable returns that may be sent to
     */
    private Strip strip(int firstBus, List<String> sendable) {
        List<String> targets = new ArrayList<>(buses.subList(Math.min(firstBus, buses.size()), buses.size()));
        targets.add(MixRow.ID);
        List<String> outputs = new ArrayList<>();
        outputs.add(any(targets));
        String second = any(targets);
        if (one(8)) {
            outputs.clear();
        } else if (one(5) && !outputs.contains(second)) {
            outputs.add(second);
        }
        double fader = one(3) ? 0 : one(20) ? Strip.SILENT_DB : random.nextInt(-18, hot ? 6 : 1);
        Strip strip = Strip.feeding(outputs.toArray(String[]::new))
                .withInserts(inserts(2))
                .withFader(fader, one(2) ? 0 : random.nextInt(-100, 101))
                .withMuteAndSolo(one(9), one(20));
        if (one(6)) {
            strip = strip.withMoves(
                    List.of(new Move(100, -20), new Move(9_000, 0), new Move(30_000, one(3) ? Strip.SILENT_DB : -6)),
                    one(2) ? List.of() : List.of(new Move(0, -80), new Move(15_000, 80)));
        }
        List<Send> sent = new ArrayList<>();
        while (!sendable.isEmpty() && one(2) && sent.size() < 2) {
            sent.add(new Send(
                    any(sendable),
                    one(15) ? Strip.SILENT_DB : random.nextInt(-20, 1),
                    any(List.of(Send.From.values()))));
        }
        return strip.withSends(sent);
    }

    private List<Insert> plainInserts() {
        return inserts(1).stream().map(insert -> insert.keyedBy(null)).toList();
    }

    private List<Insert> inserts(int most) {
        List<Insert> inserts = new ArrayList<>();
        for (int count = one(2) ? 0 : random.nextInt(most + 1); count > 0; count--) {
            Effect effect = any(Effects.ALL);
            String key = effect.takesKey() && one(4) && !sources.isEmpty() ? sources.get(0) : null;
            inserts.add(new Insert(effect.id(), values(effect), null, one(3), !one(10))
                    .keyedBy(key != null && isKeyPossible ? key : null));
        }
        return inserts;
    }

    /** Keys come from the first track, which listens to nobody; only rows after it may. */
    private boolean isKeyPossible;

    private Map<String, Double> values(Effect effect) {
        Map<String, Double> values = new HashMap<>();
        for (Setting setting : effect.settings()) {
            double highest = setting.unit().equals("dB") && setting.highest() > 6 ? 3 : setting.highest();
            highest = switch (setting.id()) {
                case "decaySeconds" -> 0.8;
                case "timeMs" -> 1_600;
                case "feedbackPercent" -> 40;
                case "noteQuarters" -> 1;
                default -> highest;
            };
            double value = setting.lowest() + random.nextDouble() * (highest - setting.lowest());
            values.put(setting.id(), setting.choices().isEmpty() ? value : Math.rint(value));
        }
        return values;
    }

    private Brief ownBrief() {
        Map<RowKind, List<Station>> stations = new EnumMap<>(RowKind.class);
        for (RowKind kind : RowKind.values()) {
            stations.put(kind, STATIONS.stream().filter(station -> one(3)).toList());
        }
        if (one(2)) {
            stations.put(RowKind.MIX, List.of(Station.FADER));
        }
        return new Brief("Own", any(List.of(Brief.Rows.values())), stations, Settings.OPEN);
    }

    private Settings settings() {
        FileKind format = any(List.of(FileKind.WAV, FileKind.WAV, FileKind.WAV, FileKind.AIFF, FileKind.FLAC));
        List<Depth> depths = format == FileKind.FLAC ? List.of(Depth.INT16, Depth.INT24) : List.of(Depth.values());
        Settings settings = Settings.OPEN
                .withFormat(format)
                .withDepth(any(depths))
                .withRate(one(4) ? new SampleRate(any(RATES)) : null)
                .withLeadIn(one(3) ? random.nextInt(3) : null, one(4) ? Boolean.TRUE : null)
                .withClick(one(3) ? any(List.of(Click.values())) : null)
                .withTail(any(java.util.Arrays.asList(null, null, null, 0.0, 0.25)))
                .withFolders(any(List.of(Folders.values())));
        settings = settings.withExtras(one(4) ? Boolean.TRUE : null, null, null, null)
                .withNaming(one(3) ? NameStyle.USUAL : null);
        if (one(3)) {
            settings =
                    settings.withSharing(any(List.of(Returns.values())), one(3) ? Dynamics.ALONE : Dynamics.IN_PLACE);
        }
        return one(6) ? settings.withSides(any(List.of(Sides.values()))) : settings;
    }

    private List<Section> sections() {
        double length = rate.seconds(session.frames());
        if (one(2) || length == 0) {
            return List.of();
        }
        List<Section> sections = new ArrayList<>();
        int count = 1 + random.nextInt(4);
        for (int i = 0; i < count; i++) {
            double from = one(3) ? 0 : random.nextDouble() * length * 0.8;
            double to = from + 0.05 + random.nextDouble() * length;
            boolean bars = one(3);
            Stretch stretch = bars
                    ? new Stretch(
                            new Stretch.Point(Stretch.CountedIn.BARS, 1),
                            new Stretch.Point(Stretch.CountedIn.BARS, 2 + random.nextInt(2)))
                    : new Stretch(
                            new Stretch.Point(Stretch.CountedIn.SECONDS, from),
                            new Stretch.Point(Stretch.CountedIn.SECONDS, to));
            sections.add(new Section("Part " + i, stretch));
        }
        return sections;
    }

    private Handoff trimmed(Handoff asked) {
        return one(4) ? asked.withRow("a0", row -> row.withTrim((double) random.nextInt(-24, 7))) : asked;
    }

    private Handoff byHand(Handoff asked) {
        Handoff changed = trimmed(asked);
        for (Row row : session.rows()) {
            if (one(4)) {
                changed = changed.withRow(row.id(), set -> set.withSides(any(List.of(Sides.values()))));
            }
            if (one(6)) {
                changed = changed.withFiles(
                        changed.added(), join(changed.leftOut(), new Choice(row.id(), any(STATIONS))));
            }
        }
        return changed;
    }

    private static List<Choice> join(List<Choice> some, Choice one) {
        List<Choice> all = new ArrayList<>(some);
        all.add(one);
        return all;
    }
}
