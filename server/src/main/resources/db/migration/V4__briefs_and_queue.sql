-- What receivers ask for, shared by all sessions. Those that come with Apodex have names for ids and are not in here.
CREATE TABLE brief (
    id         VARCHAR(36)  NOT NULL PRIMARY KEY,
    owner_id   VARCHAR(36)  NOT NULL,
    brief      LONGTEXT     NOT NULL,
    created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);

-- The brief that new handoffs begin with.
ALTER TABLE owner ADD COLUMN usual_brief VARCHAR(36) NOT NULL DEFAULT 'for-mixing';

-- everything: nothing is taken over from earlier runs. changes: what changed since the run before, in words.
ALTER TABLE run
    ADD COLUMN version    VARCHAR(60) NOT NULL DEFAULT '',
    ADD COLUMN everything BOOLEAN     NOT NULL DEFAULT FALSE,
    ADD COLUMN changes    LONGTEXT    NULL,
    ADD COLUMN started_at TIMESTAMP(3) NULL;

-- A handoff that was taken off the list; its runs stay.
ALTER TABLE handoff ADD COLUMN removed BOOLEAN NOT NULL DEFAULT FALSE;
-- Whether a run took nothing over, so that its time says how fast printing is.
ALTER TABLE run ADD COLUMN everything_fresh BOOLEAN NOT NULL DEFAULT FALSE;
