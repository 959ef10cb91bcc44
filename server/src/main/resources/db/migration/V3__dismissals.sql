-- A finding somebody decided to leave, until what was seen of it changes.
CREATE TABLE dismissal (
    session_id VARCHAR(36) NOT NULL,
    finding    CHAR(64)    NOT NULL,
    seen       CHAR(64)    NOT NULL,
    made_at    TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    PRIMARY KEY (session_id, finding),
    FOREIGN KEY (session_id) REFERENCES session (id)
);
