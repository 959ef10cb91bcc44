package apodex.intake;

import apodex.intake.Place.By;
import apodex.intake.Question.Answer;
import apodex.intake.Question.Kind;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Files that nothing places, and that are not as long as the others. */
final class AskNoPlaces extends Asking {
    /** Lengths that differ by less are equal: some programs leave a block more. */
    private static final double SAME_LENGTH_SECONDS = 0.2;

    AskNoPlaces(Intake intake) {
        super(intake);
    }

    @Override
    void ask() {
        List<IntakeFile> loose = used().stream()
                .filter(file -> file.seat().place().by() == By.START
                        && !isFound(file)
                        && file.heard().peak() > 0)
                .toList();
        long usual = usualLength();
        List<IntakeFile> odd = loose.stream()
                .filter(file -> Math.abs(length(file) - usual)
                        > SAME_LENGTH_SECONDS * intake.rate().hertz())
                .toList();
        if (odd.isEmpty()) {
            return;
        }
        boolean looked = odd.stream().anyMatch(file -> found(file) != null);
        String who = odd.size() == 1 ? "“" + odd.get(0).name() + "” says" : odd.size() + " files say";
        questions.add(new Question(
                Kind.NO_PLACE,
                ids(odd),
                who + " nothing of " + (odd.size() == 1 ? "its place and is" : "their places and are")
                        + " not as long as the others"
                        + (looked
                                ? "; the mix does not tell where " + (odd.size() == 1 ? "it belongs." : "they belong.")
                                : ", and there is no mix to find " + (odd.size() == 1 ? "it" : "them") + " in."),
                List.of(new Answer(
                        (odd.size() == 1 ? "It starts" : "They start") + " with the others",
                        new Correction.Shift(ids(odd), 0),
                        false))));
    }

    /** The length that most files have, in frames of the session; that of the longest where none is more common. */
    private long usualLength() {
        Map<Long, Long> counts = used().stream().collect(Collectors.groupingBy(this::length, Collectors.counting()));
        return counts.entrySet().stream()
                .max(Map.Entry.<Long, Long>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .orElse(0L);
    }

    private long length(IntakeFile file) {
        return file.recording().framesAt(intake.rate());
    }
}
