package apodex.server.intakes;

import apodex.intake.Intake;
import apodex.intake.Question;
import java.util.List;

/**
 * An intake as it stands.
 *
 * @param laidOut   ids of the files in the order they will be laid out
 * @param rows      how many rows the session will have
 * @param questions what is open, the most important first
 * @param canUndo   whether something was chosen
 * @param canRedo   whether a correction was undone last
 */
record IntakeState(
        String id,
        int revision,
        Intake intake,
        List<String> laidOut,
        int rows,
        List<Question> questions,
        boolean canUndo,
        boolean canRedo) {}
