package apodex.handoff;

import apodex.audio.FileKind;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A handoff as a sentence that says what the receiver gets: Plan shows it part by part to be changed, the sheet as it is. */
public final class InOneSentence {
    private InOneSentence() {}

    /** What a part of the sentence is about. */
    public enum About {
        @JsonProperty("brief")
        BRIEF,
        @JsonProperty("receiver")
        RECEIVER,
        @JsonProperty("format")
        FORMAT,
        @JsonProperty("depth")
        DEPTH,
        @JsonProperty("rate")
        RATE,
        @JsonProperty("range")
        RANGE,
        @JsonProperty("leadIn")
        LEAD_IN,
        @JsonProperty("tail")
        TAIL,
        @JsonProperty("click")
        CLICK,
        /** Whatever else is not as usual. */
        @JsonProperty("others")
        OTHERS
    }

    /**
     * A part of the sentence.
     *
     * @param words  how it reads
     * @param byHand whether it was set for this handoff, beside its brief
     */
    public record Part(About about, String words, boolean byHand) {}

    /** Its parts, in order; of what is as usual only those that a receiver always wants to know. */
    public static List<Part> of(Handoff handoff, Plan plan) {
        Settings hand = handoff.settings();
        Settings all = handoff.settled();
        List<Part> parts = new ArrayList<>();
        parts.add(new Part(About.BRIEF, handoff.brief().name(), false));
        parts.add(new Part(About.RECEIVER, handoff.name(), false));
        parts.add(new Part(About.FORMAT, all.format().label(), hand.format() != null));
        String depth = plan.depth().sample().label();
        parts.add(new Part(
                About.DEPTH, plan.depth() == plan.ownDepth() ? depth + " as recorded" : depth, hand.depth() != null));
        parts.add(new Part(About.RATE, plan.rate().label(), hand.rate() != null));
        parts.add(new Part(
                About.RANGE, range(handoff.sections()), !handoff.sections().isEmpty()));
        parts.add(new Part(About.LEAD_IN, leadIn(all), hand.leadInBars() != null || hand.count() != null));
        parts.add(new Part(About.TAIL, tail(all), hand.tailSeconds() != null));
        parts.add(new Part(About.CLICK, click(all.click()), hand.click() != null));
        others(all).forEach(words -> parts.add(new Part(About.OTHERS, words, isByHand(words, handoff))));
        return parts;
    }

    /** {@code For mixing, to The mixer: WAV, 24-bit as recorded, … .} */
    public static String written(Handoff handoff, Plan plan) {
        StringBuilder sentence = new StringBuilder();
        for (Part part : of(handoff, plan)) {
            sentence.append(
                    switch (part.about()) {
                        case BRIEF -> "";
                        case RECEIVER -> ", to ";
                        case FORMAT -> ": ";
                        default -> ", ";
                    });
            sentence.append(part.words());
        }
        return sentence.append('.').toString();
    }

    private static boolean isByHand(String words, Handoff handoff) {
        return !others(handoff.brief().settings().over(Settings.USUAL)).contains(words);
    }

    private static String range(List<Section> sections) {
        if (sections.size() > 1) {
            return sections.size() + " sections";
        }
        Stretch only = sections.isEmpty() ? null : sections.get(0).stretch();
        if (only == null) {
            return "the whole session";
        }
        boolean bars = only.from().unit() == Stretch.CountedIn.BARS && only.to().unit() == Stretch.CountedIn.BARS;
        return (bars ? "bars " : "") + point(only.from()) + " to " + point(only.to());
    }

    private static String point(Stretch.Point point) {
        return switch (point.unit()) {
            case MARKER -> "“" + point.marker() + "”";
            case BARS -> number(point.at());
            case SECONDS -> minutes(Math.round(point.at() * 100));
        };
    }

    /** Rounded before it is taken apart, so that no minute has sixty seconds. */
    private static String minutes(long hundredths) {
        long rest = hundredths % 6_000;
        String whole = String.format(Locale.ROOT, "%d:%02d", hundredths / 6_000, rest / 100);
        return rest % 100 == 0 ? whole : whole + String.format(Locale.ROOT, ".%02d", rest % 100);
    }

    private static String number(double value) {
        return new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(value);
    }

    private static String leadIn(Settings all) {
        int bars = all.leadInBars();
        return bars == 0
                ? "no lead-in"
                : bars + (bars == 1 ? " bar" : " bars") + (all.count() ? " counted in" : " of lead-in");
    }

    private static String tail(Settings all) {
        Double seconds = all.tailSeconds();
        return seconds == null ? "tail until quiet" : seconds == 0 ? "no tail" : "tail of " + number(seconds) + " s";
    }

    private static String click(Click click) {
        return switch (click) {
            case NONE -> "no click";
            case FIRST -> "a click first";
            case LAST -> "a click last";
        };
    }

    private static List<String> others(Settings all) {
        List<String> words = new ArrayList<>();
        if (all.returns() == Returns.SHARED_OUT) {
            words.add("returns shared out");
        } else if (all.returns() == Returns.LEFT_OUT) {
            words.add("without returns");
        }
        if (all.dynamics() == Dynamics.ALONE) {
            words.add("shared effects on each row alone");
        }
        switch (all.sides()) {
            case MONO -> words.add("all in mono");
            case STEREO -> words.add("all in stereo");
            case TWO_MONO -> words.add("stereo as two mono files");
            case AUTOMATIC -> {}
        }
        switch (all.levels()) {
            case HEADROOM -> words.add(number(all.headroomDb()) + " dB of headroom");
            case WINDOW -> words.add("each file between −24 and −6 dBFS");
            case AS_THEY_ARE -> {}
        }
        if (all.edits()) {
            words.add("edits with handles of " + number(all.handleSeconds()) + " s");
        }
        if (all.takes()) {
            words.add("with other takes");
        }
        if (!all.notes()) {
            words.add("without notes");
        }
        if (all.listening()) {
            words.add((all.listeningAs() == FileKind.MP3 ? "an MP3" : "a FLAC") + " to listen to");
        }
        if (all.cues()) {
            words.add("markers in the files");
        }
        if (!all.layOut()) {
            words.add("without timelines");
        }
        if (all.document()) {
            words.add("with the session itself");
        }
        if (all.folders() == Folders.ROLE) {
            words.add("folders by role");
        } else if (all.folders() == Folders.FLAT) {
            words.add("no folders");
        }
        if (all.splitMegabytes() != null) {
            words.add("zips of " + all.splitMegabytes() + " MB at most");
        }
        return words;
    }
}
