package apodex.demo;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Section;
import apodex.handoff.Stretch;
import apodex.intake.RecordingStore;
import apodex.parcel.ParcelAnswersTest;
import apodex.session.Session;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Parcels of the demo song, of every brief that comes with Apodex, answer what a receiving engineer asks. */
class DemoParcelsAnswerTest {
    /** Long enough to hold something of most rows. */
    private static final Stretch FIRST_BARS =
            new Stretch(new Stretch.Point(Stretch.CountedIn.BARS, 4), new Stretch.Point(Stretch.CountedIn.BARS, 10));

    @TempDir
    private Path folder;

    static Stream<Brief> briefs() {
        return Brief.BUILT_IN.stream();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("briefs")
    void everyQuestionIsAnswered(Brief brief) throws Exception {
        RecordingStore store = new RecordingStore(folder.resolve("store"));
        Session session = LowTideWaltz.record(store, Files.createDirectories(folder.resolve("work")));
        Handoff handoff =
                Handoff.named("Quayside Mix Room").with(brief).withSections(List.of(new Section("", FIRST_BARS)));
        assertThat(ParcelAnswersTest.unanswered(ParcelAnswersTest.received(session, handoff, store, folder)))
                .isEmpty();
    }
}
