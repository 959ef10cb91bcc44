package apodex.parcel;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.AsPlanned;
import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Print;
import apodex.parcel.ReceiverQuestions.Question;
import apodex.parcel.ReceiverQuestions.Received;
import apodex.proof.RandomHandoff;
import apodex.session.Session;
import apodex.signal.MeasuredRecordings;
import java.io.IOException;
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
import java.util.stream.Stream;
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
        Unpacked unpacked = Unpacked.of(session, handoff, recordings, folder);
        Set<String> sounds = unpacked.plan().prints().stream().map(Print::path).collect(Collectors.toSet());
        Map<String, String> papers = new LinkedHashMap<>();
        Path manifest = null;
        String text = "";
        try (Stream<Path> walked = Files.walk(unpacked.root())) {
            for (Path file : walked.filter(Files::isRegularFile).sorted().toList()) {
                String path = unpacked.root().relativize(file).toString();
                if (!sounds.contains(path)) {
                    papers.put(path, new String(Files.readAllBytes(file), StandardCharsets.UTF_8));
                    manifest = path.endsWith(Manifest.JSON_NAME) ? file : manifest;
                    text = path.endsWith(Sheet.TEXT_NAME) ? papers.get(path) : text;
                }
            }
        }
        return new Received(
                AsPlanned.of(session, handoff),
                unpacked.plan(),
                unpacked.proof().files(),
                unpacked.proof().verdicts(),
                papers,
                ReceiverQuestions.spaced(text),
                Manifest.read(manifest));
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
