package apodex.intake;

import apodex.align.Sighting;
import apodex.align.Sighting.Certainty;
import apodex.intake.Place.By;
import apodex.intake.Seat.Use;
import java.util.ArrayList;
import java.util.List;

/** Looks an intake over for one thing that a person should decide. What was answered is not asked again. */
abstract class Asking {
    final Intake intake;
    final List<Question> questions = new ArrayList<>();

    Asking(Intake intake) {
        this.intake = intake;
    }

    /** Puts what is open into {@link #questions}. */
    abstract void ask();

    /** Recordings that are on rows or beside them, and that no list lays out. */
    List<IntakeFile> used() {
        return intake.sounds().stream()
                .filter(file -> (file.seat().use() == Use.ROW || file.seat().use() == Use.BESIDE)
                        && file.seat().place().by() != By.LIST)
                .toList();
    }

    static Sighting found(IntakeFile file) {
        return file.seat().place().found();
    }

    static boolean isFound(IntakeFile file) {
        return found(file) != null && found(file).certainty() != Certainty.UNKNOWN;
    }

    static List<String> ids(List<IntakeFile> files) {
        return files.stream().map(IntakeFile::id).toList();
    }
}
