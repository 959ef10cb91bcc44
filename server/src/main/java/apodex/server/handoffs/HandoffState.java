package apodex.server.handoffs;

import apodex.check.Doubling;
import apodex.handoff.ByHand;
import apodex.handoff.Handoff;
import apodex.handoff.InOneSentence;
import apodex.handoff.Plan;
import apodex.handoff.Settings;
import jakarta.annotation.Nullable;
import java.util.List;

/**
 * A handoff and what would be printed now.
 *
 * @param revision what a change has to name to be sure it overwrites nothing
 * @param settled  what holds for all files, by hand or by the brief
 * @param behind   what would hold if nothing were set by hand
 * @param usual    what would hold without a brief
 * @param sentence what the receiver gets, in a sentence, part by part
 * @param byHand   what was set by hand beside the brief, in words
 * @param loss     what the files' format costs, in a sentence; null when it keeps the recordings as they are
 * @param doubled  what would sound doubled
 * @param estimate what printing it takes
 */
public record HandoffState(
        String id,
        String sessionId,
        int sessionRevision,
        int revision,
        Handoff handoff,
        Settings settled,
        Settings behind,
        Settings usual,
        Plan plan,
        List<InOneSentence.Part> sentence,
        List<String> byHand,
        @Nullable String loss,
        List<Doubling> doubled,
        Estimate estimate) {

    /**
     * What printing takes.
     *
     * @param seconds  from the button to the parcel, as earlier runs let expect
     * @param least    seconds, when all goes well
     * @param most     seconds, when it does not
     * @param bytes    room on the disk; the parcel takes none of its own
     * @param bytesFree room that runs can fill
     */
    public record Estimate(double seconds, double least, double most, long bytes, long bytesFree) {}

    static HandoffState of(
            StoredHandoff stored,
            String sessionId,
            int sessionRevision,
            Plan plan,
            List<Doubling> doubled,
            Estimate estimate) {
        Handoff handoff = stored.handoff();
        return new HandoffState(
                stored.id(),
                sessionId,
                sessionRevision,
                stored.revision(),
                handoff,
                handoff.settled(),
                handoff.brief().settings().over(Settings.USUAL),
                Settings.USUAL,
                plan,
                InOneSentence.of(handoff, plan),
                ByHand.of(handoff, plan),
                plan.loss().orElse(null),
                doubled,
                estimate);
    }
}
