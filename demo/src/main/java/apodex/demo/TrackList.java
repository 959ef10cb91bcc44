package apodex.demo;

import apodex.demo.Track.Part;
import java.util.List;

/** Who plays what on which track, under the names the tracks had when the session was closed. */
final class TrackList {
    private static final int END = Score.BARS + 1;

    private TrackList() {}

    static List<Track> all() {
        double[] dulcimer = new PluckedString(0.93, 0.9985).perform(Score.dulcimer(), -13);
        double[] accordionL = new SustainedTone(Wave.BRIGHT, 1.1, 0.03, 0, 0.02).perform(Score.accordion(), -15);
        double[] accordionR = new SustainedTone(Wave.BRIGHT, -1.7, 0.035, 0, 0.03).perform(Score.accordion(), -16);
        double[] tuba = new SustainedTone(Wave.ROUND, 0.2, 0.05, 0.001, 0.08).perform(Score.tuba(), -12);
        double[] baritone = new PluckedString(0.7, 0.9993).perform(Score.baritoneGuitar(), -11);
        double[] lead = new SustainedTone(Wave.BRIGHT, 0.4, 0.07, 0.006, 0.12).perform(Score.leadVoice(), -11);
        double[] alto = choir(1);
        double[] tenor = choir(0);
        double[] soprano = choir(2);
        double[] hands = new HandDrum(0.12, 0.5).perform(Score.handPercussion(), -12);
        double[] drum = new HandDrum(0.3, 0.15).perform(Score.frameDrum(), 0);
        double[] everyone = Mixing.fromAfar(0, 0.2, dulcimer, accordionL, tuba, baritone, lead, hands);
        return List.of(
                mono("HandPerc_close", hands, new Part(5, 21, 13), new Part(25, END)),
                stereo(
                        "Hand Perc OH",
                        Mixing.toPeak(Mixing.fromAfar(96, 0.5, hands), -17),
                        Mixing.toPeak(Mixing.fromAfar(131, 0.55, hands), -18),
                        new Part(5, 21),
                        new Part(25, END)),
                mono("frame drum CLIPS??", Mixing.overloaded(drum, 1.35), new Part(21, 23)),
                mono("Tuba", tuba, new Part(5, 21, 13), new Part(25, END)),
                mono("Dulcimer", dulcimer, new Part(1, 21, -10), new Part(23, END)),
                stereo(
                        "Dulcimer pickup",
                        Mixing.scaled(dulcimer, 0.6),
                        Mixing.scaled(dulcimer, 0.6),
                        new Part(1, 21),
                        new Part(25, END)),
                mono("Accordion L", accordionL, new Part(1, 21), new Part(25, END)),
                mono("Accordion R", accordionR, new Part(1, 21), new Part(25, END)),
                mono(
                        "bari ribbon preC take4 FINAL",
                        baritone,
                        new Part(6, 15, -10),
                        new Part(17, 21),
                        new Part(26, END, 30)),
                mono("LD VOX comp_03", lead, new Part(9, 13), new Part(13, 17), new Part(18, 21), new Part(27, 33)),
                mono("Choir Alto", alto, new Part(25, END)),
                mono("Choir Tenor", tenor, new Part(25, END)),
                mono("Audio 13", soprano, new Part(25, 33), new Part(33, END)),
                stereo(
                        "Room",
                        Mixing.toPeak(Surroundings.room(everyone, 0), -20),
                        Mixing.toPeak(Surroundings.room(everyone, 97), -20),
                        new Part(1, 21),
                        new Part(23, END)),
                stereo(
                        "Waves (field recording)",
                        Mixing.toPeak(Surroundings.sea(3), -25),
                        Mixing.toPeak(Surroundings.sea(4), -25),
                        new Part(1, 13),
                        new Part(29, END)),
                mono("spare mic", Mixing.toPeak(Surroundings.hiss(5), -68), new Part(1, 21), new Part(25, END)),
                mono("clk", Surroundings.click(Timing.RATE), new Part(1, END)),
                mono("Audio 18", new double[0]),
                mono("Choir Tenor copy", tenor, new Part(25, 33)));
    }

    private static double[] choir(int part) {
        return new SustainedTone(Wave.BRIGHT, 0.7 + 0.3 * part, 0.18, 0.004 + 0.001 * part, 0.1)
                .perform(Score.choir(part), -19);
    }

    /** Two takes of the lead voice that were not chosen: one sung straighter, one that stops after the first verse. */
    static List<Track> otherLeads() {
        double[] straight = new SustainedTone(Wave.BRIGHT, 0.2, 0.09, 0.002, 0.18).perform(Score.leadVoice(), -13);
        double[] early = new SustainedTone(Wave.BRIGHT, 0.6, 0.05, 0.009, 0.1).perform(Score.leadVoice(), -12);
        return List.of(
                mono("LD VOX take_01", straight, new Part(9, 21), new Part(27, 33)),
                mono("LD VOX take_02", early, new Part(9, 21)));
    }

    private static Track mono(String name, double[] sound, Part... parts) {
        return new Track(name, List.of(sound), List.of(parts));
    }

    private static Track stereo(String name, double[] left, double[] right, Part... parts) {
        return new Track(name, List.of(left, right), List.of(parts));
    }
}
