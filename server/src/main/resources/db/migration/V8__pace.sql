-- What runs took that made everything anew, in seconds, beside what their work was weighed at: tells how long the next will take.
CREATE TABLE pace (
    run_id            VARCHAR(36)  NOT NULL PRIMARY KEY,
    kind              VARCHAR(20)  NOT NULL,
    expected_printing DOUBLE       NOT NULL,
    expected_reading  DOUBLE       NOT NULL,
    printing          DOUBLE       NOT NULL,
    reading           DOUBLE       NOT NULL,
    made_at           TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    KEY pace_of_kind (kind, made_at)
);

ALTER TABLE run DROP COLUMN everything_fresh;
