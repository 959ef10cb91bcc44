-- A link's token is found by its hash and can be told again only with a key that is not in the database. What was kept in the clear
-- is sealed when the server starts.
ALTER TABLE pickup
    MODIFY token VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NULL,
    ADD COLUMN token_hash   CHAR(64)     NULL UNIQUE,
    ADD COLUMN token_sealed VARCHAR(200) NULL;

-- Where the link was sent by mail; and messages on their way. What a message says is put together when it is sent, so that no link lies
-- here either.
ALTER TABLE pickup ADD COLUMN mail VARCHAR(254) NOT NULL DEFAULT '';

CREATE TABLE letter (
    id         BIGINT        NOT NULL AUTO_INCREMENT PRIMARY KEY,
    pickup_id  VARCHAR(36)   NOT NULL,
    kind       VARCHAR(20)   NOT NULL,
    words      VARCHAR(8000) NOT NULL DEFAULT '',
    attempts   INT           NOT NULL DEFAULT 0,
    due        TIMESTAMP(3)  NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    FOREIGN KEY (pickup_id) REFERENCES pickup (id) ON DELETE CASCADE
);
