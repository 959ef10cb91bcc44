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

-- A parcel can come in several zips.
ALTER TABLE parcel ADD COLUMN part INT NOT NULL DEFAULT 0;
ALTER TABLE parcel DROP PRIMARY KEY, ADD PRIMARY KEY (run_id, part);

-- A handoff that was taken off the list; its runs stay.
ALTER TABLE handoff ADD COLUMN removed BOOLEAN NOT NULL DEFAULT FALSE;
-- Whether a run took nothing over, so that its time says how fast printing is.
ALTER TABLE run ADD COLUMN everything_fresh BOOLEAN NOT NULL DEFAULT FALSE;

-- A link under which somebody without an account fetches a parcel. phrase: hash of the pass phrase, where there is one.
CREATE TABLE pickup (
    id            VARCHAR(36)   NOT NULL PRIMARY KEY,
    run_id        VARCHAR(36)   NOT NULL,
    owner_id      VARCHAR(36)   NOT NULL,
    token         VARCHAR(64)   NOT NULL UNIQUE,
    phrase        VARCHAR(200)  NULL,
    message       VARCHAR(4000) NOT NULL DEFAULT '',
    created_at    TIMESTAMP(3)  NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    ends_at       TIMESTAMP(3)  NOT NULL DEFAULT '2000-01-01 00:00:01',
    withdrawn     BOOLEAN       NOT NULL DEFAULT FALSE,
    wrong_tries   INT           NOT NULL DEFAULT 0,
    blocked_until TIMESTAMP(3)  NULL,
    FOREIGN KEY (run_id) REFERENCES run (id),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);

-- What receivers did: opened, fetched (what), arrived, problem (what they say).
CREATE TABLE pickup_event (
    id        BIGINT        NOT NULL AUTO_INCREMENT PRIMARY KEY,
    pickup_id VARCHAR(36)   NOT NULL,
    kind      VARCHAR(20)   NOT NULL,
    words     VARCHAR(2000) NOT NULL DEFAULT '',
    at        TIMESTAMP(3)  NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX pickup_events (pickup_id, id),
    FOREIGN KEY (pickup_id) REFERENCES pickup (id)
);
