package apodex.parcel;

import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** A page that says in five lines how the files become a session in any program. */
final class HowToLoad {
    static final String NAME = "How to load.html";

    private HowToLoad() {}

    /** @param session as the handoff sees it */
    static Sheet of(Session session, Plan plan) {
        List<String> lines = new ArrayList<>();
        lines.add("Make an empty session of " + plan.rate().label() + ", "
                + plan.depth().sample().label() + ".");
        lines.add(tempo(session, plan));
        lines.add("Put every file" + (plan.sections().size() > 1 ? " of a section" : "")
                + " on a track of its own, all at the very start: " + lengths(plan) + "."
                + (plan.format().isStamped() ? " By time stamps they land together as well." : "")
                + " Programs that read timelines open " + Papers.perSection(plan, Papers.TIMELINE)
                + "; its clips stand in " + Papers.perSection(plan, Papers.CLIPS) + " too." + edits(plan));
        lines.add("Leave every fader at 0 dB and every pan in the middle, unless the session sheet says otherwise."
                + muted(plan));
        lines.add("Press play. " + heard(plan) + " What was left out, and how it was set, is on the session sheet.");
        List<Sheet.Block> blocks = new ArrayList<>();
        IntStream.range(0, lines.size()).forEach(i -> blocks.add(new Sheet.Paragraph(i + 1 + ". " + lines.get(i))));
        return new Sheet(session.song().title(), "How to load these files", blocks);
    }

    private static String tempo(Session session, Plan plan) {
        String file = Papers.perSection(plan, Papers.TEMPO_MAP);
        if (session.song().tempo() == null) {
            return "The tempo is not given: work in seconds. " + file + " holds the markers.";
        }
        boolean steady = !session.song().timeline().changes();
        return "Load " + file + " for tempo, meter, key and markers"
                + (steady
                        ? ", or set " + session.song().tempoLabel() + " quarter notes a minute by hand."
                        : "; the tempo or the meter changes, so it is needed.")
                + (plan.beats().stream().allMatch(String::isEmpty)
                        ? ""
                        : " " + Papers.perSection(plan, Plan.BEAT) + " beside this page is the beat to check it by.");
    }

    private static String lengths(Plan plan) {
        return plan.sections().stream()
                .map(section -> (section.name().isEmpty() ? "" : section.name() + " ")
                        + "each is " + section.frames() + " samples long"
                        + (section.passage().leadInFrames() > 0 ? ", lead-in included" : ""))
                .collect(Collectors.joining("; "));
    }

    private static String edits(Plan plan) {
        return plan.edits().isEmpty()
                ? ""
                : " What goes out as edits is laid by " + Papers.EDITS + ", or by hand from " + Papers.EDITS_CSV
                        + ": its files do not all begin at the start.";
    }

    private static String muted(Plan plan) {
        List<String> muted = plan.prints().stream()
                .filter(print -> print.isReference() || print.isClick())
                .map(Print::rowName)
                .distinct()
                .toList();
        return muted.isEmpty() ? "" : " Mute " + String.join(" and ", muted) + ": to compare with and to play to.";
    }

    private static String heard(Plan plan) {
        return plan.reference(0).isPresent()
                ? "The reference mix is how it sounded here."
                : "All files start together.";
    }
}
