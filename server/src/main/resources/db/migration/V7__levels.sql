-- Levels of files that are not printed yet, by what their samples follow from.
CREATE TABLE level (
    content_key CHAR(64)  NOT NULL PRIMARY KEY,
    level       TEXT      NOT NULL,
    made_at     TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP
);
