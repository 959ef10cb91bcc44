-- Who signs in. An account acts as an owner; the first one is the house that was there before anybody signed in. phrase: hash of the
-- pass phrase, null until one was set. welcome: hash of the token of the link by which it is set, once.
CREATE TABLE account (
    owner_id     VARCHAR(36)  NOT NULL PRIMARY KEY,
    name         VARCHAR(60)  NOT NULL UNIQUE,
    phrase       VARCHAR(300) NULL,
    welcome      CHAR(64)     NULL UNIQUE,
    welcome_ends TIMESTAMP(3) NULL,
    created_at   TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);

-- Where news go.
ALTER TABLE owner ADD COLUMN mail VARCHAR(254) NOT NULL DEFAULT '';

-- Who else works on a session, and what they may: LISTEN, PRINT or CHANGE.
CREATE TABLE member (
    session_id VARCHAR(36)  NOT NULL,
    owner_id   VARCHAR(36)  NOT NULL,
    may        VARCHAR(10)  NOT NULL,
    since      TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    PRIMARY KEY (session_id, owner_id),
    FOREIGN KEY (session_id) REFERENCES session (id) ON DELETE CASCADE,
    FOREIGN KEY (owner_id) REFERENCES owner (id) ON DELETE CASCADE
);

-- A link by which one person becomes a member. token: a hash of what the link says.
CREATE TABLE invitation (
    id         VARCHAR(36)  NOT NULL PRIMARY KEY,
    session_id VARCHAR(36)  NOT NULL,
    token      CHAR(64)     NOT NULL UNIQUE,
    may        VARCHAR(10)  NOT NULL,
    ends_at    TIMESTAMP(3) NOT NULL DEFAULT '2000-01-01 00:00:01',
    FOREIGN KEY (session_id) REFERENCES session (id) ON DELETE CASCADE
);

-- A brief that everybody in the house has.
ALTER TABLE brief ADD COLUMN shared BOOLEAN NOT NULL DEFAULT FALSE;

-- Who did what. session_id is kept after a session is gone, unless it is to be forgotten.
CREATE TABLE deed (
    id         BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
    at         TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    owner_id   VARCHAR(36)  NOT NULL,
    kind       VARCHAR(20)  NOT NULL,
    session_id VARCHAR(36)  NULL,
    words      VARCHAR(500) NOT NULL DEFAULT '',
    INDEX deeds_of_session (session_id, id),
    INDEX deeds_of_owner (owner_id, id)
);

-- Tries are counted at every door that opens with a pass phrase: links and accounts.
CREATE TABLE phrase_try_at_door (
    door          VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    address       VARCHAR(64)  NOT NULL,
    tries         INT          NOT NULL DEFAULT 0,
    blocked_until TIMESTAMP(3) NULL,
    last_at       TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    PRIMARY KEY (door, address)
);
DROP TABLE phrase_try;
RENAME TABLE phrase_try_at_door TO phrase_try;

-- Login sessions, as the documentation of Spring Session has them for MySQL.
CREATE TABLE SPRING_SESSION (
    PRIMARY_ID            CHAR(36) NOT NULL,
    SESSION_ID            CHAR(36) NOT NULL,
    CREATION_TIME         BIGINT   NOT NULL,
    LAST_ACCESS_TIME      BIGINT   NOT NULL,
    MAX_INACTIVE_INTERVAL INT      NOT NULL,
    EXPIRY_TIME           BIGINT   NOT NULL,
    PRINCIPAL_NAME        VARCHAR(100),
    PRIMARY KEY (PRIMARY_ID)
) ENGINE = InnoDB ROW_FORMAT = DYNAMIC;
CREATE UNIQUE INDEX SPRING_SESSION_IX1 ON SPRING_SESSION (SESSION_ID);
CREATE INDEX SPRING_SESSION_IX2 ON SPRING_SESSION (EXPIRY_TIME);
CREATE INDEX SPRING_SESSION_IX3 ON SPRING_SESSION (PRINCIPAL_NAME);
CREATE TABLE SPRING_SESSION_ATTRIBUTES (
    SESSION_PRIMARY_ID CHAR(36)     NOT NULL,
    ATTRIBUTE_NAME     VARCHAR(200) NOT NULL,
    ATTRIBUTE_BYTES    BLOB         NOT NULL,
    PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
    CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID) REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
) ENGINE = InnoDB ROW_FORMAT = DYNAMIC;

-- Passkeys, as the documentation of Spring Security has them.
CREATE TABLE user_entities (
    id           VARCHAR(250) NOT NULL PRIMARY KEY,
    name         VARCHAR(100) NOT NULL,
    display_name VARCHAR(200)
);
CREATE TABLE user_credentials (
    credential_id                VARCHAR(500) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    user_entity_user_id          VARCHAR(250) NOT NULL,
    public_key                   BLOB         NOT NULL,
    signature_count              BIGINT,
    uv_initialized               BOOLEAN,
    backup_eligible              BOOLEAN      NOT NULL,
    authenticator_transports     VARCHAR(1000),
    public_key_credential_type   VARCHAR(100),
    backup_state                 BOOLEAN      NOT NULL,
    attestation_object           BLOB,
    attestation_client_data_json BLOB,
    created                      TIMESTAMP NULL,
    last_used                    TIMESTAMP NULL,
    label                        VARCHAR(1000) NOT NULL
);
