-- Everything has an owner; until people sign in there is this one.
CREATE TABLE owner (
    id   VARCHAR(36)  NOT NULL PRIMARY KEY,
    name VARCHAR(120) NOT NULL
);
INSERT INTO owner (id, name) VALUES ('local', 'This house');

CREATE TABLE recording (
    sha256     CHAR(64)    NOT NULL PRIMARY KEY,
    rate       INT         NOT NULL,
    channels   INT         NOT NULL,
    sample     VARCHAR(10) NOT NULL,
    frames     BIGINT      NOT NULL,
    brought_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
);

CREATE TABLE session (
    id         VARCHAR(36)  NOT NULL PRIMARY KEY,
    owner_id   VARCHAR(36)  NOT NULL,
    revision   INT          NOT NULL,
    title      VARCHAR(250) NOT NULL,
    artist     VARCHAR(250) NOT NULL,
    row_count  INT          NOT NULL,
    frames     BIGINT       NOT NULL,
    rate       INT          NOT NULL,
    created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    changed_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);

-- One row for every edit, undo and redo: what it was, and the session it made. undo_to and redo_to name the
-- revision whose session an undo or redo made from here would bring back.
CREATE TABLE session_revision (
    session_id  VARCHAR(36)  NOT NULL,
    revision    INT          NOT NULL,
    description VARCHAR(250) NOT NULL,
    edit        LONGTEXT     NULL,
    session     LONGTEXT     NOT NULL,
    undo_to     INT          NULL,
    redo_to     INT          NULL,
    made_at     TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    PRIMARY KEY (session_id, revision),
    FOREIGN KEY (session_id) REFERENCES session (id)
);

CREATE TABLE recording_use (
    session_id VARCHAR(36)  NOT NULL,
    sha256     CHAR(64)     NOT NULL,
    owner_id   VARCHAR(36)  NOT NULL,
    file_name  VARCHAR(500) NOT NULL,
    PRIMARY KEY (session_id, sha256),
    FOREIGN KEY (session_id) REFERENCES session (id),
    FOREIGN KEY (sha256) REFERENCES recording (sha256),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);

CREATE TABLE handoff (
    id         VARCHAR(36)  NOT NULL PRIMARY KEY,
    session_id VARCHAR(36)  NOT NULL,
    owner_id   VARCHAR(36)  NOT NULL,
    revision   INT          NOT NULL,
    handoff    LONGTEXT     NOT NULL,
    created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    FOREIGN KEY (session_id) REFERENCES session (id),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);

-- session, handoff and plan are kept as they were when the run was asked for.
CREATE TABLE run (
    id               VARCHAR(36)  NOT NULL PRIMARY KEY,
    handoff_id       VARCHAR(36)  NOT NULL,
    number           INT          NOT NULL,
    state            VARCHAR(20)  NOT NULL,
    session_revision INT          NOT NULL,
    session          LONGTEXT     NOT NULL,
    handoff          LONGTEXT     NOT NULL,
    plan             LONGTEXT     NOT NULL,
    progress         LONGTEXT     NOT NULL,
    proof            LONGTEXT     NULL,
    failure          VARCHAR(1000) NULL,
    cancel_requested BOOLEAN      NOT NULL DEFAULT FALSE,
    created_at       TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    finished_at      TIMESTAMP(3) NULL,
    UNIQUE (handoff_id, number),
    FOREIGN KEY (handoff_id) REFERENCES handoff (id)
);

CREATE TABLE printed_file (
    run_id    VARCHAR(36)  NOT NULL,
    position  INT          NOT NULL,
    name      VARCHAR(300) NOT NULL,
    folder    VARCHAR(100) NOT NULL,
    channels  INT          NOT NULL,
    frames    BIGINT       NOT NULL,
    bytes     BIGINT       NOT NULL,
    peak_dbfs DOUBLE       NULL,
    sha256    CHAR(64)     NOT NULL,
    PRIMARY KEY (run_id, position),
    FOREIGN KEY (run_id) REFERENCES run (id)
);

CREATE TABLE parcel (
    run_id   VARCHAR(36)  NOT NULL PRIMARY KEY,
    zip_name VARCHAR(300) NOT NULL,
    bytes    BIGINT       NOT NULL,
    sha256   CHAR(64)     NOT NULL,
    made_at  TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    FOREIGN KEY (run_id) REFERENCES run (id)
);

-- The job queue, as the scheduler's documentation gives it for MariaDB.
CREATE TABLE scheduled_tasks (
    task_name            VARCHAR(100) NOT NULL,
    task_instance        VARCHAR(100) NOT NULL,
    task_data            BLOB,
    execution_time       TIMESTAMP(6) NOT NULL,
    picked               BOOLEAN      NOT NULL,
    picked_by            VARCHAR(50),
    last_success         TIMESTAMP(6) NULL,
    last_failure         TIMESTAMP(6) NULL,
    consecutive_failures INT,
    last_heartbeat       TIMESTAMP(6) NULL,
    version              BIGINT       NOT NULL,
    priority             SMALLINT,
    PRIMARY KEY (task_name, task_instance),
    INDEX execution_time_idx (execution_time),
    INDEX last_heartbeat_idx (last_heartbeat),
    INDEX priority_execution_time_idx (priority DESC, execution_time ASC)
);
