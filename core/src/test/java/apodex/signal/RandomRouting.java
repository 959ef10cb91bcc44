package apodex.signal;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Nature;
import apodex.effect.Setting;
import apodex.instrument.Note;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.PartRow;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.SessionRules;
import apodex.session.Song;
import apodex.session.Strip;
import apodex.time.Meter;
import apodex.time.SampleRate;
import apodex.time.TempoChange;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.Predicate;

/** Sessions with random rows, nested buses, parallel chains, returns, moves and effects. */
final class RandomRouting {
    static final int FRAMES = 30_000;
    private final SplittableRandom random;
    private final Predicate<Effect> allowed;
    final TestRecordings recordings;
    private final List<Recording> made = new ArrayList<>();

    /** @param allowed the effects that may be used */
    RandomRouting(long seed, Path folder, Predicate<Effect> allowed) {
        this.random = new SplittableRandom(seed);
        this.allowed = allowed;
        this.recordings = new TestRecordings(folder);
    }

    static boolean isLinear(Effect effect) {
        return effect.nature() == Nature.LINEAR;
    }

    /** @param audioRows how many audio rows; beside them a drum kit with two parts on rows of their own */
    Session make(int audioRows) throws IOException {
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < audioRows; r++) {
            rows.add(new AudioRow("a" + r, "Audio " + r, clips(r), strip(List.of("b0", "b1", "b2", "mix"), 2)));
        }
        rows.add(new InstrumentRow("kit", "Kit", "drumKit", notes(), strip(List.of("b0", "mix"), 2)));
        rows.add(new PartRow("kick", "Kick", "kit", "kick", strip(List.of("b1"), 2)));
        rows.add(new PartRow("room", "Room", "kit", "room", strip(List.of("b1", "mix"), 2)));
        rows.add(new BusRow("b0", "Bus 0", strip(List.of("b1", "b2", "mix"), 1)));
        rows.add(new BusRow("b1", "Bus 1", strip(List.of("b2", "mix"), 1)));
        rows.add(new BusRow("b2", "Bus 2", strip(List.of("mix"), 1)));
        rows.add(new ReturnRow("v0", "Return 0", strip(List.of("b2", "mix"), 0)));
        rows.add(new ReturnRow("v1", "Return 1", strip(List.of("mix"), 0)));
        rows.add(new MixRow("mix", "Mix", Strip.feeding().withInserts(inserts(2, null))));
        Song song = new Song(
                "Random",
                "",
                100.0,
                Meter.FOUR_FOUR,
                null,
                List.of(new TempoChange(1, 140, TempoChange.Way.GLIDE)),
                List.of());
        return SessionRules.checked(new Session(song, new SampleRate(48_000), 0, "2026-01-01", made, rows));
    }

    private List<Clip> clips(int row) throws IOException {
        int channels = 1 + random.nextInt(2);
        double[] samples = new double[FRAMES * channels];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) ((random.nextDouble() - 0.5) * 0.3);
        }
        Recording recording = recordings.addFloats("rec" + row, channels, samples);
        made.add(recording);
        List<Clip> clips = new ArrayList<>();
        long first = random.nextInt(3_000);
        clips.add(new Clip(
                recording.sha256(),
                0,
                channels,
                first,
                0,
                9_000,
                -3,
                new Fade(500, Fade.Curve.EQUAL_POWER),
                new Fade(700, Fade.Curve.SOFT),
                random.nextInt(3) == 0 ? inserts(1, null) : List.of(),
                false));
        clips.add(new Clip(recording.sha256(), 0, channels, first + 12_000, 9_000, 8_000, 0, 0, 0));
        return clips;
    }

    private List<Note> notes() {
        List<Note> notes = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            notes.add(new Note(
                    random.nextDouble() * 0.6,
                    0.05,
                    List.of(36, 38, 42, 45, 70).get(random.nextInt(5)),
                    40 + random.nextInt(80)));
        }
        return notes;
    }

    /** @param returns how many of the returns it may send to, from the last one on: the first feeds a bus itself */
    private Strip strip(List<String> targets, int returns) {
        List<String> outputs = new ArrayList<>();
        outputs.add(targets.get(random.nextInt(targets.size())));
        String second = targets.get(random.nextInt(targets.size()));
        if (random.nextInt(3) == 0 && !outputs.contains(second)) {
            outputs.add(second);
        }
        Strip strip = Strip.feeding(outputs.toArray(String[]::new))
                .withInserts(inserts(3, null))
                .withFader(random.nextInt(-12, 3), random.nextInt(-100, 101));
        if (returns > 0 && random.nextBoolean()) {
            strip = strip.withSends(List.of(new Send(
                    "v" + (1 - random.nextInt(returns)),
                    random.nextInt(-20, 0),
                    random.nextBoolean() ? Send.From.AFTER_FADER : Send.From.BEFORE_FADER)));
        }
        if (random.nextInt(3) == 0) {
            strip = strip.withMoves(
                    List.of(new Move(100, -20), new Move(9_000, 0), new Move(20_000, -6)),
                    List.of(new Move(0, -80), new Move(15_000, 80)));
        }
        return strip;
    }

    private List<Insert> inserts(int most, String key) {
        List<Effect> effects = Effects.ALL.stream().filter(allowed).toList();
        List<Insert> inserts = new ArrayList<>();
        int count = random.nextInt(most + 1);
        for (int i = 0; i < count && !effects.isEmpty(); i++) {
            Effect effect = effects.get(random.nextInt(effects.size()));
            inserts.add(new Insert(effect.id(), values(effect, random), null, random.nextBoolean(), true));
        }
        return inserts;
    }

    /** Random values anywhere in range, but no gain of more than 6 dB, so that chains of many stay in floats' best range. */
    static Map<String, Double> values(Effect effect, SplittableRandom random) {
        Map<String, Double> values = new HashMap<>();
        for (Setting setting : effect.settings()) {
            double highest = setting.unit().equals("dB") && setting.highest() > 6 ? 6 : setting.highest();
            if (setting.id().equals("decaySeconds")) {
                highest = 1;
            } else if (setting.id().equals("timeMs")) {
                highest = 200;
            } else if (setting.id().equals("feedbackPercent")) {
                highest = 60;
            } else if (setting.id().equals("noteQuarters")) {
                highest = 0.5;
            }
            double value = setting.lowest() + random.nextDouble() * (highest - setting.lowest());
            values.put(setting.id(), setting.choices().isEmpty() ? value : Math.rint(value));
        }
        return values;
    }
}
