package apodex.server.intakes;

import apodex.intake.Intake;
import apodex.intake.Question;
import java.util.List;

/**
 * An intake as it stands.
 *
 * @param questions what is open, the most important first
 * @param canUndo   whether something was chosen
 * @param canRedo   whether a correction was undone last
 */
record IntakeState(
        String id, int revision, Intake intake, List<Question> questions, boolean canUndo, boolean canRedo) {}
