package apodex.server.intakes;

import apodex.intake.Intake;

/** An intake as the database keeps it. */
record StoredIntake(String id, int revision, Intake found, PutRight putRight) {
    Intake now() {
        return putRight.of(found);
    }

    StoredIntake with(PutRight other) {
        return new StoredIntake(id, revision + 1, found, other);
    }
}
