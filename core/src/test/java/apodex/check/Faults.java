package apodex.check;

import apodex.handoff.Adjustment;
import apodex.handoff.Folders;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Sides;
import apodex.handoff.Levels;
import apodex.handoff.Section;
import apodex.handoff.Stretch;
import apodex.instrument.Note;
import apodex.session.About;
import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.Fade;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.Key;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.Recording;
import apodex.session.ReturnRow;
import apodex.session.Role;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.SoundFrom;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.session.Take;
import apodex.time.Meter;
import apodex.time.SampleRate;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/** For every check a session that has the fault and one that nearly has it. */
final class Faults {
    /** What is looked over. */
    record Case(String check, String words, Session session, Handoff handoff, boolean found) {}

    private static final int SECOND = 48_000;
    private static final Handoff USUAL = Handoff.named("The mixer");

    final TestSounds sounds;
    private final List<Recording> recordings = new ArrayList<>();
    private final List<Case> cases = new ArrayList<>();

    Faults(Path folder) {
        this.sounds = new TestSounds(folder);
    }

    List<Case> all() {
        routing();
        content();
        names();
        levels();
        sides();
        stations();
        doubled();
        elsewhere();
        edges();
        takesAndFormats();
        song();
        return cases;
    }

    // -- making sounds and sessions

    /** A tone that comes and goes gently, so that nothing but what a test puts there is wrong. */
    private static double[] tone(int frames, double amplitude, double hertz) {
        double[] samples = new double[frames];
        int gentle = Math.min(2_400, frames / 2);
        for (int i = 0; i < frames; i++) {
            double edge = Math.min(1, Math.min(i, frames - 1 - i) / (double) gentle);
            samples[i] = amplitude * edge * Math.sin(2 * Math.PI * hertz * i / SECOND);
        }
        return samples;
    }

    private Recording mono(String name, double... samples) {
        return keep(sounds.add(name + recordings.size(), 1, samples));
    }

    private Recording stereo(String name, double[] left, double[] right) {
        double[] both = new double[2 * left.length];
        for (int i = 0; i < left.length; i++) {
            both[2 * i] = left[i];
            both[2 * i + 1] = right[i];
        }
        return keep(sounds.add(name + recordings.size(), 2, both));
    }

    private Recording keep(Recording recording) {
        recordings.add(recording);
        return recording;
    }

    private int tones;

    private AudioRow good(String id, String name) {
        return audio(id, name, mono("tone", tone(SECOND, 0.25, 220 + 10 * tones++)));
    }

    private AudioRow audio(String id, String name, Recording recording) {
        return new AudioRow(id, name, List.of(Clip.whole(recording, 0, Math.min(2, recording.channels()), SECOND)));
    }

    private static Clip part(Recording recording, long position, long offset, long frames) {
        return new Clip(recording.sha256(), 0, recording.channels(), position, offset, frames, 0, 0, 0);
    }

    private static Row feeding(Row row, String... outputs) {
        return row.withStrip(row.strip().withOutputs(List.of(outputs)));
    }

    private static Row muted(Row row) {
        return row.withStrip(row.strip().withMuteAndSolo(true, false));
    }

    private static Row inserted(Row row, Insert... inserts) {
        return row.withStrip(row.strip().withInserts(List.of(inserts)));
    }

    private static Row sending(Row row, String to) {
        return row.withStrip(row.strip().withSends(List.of(new Send(to, -6, Send.From.AFTER_FADER))));
    }

    private static Row role(Row row, Role role) {
        return row.withAbout(About.NOTHING.withRole(role));
    }

    private Session session(Row... rows) {
        Song song = new Song("Low Tide Waltz", "Salt Harbour Players", 120.0, Meter.FOUR_FOUR, Key.parse("G major"));
        List<Row> all = new ArrayList<>(List.of(rows));
        if (!(all.get(all.size() - 1) instanceof MixRow)) {
            all.add(MixRow.DEFAULT);
        }
        return new Session(song, new SampleRate(SECOND), 0, "2026-05-17", List.copyOf(recordings), all);
    }

    private void fault(String check, String words, Session session, Handoff handoff) {
        cases.add(new Case(check, words, session, handoff, true));
    }

    private void fault(String check, String words, Session session) {
        fault(check, words, session, USUAL);
    }

    private void near(String check, String words, Session session, Handoff handoff) {
        cases.add(new Case(check, words, session, handoff, false));
    }

    private void near(String check, String words, Session session) {
        near(check, words, session, USUAL);
    }

    private static Handoff leavingOut(String row) {
        return Adjustment.leavingOut(List.of(new Choice(row, Station.RAW), new Choice(row, Station.SHAPED)))
                .applyTo(USUAL);
    }

    private static Handoff printing(Object... rowsAndStations) {
        List<Choice> choices = new ArrayList<>();
        for (int i = 0; i < rowsAndStations.length; i += 2) {
            choices.add(new Choice((String) rowsAndStations[i], (Station) rowsAndStations[i + 1]));
        }
        return USUAL.printing(null, choices);
    }

    private static Handoff fixed(Handoff handoff, String row, Sides sides) {
        return apodex.handoff.Adjustment.ofSides(row, sides).applyTo(handoff);
    }

    // -- the cases

    private void routing() {
        Row lost = feeding(good("a", "Tuba"));
        fault("goesNowhere", "a row that feeds nothing", session(lost, good("b", "Harp")));
        near("goesNowhere", "muted, so nobody misses it", session(muted(lost), good("b", "Harp")));
        near(
                "goesNowhere",
                "an insert listens to it",
                session(lost, inserted(good("b", "Harp"), new Insert("compressor", Map.of(), "a", false, true))));
        Row bus = new BusRow("bus", "Band", Strip.PLAIN);
        fault("onlyToMutedBus", "its one bus is muted", session(feeding(good("a", "Tuba"), "bus"), muted(bus)));
        near(
                "onlyToMutedBus",
                "it feeds the mix as well",
                session(feeding(good("a", "Tuba"), "bus", "mix"), muted(bus)));
        Row ring = new BusRow("ring", "Ring", Strip.feeding("bus"));
        fault("routingLoop", "two buses feed each other", session(good("a", "Tuba"), feeding(bus, "ring"), ring));
        near("routingLoop", "one after the other", session(good("a", "Tuba"), bus, ring));
        Row hall = new ReturnRow("hall", "Hall", Strip.PLAIN.withInserts(List.of(Insert.of("hallReverb", Map.of()))));
        fault("unusedReturn", "nobody sends", session(good("a", "Tuba"), hall));
        near("unusedReturn", "somebody sends", session(sending(good("a", "Tuba"), "hall"), hall));
        fault("unheardSend", "the return is muted", session(sending(good("a", "Tuba"), "hall"), muted(hall)));
        fault("unheardSend", "the return goes nowhere", session(sending(good("a", "Tuba"), "hall"), feeding(hall)));
        near("unheardSend", "the return is heard", session(sending(good("a", "Tuba"), "hall"), hall));
        fault(
                "feedsBusTwice",
                "straight, and through another bus",
                session(feeding(good("a", "Tuba"), "bus", "ring"), ring, bus));
        near(
                "feedsBusTwice",
                "two buses that meet in the mix alone",
                session(feeding(good("a", "Tuba"), "bus", "ring"), new BusRow("ring", "Ring", Strip.PLAIN), bus));
    }

    private void content() {
        Row bus = new BusRow("bus", "Band", Strip.PLAIN);
        fault("nothingInIt", "no clips", session(good("a", "Tuba"), new AudioRow("b", "Harp", List.of())));
        fault("nothingInIt", "a bus nobody feeds", session(good("a", "Tuba"), bus));
        near("nothingInIt", "one clip, and a bus it feeds", session(feeding(good("a", "Tuba"), "bus"), bus));
        fault(
                "silentThroughout",
                "zeros",
                session(good("b", "Harp"), audio("a", "Tuba", mono("zeros", new double[SECOND]))));
        double[] whisper = new double[SECOND];
        whisper[500] = 1e-6;
        near(
                "silentThroughout",
                "one sample is not zero",
                session(good("b", "Harp"), audio("a", "Tuba", mono("whisper", whisper))));
        fault(
                "nearlySilent",
                "-60.2 dBFS",
                session(good("b", "Harp"), audio("a", "Tuba", mono("low", tone(SECOND, 0.00098, 1_000)))));
        near(
                "nearlySilent",
                "-59.8 dBFS",
                session(good("b", "Harp"), audio("a", "Tuba", mono("low", tone(SECOND, 0.00103, 1_000)))));
        near(
                "nearlySilent",
                "digital silence is another matter",
                session(good("b", "Harp"), audio("a", "Tuba", mono("zeros", new double[SECOND]))));
        fault("mutedWithContent", "planned all the same", session(good("b", "Harp"), muted(good("a", "Tuba"))));
        near(
                "mutedWithContent",
                "muted and not planned",
                session(good("b", "Harp"), muted(good("a", "Tuba"))),
                printing("b", Station.RAW));
    }

    private void names() {
        fault("nameSaysNothing", "Audio 07", session(good("a", "Audio 07")));
        near(
                "nameSaysNothing",
                "a person typed it",
                session(good("a", "Audio 07").withAbout(About.NOTHING.withNameFrom(apodex.session.NamedBy.HAND))));
        near("nameSaysNothing", "it has a word of its own", session(good("a", "Tuba 07")));
        fault("nameCarriesLeftovers", "short forms and gear", session(good("a", "kik_final2"), good("b", "Tuba")));
        near("nameCarriesLeftovers", "clean names", session(good("a", "Kick"), good("b", "Tuba 2")));
        fault("nameTooLong", "41 letters", session(good("a", "T" + "u".repeat(39) + "a")));
        near("nameTooLong", "40 letters", session(good("a", "T" + "u".repeat(38) + "a")));
        fault("nameForbidden", "a question mark", session(good("a", "Tuba?")));
        near("nameForbidden", "left out", session(good("a", "Tuba?")), leavingOut("a"));
        near("nameForbidden", "an accent is fine", session(good("a", "Tübä")));
        fault("nameTwice", "but for the case", session(good("a", "Tuba"), good("b", "TUBA")));
        near("nameTwice", "one of them is left out", session(good("a", "Tuba"), good("b", "TUBA")), leavingOut("a"));
        near("nameTwice", "but for a number", session(good("a", "Tuba 1"), good("b", "Tuba 2")));
        fault(
                "rowOrder",
                "a drum between two voices",
                session(good("a", "Alto"), good("b", "Kick"), good("c", "Tenor")));
        Session apart = session(good("a", "Alto"), good("b", "Kick"), good("c", "Tenor"));
        near("rowOrder", "the handoff puts them together", apart, USUAL.withOrder(List.of("b", "a", "c")));
        near(
                "rowOrder",
                "one folder holds the voices",
                apart,
                USUAL.with(USUAL.settings().withFolders(Folders.ROLE)));
        near("rowOrder", "one of them is left out", apart, leavingOut("c"));
        fault(
                "rowOrder",
                "the handoff puts them apart",
                session(good("a", "Alto"), good("c", "Tenor"), good("b", "Kick")),
                USUAL.withOrder(List.of("a", "b", "c")));
        fault("rowOrder", "a pair apart", session(good("a", "Guitar L"), good("b", "Kick"), good("c", "Guitar R")));
        near(
                "rowOrder",
                "all in order",
                session(
                        good("b", "Kick"),
                        good("c", "Guitar L"),
                        good("d", "Guitar R"),
                        good("a", "Alto"),
                        good("e", "Tenor")));
    }

    private void levels() {
        double[] clipped = tone(SECOND, 0.4, 220);
        java.util.Arrays.fill(clipped, 10_000, 10_003, 1.0);
        fault("clippedRecording", "three full samples in a row", session(audio("a", "Tuba", mono("clipped", clipped))));
        double[] touching = tone(SECOND, 0.4, 220);
        java.util.Arrays.fill(touching, 10_000, 10_002, 1.0);
        near("clippedRecording", "two of them", session(audio("a", "Tuba", mono("touching", touching))));
        Recording both = mono("clipped", clipped);
        near(
                "clippedRecording",
                "the clip leaves them out",
                session(new AudioRow("a", "Tuba", List.of(part(both, SECOND, 20_000, 28_000)))));
        near(
                "clippedRecording",
                "in no section",
                session(audio("a", "Tuba", mono("clipped", clipped)), good("b", "Harp")),
                USUAL.withSections(List.of(new Section(
                        "",
                        new Stretch(
                                new Stretch.Point(Stretch.CountedIn.SECONDS, 0),
                                new Stretch.Point(Stretch.CountedIn.SECONDS, 0.9))))));
        long[] full = new long[4_800];
        java.util.Arrays.fill(full, 2_000, 2_003, 32_767);
        fault(
                "clippedRecording",
                "16-bit full scale is 32,767",
                session(audio("a", "Tuba", keep(sounds.addWhole("full", 16, full)))));
        // a sine at a quarter of the rate, sampled at 45 degrees, has its peak 3 dB above its samples
        double[] between = new double[SECOND];
        for (int i = 0; i < SECOND; i++) {
            between[i] = 0.9
                    * Math.min(1, Math.min(i, SECOND - 1 - i) / 2_400.0)
                    * Math.sin(Math.PI / 2 * i + Math.PI / 4)
                    * Math.sqrt(2)
                    * 0.99;
        }
        fault("truePeakOver", "between the samples", session(audio("a", "Tuba", mono("between", between))));
        double[] under = between.clone();
        for (int i = 0; i < SECOND; i++) {
            under[i] *= 0.72;
        }
        near("truePeakOver", "3 dB lower", session(audio("a", "Tuba", mono("under", under))));
        fault("levelForMixer", "-5.9 dBFS", session(audio("a", "Tuba", mono("hot", tone(SECOND, 0.507, 1_000)))));
        fault(
                "levelForMixer",
                "-24.2 dBFS, on a bus",
                session(
                        feeding(audio("a", "Tuba", mono("low", tone(SECOND, 0.0617, 1_000))), "bus"),
                        new BusRow("bus", "Band", Strip.PLAIN)));
        near(
                "levelForMixer",
                "the brief brings every file into the window",
                session(audio("a", "Tuba", mono("hot", tone(SECOND, 0.507, 1_000)))),
                USUAL.with(USUAL.settings().withLevels(Levels.WINDOW, null)));
        near("levelForMixer", "-6.2 dBFS", session(audio("a", "Tuba", mono("warm", tone(SECOND, 0.49, 1_000)))));
    }

    private void sides() {
        double[] one = tone(SECOND, 0.25, 330);
        double[] other = tone(SECOND, 0.25, 440);
        double[] nearlyOne = one.clone();
        nearlyOne[10_000] += 0.25 * Math.pow(10, -89.0 / 20);
        Session same = session(audio("a", "Tuba", stereo("same", one, one)));
        fault("reallyMono", "both sides alike", same);
        fault("reallyMono", "and fixed to stereo", same, fixed(USUAL, "a", Sides.STEREO));
        near(
                "reallyMono",
                "it goes out as edits",
                same,
                USUAL.with(USUAL.settings().withEdits(true, 1.0)));
        near("reallyMono", "apart by -89 dB", session(audio("a", "Tuba", stereo("nearly", one, nearlyOne))));
        fault(
                "oneSideSilent",
                "nothing on the right",
                session(audio("a", "Tuba", stereo("left", one, new double[SECOND]))));
        near(
                "oneSideSilent",
                "little on the right",
                session(audio("a", "Tuba", stereo("left", one, tone(SECOND, 1e-4, 440)))));
        double[] turned = java.util.Arrays.stream(one).map(sample -> -sample).toArray();
        fault("outOfPhase", "one side upside down", session(audio("a", "Tuba", stereo("turned", one, turned))));
        near(
                "outOfPhase",
                "sides that have nothing to do with each other",
                session(audio("a", "Tuba", stereo("wide", one, other))));
        Session widened = session(inserted(good("a", "Tuba"), Insert.of("doubler", Map.of())));
        fault(
                "wetWidth",
                "its doubled sound fixed to mono",
                widened,
                fixed(printing("a", Station.INSERTS), "a", Sides.MONO));
        near("wetWidth", "Raw is mono anyway", widened, fixed(printing("a", Station.RAW), "a", Sides.MONO));
    }

    private void stations() {
        Row panned = good("a", "Tuba")
                .withStrip(Strip.PLAIN
                        .withFader(-3, 20)
                        .withMoves(List.of(new Move(0, -3), new Move(SECOND, 0)), List.of()));
        fault("leftOutOfRaw", "fader, pan and moves", session(panned));
        near("leftOutOfRaw", "printed at Fader too", session(panned), printing("a", Station.RAW, "a", Station.FADER));
        near("leftOutOfRaw", "at rest", session(good("a", "Tuba")));
        Row ringing =
                inserted(good("a", "Tuba"), Insert.of("springReverb", Map.of()).keep());
        fault("keptTail", "a kept reverb", session(ringing));
        fault(
                "keptTail",
                "a kept chopper goes with the tempo",
                session(inserted(
                        good("a", "Tuba"), Insert.of("chopper", Map.of()).keep())));
        near(
                "keptTail",
                "a kept filter",
                session(inserted(
                        good("a", "Tuba"),
                        Insert.of("bell", Map.of("gainDb", 3.0)).keep())));
        near(
                "keptTail",
                "a reverb that is not kept",
                session(inserted(good("a", "Tuba"), Insert.of("springReverb", Map.of()))));
        Session played = session(
                inserted(good("a", "Tuba"), Insert.of("amplifier", Map.of()).keep()));
        fault("dryTwin", "the amplifier alone", played, printing("a", Station.SHAPED));
        fault("dryTwin", "dry alone", played, printing("a", Station.RAW));
        near("dryTwin", "both", played, printing("a", Station.RAW, "a", Station.SHAPED));
        AudioRow clipped = good("a", "Tuba");
        Row cut = clipped.withTakes(
                List.of(new Take(
                        "t1",
                        "Take 1",
                        List.of(clipped.clips().get(0).withInserts(List.of(Insert.of("gain", Map.of())))))),
                "t1");
        fault("clipInsertsLeftOff", "Raw alone", session(cut), printing("a", Station.RAW));
        near("clipInsertsLeftOff", "Shaped beside it", session(cut), printing("a", Station.RAW, "a", Station.SHAPED));
        fault(
                "unknownEffect",
                "an effect from elsewhere",
                session(inserted(good("a", "Tuba"), Insert.of("moonDust", Map.of()))));
        near(
                "unknownEffect",
                "switched off",
                session(inserted(good("a", "Tuba"), new Insert("moonDust", Map.of(), null, false, false))));
        Row glued = new BusRow("bus", "Band", Strip.PLAIN.withInserts(List.of(Insert.of("compressor", Map.of()))));
        Session grouped = session(feeding(good("a", "Tuba"), "bus"), glued);
        fault(
                "sharedInserts",
                "the tuba dry, and through the bus",
                grouped,
                printing("a", Station.RAW, "a", Station.BUS));
        near("sharedInserts", "every file went through", grouped, printing("a", Station.BUS, "bus", Station.INSERTS));
    }

    /** Noise that comes and goes, so that it lies nowhere twice. */
    private static double[] noise(long seed, int seconds) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] samples = new double[seconds * SECOND];
        for (int i = 0; i < samples.length; i++) {
            double swell = Math.sin(Math.PI * (i % SECOND) / SECOND);
            samples[i] = 0.3 * swell * (2 * random.nextDouble() - 1);
        }
        return samples;
    }

    private static double[] from(double[] samples, int late, double factor, int frames) {
        double[] moved = new double[frames];
        for (int i = 0; i < frames; i++) {
            int at = i - late;
            moved[i] = at < 0 || at >= samples.length ? 0 : factor * Math.tanh(3 * samples[at]);
        }
        return moved;
    }

    private void elsewhere() {
        double[] dry = noise(1, 6);
        Recording raw = mono("dry", dry);
        int all = dry.length;
        fault(
                "broughtAgainstRaw",
                "a tenth of a second late",
                session(brought(raw, from(dry, 4_800, 0.6, all + 4_800))));
        fault("broughtAgainstRaw", "turned over", session(brought(raw, from(dry, 0, -0.6, all))));
        fault("broughtAgainstRaw", "ends two seconds early", session(brought(raw, from(dry, 0, 0.6, 4 * SECOND))));
        near("broughtAgainstRaw", "as far as a microphone", session(brought(raw, from(dry, 96, 0.6, all))));
        near("broughtAgainstRaw", "longer by its tail", session(brought(raw, from(dry, 0, 0.6, all + SECOND))));
        near("broughtAgainstRaw", "nothing like it", session(brought(raw, noise(2, 6))));
        InstrumentRow notes = new InstrumentRow("k", "Keys", "reedOrgan", List.of(new Note(0, 1, 60, 90)), Strip.PLAIN);
        fault("notesOnly", "notes that came alone", session(good("a", "Tuba"), notes.from(SoundFrom.ELSEWHERE)));
        near("notesOnly", "played by the house", session(good("a", "Tuba"), notes));
        near(
                "notesOnly",
                "their sound was brought",
                session(
                        good("a", "Tuba"),
                        notes.from(SoundFrom.ELSEWHERE)
                                .withStrip(Strip.PLAIN.withBrought(
                                        List.of(new Brought(Station.RAW, List.of(Clip.whole(raw, 0, 1, 0))))))));
        Insert foreign = new Insert("Warm Valve", Map.of(), null, false, true, "drive 4");
        fault("unknownEffect", "one from elsewhere", session(inserted(good("a", "Tuba"), foreign)));
        near(
                "unknownEffect",
                "its sound was brought",
                session(inserted(audio("g", "Guitar", raw), foreign)
                        .withStrip(Strip.PLAIN
                                .withInserts(List.of(foreign))
                                .withBrought(List.of(new Brought(
                                        Station.INSERTS,
                                        List.of(Clip.whole(mono("wet", from(dry, 0, 0.6, all)), 0, 1, SECOND))))))));
    }

    private Row brought(Recording raw, double[] wet) {
        Clip clip = Clip.whole(mono("wet", wet), 0, 1, SECOND);
        return audio("g", "Guitar", raw)
                .withStrip(Strip.PLAIN.withBrought(List.of(new Brought(Station.INSERTS, List.of(clip)))));
    }

    private void doubled() {
        Row bus = new BusRow("bus", "Band", Strip.PLAIN.withFader(-2, 0));
        Session grouped = session(feeding(good("a", "Tuba"), "bus"), feeding(good("b", "Harp"), "bus"), bus);
        fault(
                "doubledMembers",
                "a bus and its members",
                grouped,
                printing("a", Station.RAW, "b", Station.RAW, "bus", Station.FADER));
        near("doubledMembers", "the bus alone", grouped, printing("bus", Station.FADER));
        near("doubledMembers", "the members alone", grouped, printing("a", Station.RAW, "b", Station.RAW));
        Row squash =
                new BusRow("squash", "Squash", Strip.PLAIN.withInserts(List.of(Insert.of("compressor", Map.of()))));
        Session beside = session(feeding(good("a", "Tuba"), "mix", "squash"), squash);
        fault("parallelChain", "with its input", beside, printing("a", Station.RAW, "squash", Station.INSERTS));
        near("parallelChain", "without its input", beside, printing("squash", Station.INSERTS));
        near(
                "parallelChain",
                "all with their faders, as they add up",
                beside,
                printing("a", Station.FADER, "squash", Station.FADER));
        Row lead = audio("v1", "Lead Voice", mono("lead", noise(21, 2)));
        Row twice = audio("v2", "Lead Voice Double", mono("twice", noise(22, 2)));
        fault("doubledVoices", "a voice and its double", session(twice, lead));
        fault(
                "doubledVoices",
                "in a group of their own",
                session(feeding(lead, "bus"), feeding(twice, "bus"), new BusRow("bus", "Leads", Strip.PLAIN)));
        near("doubledVoices", "two singers", session(lead, audio("v2", "Alto Voice", mono("alto", noise(23, 2)))));
        near("doubledVoices", "one of them is muted", session(lead, muted(twice)));
        double[] once = tone(SECOND, 0.25, 777);
        fault(
                "sameContent",
                "two files of the same samples",
                session(audio("a", "Tuba", mono("one", once)), audio("b", "Harp", mono("two", once))));
        double[] almost = once.clone();
        almost[20_000] += 1e-6;
        near(
                "sameContent",
                "one sample apart",
                session(audio("a", "Tuba", mono("one", once)), audio("b", "Harp", mono("two", almost))));
        Recording recording = mono("one", once);
        near(
                "sameContent",
                "at another place",
                session(
                        audio("a", "Tuba", recording),
                        new AudioRow("b", "Harp", List.of(Clip.whole(recording, 0, 1, SECOND + 1)))));
    }

    private void edges() {
        Recording long1 = mono("long", tone(3 * SECOND, 0.25, 300));
        // 300 Hz at 48 kHz: a wave is 160 frames, so frame 40 of a wave is its crest
        fault(
                "clickingEdge",
                "starts at a crest",
                session(new AudioRow("a", "Tuba", List.of(part(long1, SECOND, 16_040, 4 * SECOND / 3)))));
        near(
                "clickingEdge",
                "starts at a crossing",
                session(new AudioRow("a", "Tuba", List.of(part(long1, SECOND, 16_000, 4 * SECOND / 3)))));
        Clip faded = part(long1, SECOND, 16_040, 4 * SECOND / 3).withFades(Fade.straight(240), Fade.straight(240));
        near("clickingEdge", "a crest, but faded", session(new AudioRow("a", "Tuba", List.of(faded))));
        near(
                "clickingEdge",
                "cut and put together again",
                session(new AudioRow(
                        "a",
                        "Tuba",
                        List.of(
                                part(long1, SECOND, 0, 16_040),
                                part(long1, SECOND + 16_040, 16_040, 3 * SECOND - 16_040)))));
        fault(
                "clickingEdge",
                "a seam that steps",
                session(new AudioRow(
                        "a",
                        "Tuba",
                        List.of(
                                part(long1, SECOND, 0, 16_040),
                                part(long1, SECOND + 16_040, 16_120, 3 * SECOND - 16_120)))));
        fault(
                "tinyGap",
                "5 ms",
                session(new AudioRow(
                        "a",
                        "Tuba",
                        List.of(
                                part(long1, SECOND, 0, 16_000),
                                part(long1, SECOND + 16_240, 16_240, 3 * SECOND - 16_240)))));
        fault(
                "tinyGap",
                "an overlap of 5 ms",
                session(new AudioRow(
                        "a",
                        "Tuba",
                        List.of(
                                part(long1, SECOND, 0, 16_240),
                                part(long1, SECOND + 16_000, 16_000, 3 * SECOND - 16_000)))));
        near(
                "tinyGap",
                "a pause of 15 ms",
                session(new AudioRow(
                        "a",
                        "Tuba",
                        List.of(
                                part(long1, SECOND, 0, 16_000),
                                part(long1, SECOND + 16_720, 16_720, 3 * SECOND - 16_720)))));
        fault(
                "startCut",
                "a second of it",
                session(new AudioRow("a", "Tuba", List.of(part(long1, 0, SECOND, 2 * SECOND)))));
        double[] late = new double[2 * SECOND];
        System.arraycopy(tone(SECOND, 0.25, 300), 0, late, SECOND, SECOND);
        near(
                "startCut",
                "silence was cut",
                session(new AudioRow("a", "Tuba", List.of(part(mono("late", late), 0, SECOND, SECOND)))));
        fault("endCut", "in full sound", session(new AudioRow("a", "Tuba", List.of(part(long1, SECOND, 0, SECOND)))));
        near(
                "endCut",
                "faded out",
                session(new AudioRow(
                        "a",
                        "Tuba",
                        List.of(part(long1, SECOND, 0, SECOND).withFades(Fade.NONE, Fade.straight(480))))));
        double[] shifted = java.util.Arrays.stream(tone(SECOND, 0.25, 300))
                .map(sample -> sample + 0.006)
                .toArray();
        fault("dcOffset", "0.6 %", session(audio("a", "Tuba", mono("shifted", shifted))));
        double[] hardly = java.util.Arrays.stream(tone(SECOND, 0.25, 300))
                .map(sample -> sample + 0.004)
                .toArray();
        near("dcOffset", "0.4 %", session(audio("a", "Tuba", mono("hardly", hardly))));
    }

    private void takesAndFormats() {
        AudioRow row = good("a", "Tuba");
        Take heard = row.takes().get(0);
        Take other = new Take("t2", "Take 2", heard.clips());
        fault("takesNotChosen", "another take with sound", session(row.withTakes(List.of(heard, other), "t1")));
        near(
                "takesNotChosen",
                "the brief asks for all",
                session(row.withTakes(List.of(heard, other), "t1")),
                USUAL.with(USUAL.settings().withExtras(true, null, null, null)));
        near(
                "takesNotChosen",
                "an empty one",
                session(row.withTakes(List.of(heard, new Take("t2", "Take 2", List.of())), "t1")));
        Recording slow = keep(sounds.add("slow" + recordings.size(), 1, tone(SECOND, 0.25, 300)));
        Recording foreign = new Recording(
                slow.sha256(), slow.fileName(), new SampleRate(44_100), 1, slow.sample(), SECOND, null, null);
        recordings.set(recordings.indexOf(slow), foreign);
        fault(
                "mixedRates",
                "44.1 among 48 kHz",
                session(new AudioRow("a", "Tuba", List.of(part(foreign, SECOND, 0, SECOND)))));
        near("mixedRates", "one rate", session(good("a", "Tuba")));
        long[] whole = new long[SECOND];
        double[] played = tone(SECOND, 8_000, 300);
        for (int i = 0; i < SECOND; i++) {
            whole[i] = Math.round(played[i]);
        }
        Recording sixteen = keep(sounds.addWhole("sixteen" + recordings.size(), 16, whole));
        fault("mixedDepths", "16-bit beside float", session(good("a", "Tuba"), audio("b", "Harp", sixteen)));
        near("mixedDepths", "the other is not used", session(good("a", "Tuba")));
        Recording gone = mono("gone", tone(SECOND, 0.25, 300));
        sounds.stands(gone, Sounds.Standing.MISSING);
        fault("missingRecording", "its file is not here", session(audio("a", "Tuba", gone), good("b", "Harp")));
        near("missingRecording", "no clip uses it", session(good("b", "Harp")));
        Recording written = mono("written", tone(SECOND, 0.25, 300));
        sounds.stands(written, Sounds.Standing.CHANGED);
        fault("changedRecording", "something wrote to it", session(audio("a", "Tuba", written)));
        recordings.remove(written);
        near("changedRecording", "it is what it was", session(good("a", "Tuba")));
    }

    private void song() {
        Session full = session(good("a", "Tuba"));
        fault(
                "noTempo",
                "nobody said",
                full.withSong(new Song("Low Tide Waltz", "", null, Meter.FOUR_FOUR, Key.parse("G major"))));
        near("noTempo", "120", full);
        fault("noKey", "nobody said", full.withSong(new Song("Low Tide Waltz", "", 120.0, Meter.FOUR_FOUR, null)));
        near("noKey", "G major", full);
        fault(
                "tempoAgainstNotes",
                "every 0.37 quarters",
                session(new InstrumentRow("a", "Bell", "bell", notes(0.37), Strip.PLAIN)));
        near(
                "tempoAgainstNotes",
                "quarters and triplets, played by hand",
                session(new InstrumentRow("a", "Bell", "bell", notes(1 / 3.0 + 0.0002), Strip.PLAIN)));
        fault(
                "noRoomBefore",
                "sound from the first sample",
                session(new AudioRow(
                        "a", "Tuba", List.of(part(mono("at once", tone(SECOND, 0.25, 300)), 0, 0, SECOND)))));
        near("noRoomBefore", "a second before it", full);
        fault("clickAndGuide", "a click among the music", session(good("c", "Click"), good("a", "Tuba")));
        near("clickAndGuide", "set apart, last", session(good("a", "Tuba"), role(good("c", "Click"), Role.CLICK)));
        near(
                "clickAndGuide",
                "not planned",
                session(good("c", "Click"), good("a", "Tuba")),
                printing("a", Station.RAW));
    }

    private static List<Note> notes(double apart) {
        List<Note> notes = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            notes.add(new Note(2 + i * apart, 0.2, 60, 90));
        }
        return notes;
    }
}
