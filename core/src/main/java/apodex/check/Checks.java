package apodex.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Every check, in the order their findings are told within one severity. */
public final class Checks {
    public static final List<Check> ALL = List.of(
            new MissingRecording(),
            new ChangedRecording(),
            new RoutingLoop(),
            new GoesNowhere(),
            new OnlyToMutedBus(),
            new UnheardSend(),
            new UnusedReturn(),
            new FeedsBusTwice(),
            new ClippedRecording(),
            new TruePeakOver(),
            new DoubledMembers(),
            new ParallelChain(),
            new SameContent(),
            new ReallyMono(),
            new OneSideSilent(),
            new OutOfPhase(),
            new WetWidth(),
            new NothingInIt(),
            new SilentThroughout(),
            new NearlySilent(),
            new MutedWithContent(),
            new NameCarriesLeftovers(),
            new NameSaysNothing(),
            new NameTwice(),
            new NameTooLong(),
            new NameForbidden(),
            new RowOrder(),
            new ClickingEdge(),
            new TinyGap(),
            new StartCut(),
            new EndCut(),
            new DcOffset(),
            new DoubledVoices(),
            new DryTwin(),
            new BroughtAgainstRaw(),
            new NotesOnly(),
            new KeptTail(),
            new ClipInsertsLeftOff(),
            new UnknownEffect(),
            new LeftOutOfRaw(),
            new LevelForMixer(),
            new TakesNotChosen(),
            new SharedInserts(),
            new MixedRates(),
            new MixedDepths(),
            new NoTempo(),
            new NoKey(),
            new TempoAgainstNotes(),
            new NoRoomBefore(),
            new ClickAndGuide());

    private Checks() {}

    /** Everything they find, worst first. */
    public static List<Finding> look(Look at) {
        List<Finding> found = new ArrayList<>();
        try (at) {
            ALL.forEach(check -> check.look(at, found::add));
        }
        found.sort(Comparator.comparing(Finding::severity));
        return found;
    }
}
