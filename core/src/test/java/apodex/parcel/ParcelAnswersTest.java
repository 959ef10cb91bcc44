package apodex.parcel;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.AsPlanned;
import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.parcel.ReceiverQuestions.Question;
import apodex.parcel.ReceiverQuestions.Received;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.proof.RandomHandoff;
import apodex.session.Session;
import apodex.signal.MeasuredRecordings;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Sixty questions of a receiving engineer are answered by the papers of any parcel. */
@Execution(ExecutionMode.CONCURRENT)
public class ParcelAnswersTest {
    private static final long CASES = Long.getLong("apodex.questions.cases", 40);
    private static final int THREADS = 2;
    private static final Path KEPT = Path.of("../docs/questions.md");

    @TempDir
    private Path folder;

    static LongStream seeds() {
        return LongStream.range(1_200, 1_200 + CASES);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyQuestionIsAnswered(long seed) throws IOException {
        RandomHandoff random = new RandomHandoff(seed, folder);
        Brief brief = Brief.BUILT_IN.get((int) (seed % Brief.BUILT_IN.size()));
        Handoff handoff = seed % 3 == 0
                ? random.handoff
                : Handoff.named("Quayside Mix Room").with(brief);
        Received received = received(random.session, handoff, random.recordings, folder);
        if (!received.plan().prints().isEmpty()) {
            assertThat(unanswered(received)).isEmpty();
        }
    }

    /** What a parcel of these files leaves open. */
    public static List<String> unanswered(Received received) {
        return ReceiverQuestions.ALL.stream()
                .filter(question -> !question.answered().test(received))
                .map(question -> question.asked() + " (" + question.where() + ")")
                .toList();
    }

    /** Prints and packs, and unpacks the papers. */
    public static Received received(Session session, Handoff handoff, MeasuredRecordings recordings, Path folder)
            throws IOException {
        Plan plan = Planner.plan(session, handoff, recordings);
        Path printed = Files.createTempDirectory(folder, "printed");
        Printing.Result result =
                Printing.print(session, handoff, plan, printed, recordings, THREADS, WalkObserver.NONE);
        Proof proof =
                Proving.prove(session, handoff, result, printed, recordings, THREADS, Map.of(), Proving.Told.NOTHING);
        Set<String> sounds = result.plan().prints().stream().map(Print::path).collect(Collectors.toSet());
        Map<String, String> papers = new LinkedHashMap<>();
        for (ZipPieces zip : new Parcel(session, handoff, result.plan(), proof, "{}").zips(printed)) {
            try (InputStream in = zip.open(printed);
                    ZipInputStream unzip = new ZipInputStream(in)) {
                for (ZipEntry entry = unzip.getNextEntry(); entry != null; entry = unzip.getNextEntry()) {
                    if (!sounds.contains(entry.getName())) {
                        papers.merge(
                                entry.getName(),
                                new String(unzip.readAllBytes(), StandardCharsets.UTF_8),
                                (one, other) -> one + other);
                    }
                }
            }
        }
        String json = papers.entrySet().stream()
                .filter(paper -> paper.getKey().endsWith(Manifest.JSON_NAME))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElseThrow();
        String text = papers.entrySet().stream()
                .filter(paper -> paper.getKey().endsWith(Sheet.TEXT_NAME))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElseThrow();
        Manifest manifest = Manifest.read(Files.writeString(Files.createTempFile(folder, "manifest", ".json"), json));
        return new Received(
                AsPlanned.of(session, handoff),
                result.plan(),
                proof.files(),
                proof.verdicts(),
                papers,
                ReceiverQuestions.spaced(text),
                manifest);
    }

    @Test
    void theTableForPeopleIsTheOneThatIsAsked() throws IOException {
        StringBuilder table = new StringBuilder(
                """
                # What a receiving engineer asks

                Sixty questions, and where in a parcel the answer stands. A test asks them of parcels of the demo song and of random
                sessions, by their papers alone.

                | | asked | stands in |
                | --- | --- | --- |
                """);
        IntStream.range(0, ReceiverQuestions.ALL.size()).forEach(i -> {
            Question question = ReceiverQuestions.ALL.get(i);
            String where = question.where().equals("sheet") ? "session sheet" : "`" + question.where() + "`";
            table.append("| %d | %s | %s |\n".formatted(i + 1, question.asked(), where));
        });
        if (Boolean.getBoolean("apodex.questions.write")) {
            Files.writeString(KEPT, table);
        }
        assertThat(ReceiverQuestions.ALL).hasSize(60);
        assertThat(Files.readString(KEPT)).isEqualTo(table.toString());
    }
}
