package apodex.demo;

import apodex.session.BusRow;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Strip;
import java.util.List;
import java.util.Map;

/** How the demo is mixed: what every row goes through on its way out. */
final class Mixer {
    private static final String RHYTHM = "rhythm";
    private static final String BAND = "band";
    private static final String VOICES = "voices";
    private static final String HALL = "hall";
    private static final String ECHO = "echo";
    private static final String PLATE = "plate";

    /** Every bus above what feeds it, as a desk is laid out. */
    static final List<String> ORDER = List.of(
            RHYTHM,
            "r1",
            "r2",
            "r3",
            "kit",
            "kick",
            "snare",
            "kit-room",
            "r4",
            "squash",
            BAND,
            "r5",
            "r6",
            "r7",
            "r8",
            "r9",
            "bell",
            "fog",
            VOICES,
            "r10",
            "r11",
            "r12",
            "r13",
            "r14",
            "r15",
            "r16",
            "r17",
            "r18",
            "r19",
            HALL,
            ECHO,
            PLATE,
            MixRow.ID);

    private Mixer() {}

    /** The strip of an audio row, by its number. */
    static Strip ofTrack(int number) {
        return switch (number) {
            case 1 -> rhythm(-4, -15).withInserts(List.of(Insert.of("lowCut", Map.of("hertz", 60.0))));
            case 2 -> rhythm(-8, 0);
            case 3 -> rhythm(-9, 10).withSends(send(HALL, -10));
            case 4 ->
                rhythm(-3, 0)
                        .withInserts(List.of(
                                Insert.of("bell", Map.of("hertz", 220.0, "gainDb", -2.5, "q", 0.9)),
                                Insert.of("compressor", Map.of("thresholdDb", -22.0, "ratio", 2.5))));
            case 5 -> band(-5, -35).withSends(send(HALL, -14));
            case 6 -> band(-18, -35).withInserts(List.of(Insert.of("lowCut", Map.of("hertz", 150.0))));
            case 7 -> band(-6, -70);
            case 8 -> band(-6, 70);
            case 9 ->
                band(-4, 25)
                        .withInserts(List.of(
                                Insert.of("amplifier", Map.of("driveDb", 20.0, "toneDb", 2.0, "outputDb", -9.0))
                                        .keep(),
                                Insert.of("springReverb", Map.of("mixPercent", 18.0, "decaySeconds", 1.6)),
                                Insert.of(
                                        "chopper",
                                        Map.of(
                                                "noteQuarters",
                                                1.0,
                                                "depthPercent",
                                                25.0,
                                                "openPercent",
                                                60.0,
                                                "edgeMs",
                                                60.0))));
            case 10 -> leadVoice();
            case 11 -> voice(-7, -45);
            case 12 -> voice(-7, 45);
            case 13 -> voice(-8, 15);
            case 14 -> Strip.feeding(MixRow.ID).withFader(-16, 0);
            case 15 ->
                Strip.feeding(MixRow.ID)
                        .withFader(-10, 0)
                        .withInserts(List.of(Insert.of("sea breeze", Map.of())))
                        .withMoves(
                                List.of(
                                        new Move(0, -6),
                                        new Move(Timing.bar(5), -14),
                                        new Move(Timing.bar(36), -14),
                                        new Move(Timing.bar(39), -4)),
                                List.of(new Move(0, -60), new Move(Timing.SONG_FRAMES, 60)));
            case 16, 17 -> Strip.feeding();
            case 18 -> Strip.feeding(MixRow.ID);
            default -> voice(-9, -45).withMuteAndSolo(true, false);
        };
    }

    static Strip rhythm(double faderDb, double pan) {
        return Strip.feeding(RHYTHM).withFader(faderDb, pan);
    }

    static Strip band(double faderDb, double pan) {
        return Strip.feeding(BAND).withFader(faderDb, pan);
    }

    static Strip bell() {
        return band(-12, 40).withSends(send(ECHO, -8));
    }

    private static Strip voice(double faderDb, double pan) {
        return Strip.feeding(VOICES).withFader(faderDb, pan).withSends(send(HALL, -9));
    }

    private static Strip leadVoice() {
        return Strip.feeding(VOICES)
                .withFader(-3, 0)
                .withInserts(List.of(
                        Insert.of("lowCut", Map.of("hertz", 90.0, "slope", 1.0)),
                        Insert.of("compressor", Map.of("thresholdDb", -24.0, "ratio", 3.0, "makeUpDb", 3.0)),
                        Insert.of("hallReverb", Map.of("mixPercent", 16.0, "decaySeconds", 1.8))
                                .keep()))
                .withSends(List.of(new Send(ECHO, -16, Send.From.AFTER_FADER)))
                .withMoves(
                        List.of(
                                new Move(Timing.bar(9), -3),
                                new Move(Timing.bar(16), -3),
                                new Move(Timing.bar(17), -1.5),
                                new Move(Timing.bar(27), -1.5),
                                new Move(Timing.bar(32), -4)),
                        List.of());
    }

    private static List<Send> send(String to, double levelDb) {
        return List.of(new Send(to, levelDb, Send.From.AFTER_FADER));
    }

    static List<Row> busesAndReturns() {
        return List.of(
                new BusRow(
                        RHYTHM,
                        "Rhythm bus",
                        Strip.feeding(MixRow.ID, "squash")
                                .withInserts(List.of(Insert.of(
                                        "compressor",
                                        Map.of(
                                                "thresholdDb",
                                                -20.0,
                                                "ratio",
                                                2.5,
                                                "attackMs",
                                                25.0,
                                                "makeUpDb",
                                                1.5))))),
                new BusRow(
                        "squash",
                        "Rhythm squash",
                        Strip.feeding(MixRow.ID)
                                .withFader(-14, 0)
                                .withInserts(List.of(
                                        Insert.of(
                                                "compressor",
                                                Map.of(
                                                        "thresholdDb",
                                                        -36.0,
                                                        "ratio",
                                                        10.0,
                                                        "attackMs",
                                                        2.0,
                                                        "makeUpDb",
                                                        10.0)),
                                        Insert.of("saturator", Map.of("driveDb", 6.0))))),
                new BusRow(
                        BAND,
                        "Band bus",
                        Strip.feeding(MixRow.ID)
                                .withFader(-1, 0)
                                .withInserts(List.of(
                                        Insert.of("shelf", Map.of("side", 1.0, "hertz", 6_000.0, "gainDb", 1.5))))),
                new BusRow(
                        VOICES,
                        "Voices bus",
                        Strip.feeding(MixRow.ID)
                                .withFader(0.5, 0)
                                .withInserts(
                                        List.of(Insert.of("compressor", Map.of("thresholdDb", -18.0, "ratio", 2.0))))),
                new ReturnRow(
                        HALL,
                        "Hall",
                        Strip.feeding(MixRow.ID)
                                .withFader(-6, 0)
                                .withInserts(List.of(
                                        Insert.of("hallReverb", Map.of("mixPercent", 100.0, "decaySeconds", 2.4))))),
                new ReturnRow(
                        ECHO,
                        "Echo",
                        Strip.feeding(MixRow.ID)
                                .withFader(-8, 0)
                                .withInserts(List.of(
                                        Insert.of(
                                                "delay",
                                                Map.of(
                                                        "noteQuarters",
                                                        1.0,
                                                        "mixPercent",
                                                        100.0,
                                                        "feedbackPercent",
                                                        40.0)),
                                        Insert.of("doubler", Map.of("mixPercent", 40.0))))),
                new ReturnRow(
                        PLATE,
                        "Plate (old)",
                        Strip.feeding(MixRow.ID)
                                .withInserts(List.of(
                                        Insert.of("hallReverb", Map.of("mixPercent", 100.0, "decaySeconds", 1.1))))));
    }

    static MixRow mix() {
        return new MixRow(
                MixRow.ID,
                "Mix",
                Strip.feeding()
                        .withInserts(List.of(
                                Insert.of(
                                        "compressor",
                                        Map.of(
                                                "thresholdDb",
                                                -16.0,
                                                "ratio",
                                                1.6,
                                                "attackMs",
                                                30.0,
                                                "releaseMs",
                                                250.0)),
                                Insert.of("limiter", Map.of("ceilingDb", -1.0, "driveDb", 2.0)))));
    }
}
