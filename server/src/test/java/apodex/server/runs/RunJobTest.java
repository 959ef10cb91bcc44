package apodex.server.runs;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import apodex.handoff.Printing;
import apodex.server.DiskRoom;
import apodex.server.levels.KnownLevels;
import apodex.server.nodes.ThisNode;
import apodex.server.pace.Pace;
import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RunJobTest {
    @TempDir
    Path folder;

    @Test
    void aRunThatMemoryRanOutOnHasFailedAndIsNotBegunAgain() throws Exception {
        RunMapper mapper = mock(RunMapper.class);
        Storage storage = mock(Storage.class);
        when(storage.making("runs/r")).thenReturn(folder.resolve("r"));
        when(mapper.claim(eq("r"), any())).thenReturn(1);
        Run run = mock(Run.class);
        when(mapper.find("r")).thenReturn(run);
        when(run.id()).thenReturn("r");
        when(run.state()).thenReturn(RunState.WAITING);
        when(run.plan()).thenThrow(new OutOfMemoryError("as if"));
        RunJob job = new RunJob(
                mapper,
                null,
                storage,
                mock(Writing.class),
                null,
                null,
                null,
                mock(DiskRoom.class),
                mock(Pace.class),
                null,
                null,
                mock(Turns.class),
                mock(ThisNode.class),
                mock(RunFigures.class),
                null,
                null,
                null);
        job.carryOut("r"); // what it would throw, the scheduler would begin again
        verify(mapper).end(eq("r"), any(), eq(RunState.FAILED), contains("Memory ran out"));
    }

    @Test
    void aRunThatIsDoneStaysDoneWhateverGoesWrongAfterwards() {
        KnownLevels levels = mock(KnownLevels.class);
        Run run = mock(Run.class);
        doThrow(new IllegalStateException("as if")).when(levels).keep(any(), any(), any(), any());
        RunJob job = new RunJob(
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                mock(Pace.class),
                levels,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
        job.learnFrom(run, new Printing.Result(null, List.of()), null, null); // a run that threw would be removed
        verify(levels).keep(any(), any(), any(), any());
    }
}
