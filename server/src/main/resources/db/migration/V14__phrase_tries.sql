-- Letters of a token count as they are written: a link is no other link in capitals.
ALTER TABLE pickup MODIFY token VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL;

-- Tries of a link's pass phrase by whoever made them: who guesses has to wait, and nobody else.
CREATE TABLE phrase_try (
    pickup_id     VARCHAR(36)  NOT NULL,
    address       VARCHAR(64)  NOT NULL,
    tries         INT          NOT NULL DEFAULT 0,
    blocked_until TIMESTAMP(3) NULL,
    PRIMARY KEY (pickup_id, address),
    FOREIGN KEY (pickup_id) REFERENCES pickup (id) ON DELETE CASCADE
);

ALTER TABLE pickup DROP COLUMN wrong_tries, DROP COLUMN blocked_until;
