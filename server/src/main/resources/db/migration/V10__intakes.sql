-- What came from somebody else and is not a session yet. found: as it was examined; put_right: what was chosen since, and how
-- many of the choices stand.
CREATE TABLE intake (
    id         VARCHAR(36)  NOT NULL PRIMARY KEY,
    owner_id   VARCHAR(36)  NOT NULL,
    revision   INT          NOT NULL,
    title      VARCHAR(250) NOT NULL,
    found      LONGTEXT     NOT NULL,
    put_right  LONGTEXT     NOT NULL,
    created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);

CREATE TABLE intake_use (
    intake_id VARCHAR(36) NOT NULL,
    sha256    CHAR(64)    NOT NULL,
    PRIMARY KEY (intake_id, sha256),
    FOREIGN KEY (intake_id) REFERENCES intake (id),
    FOREIGN KEY (sha256) REFERENCES recording (sha256)
);
