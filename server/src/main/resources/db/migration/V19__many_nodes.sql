-- What a node is putting into the storage that nodes share and that nothing refers to yet. Who lets until pass has lost it: what was
-- put there is removed, again and again for a day, should the writer only have been asleep.
CREATE TABLE writing (
    name   VARCHAR(200) NOT NULL PRIMARY KEY,
    node   VARCHAR(60)  NOT NULL,
    until  TIMESTAMP(3) NOT NULL DEFAULT '2000-01-01 00:00:01',
    sweeps INT          NOT NULL DEFAULT 0,
    INDEX writing_until (until)
);

-- Under which name of the storage a recording lies. Not removed before until, even where nobody uses it: somebody is about to.
CREATE TABLE stored_recording (
    sha256  CHAR(64)     NOT NULL PRIMARY KEY,
    name    VARCHAR(200) NOT NULL,
    bytes   BIGINT       NOT NULL,
    scanned BOOLEAN      NOT NULL DEFAULT FALSE,
    until   TIMESTAMP(3) NOT NULL DEFAULT '2000-01-01 00:00:01'
);

-- Who is there.
CREATE TABLE node (
    id         VARCHAR(60)  NOT NULL PRIMARY KEY,
    role       VARCHAR(10)  NOT NULL,
    storage    VARCHAR(300) NOT NULL,
    started_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    seen_at    TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
);

-- claim: changes with everyone who takes a run up; who has an older one writes nothing. stored_as: where the run's files lie; null as
-- runs of before have them. asked_by, cost (expected seconds) and turn (of a clock that goes with the work) say whose turn it is.
ALTER TABLE run
    ADD COLUMN claim     VARCHAR(36)  NULL,
    ADD COLUMN attempts  INT          NOT NULL DEFAULT 0,
    ADD COLUMN stored_as VARCHAR(120) NULL,
    ADD COLUMN asked_by  VARCHAR(36)  NULL,
    ADD COLUMN house     VARCHAR(60)  NULL,
    ADD COLUMN cost      DOUBLE       NOT NULL DEFAULT 0,
    ADD COLUMN turn      BIGINT       NULL,
    ADD KEY run_stored_as (stored_as),
    ADD KEY run_turn (state, asked_by, cost, turn);

-- People of one house share its part of the printing.
ALTER TABLE owner ADD COLUMN house VARCHAR(60) NOT NULL DEFAULT '';

CREATE TABLE queue_clock (
    id   INT    NOT NULL PRIMARY KEY,
    turn BIGINT NOT NULL
);
INSERT INTO queue_clock (id, turn) VALUES (1, 0);

-- Levels and measuring: jobs that give way to runs, in a table of their own.
CREATE TABLE background_tasks LIKE scheduled_tasks;

-- Of which state of a handoff the levels are wanted, the latest only.
CREATE TABLE levels_wanted (
    handoff_id VARCHAR(36)   NOT NULL PRIMARY KEY,
    state      VARCHAR(200)  NOT NULL,
    failure    VARCHAR(1000) NULL,
    failed_at  TIMESTAMP(3)  NULL,
    asked_at   TIMESTAMP(3)  NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
);

-- Files on their way in where several nodes serve: what the protocol keeps of one (info), how much of it lies in the storage, and which
-- request has it in hand.
CREATE TABLE arriving (
    id           VARCHAR(36)  NOT NULL PRIMARY KEY,
    info         MEDIUMBLOB   NOT NULL,
    bytes        BIGINT       NOT NULL DEFAULT 0,
    expires_at   TIMESTAMP(3) NOT NULL DEFAULT '2000-01-01 00:00:01',
    locked_by    VARCHAR(36)  NULL,
    locked_until TIMESTAMP(3) NULL
);

CREATE TABLE arrived_part (
    arriving_id VARCHAR(36) NOT NULL,
    start       BIGINT      NOT NULL,
    length      INT         NOT NULL,
    PRIMARY KEY (arriving_id, start)
);

-- Sections of a run that other nodes print for the one that has taken it up. plan: what of it, levels given. name: where it lies.
CREATE TABLE run_share (
    run_id  VARCHAR(36)  NOT NULL,
    claim   VARCHAR(36)  NOT NULL,
    section INT          NOT NULL,
    state   VARCHAR(10)  NOT NULL,
    plan    LONGTEXT     NOT NULL,
    taken   VARCHAR(36)  NULL,
    name    VARCHAR(160) NULL,
    PRIMARY KEY (run_id, claim, section),
    KEY run_share_name (name)
);
