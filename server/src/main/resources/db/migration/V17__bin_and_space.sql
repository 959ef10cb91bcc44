-- What was removed lies in a bin for a while: out of sight everywhere, and can be brought back.
ALTER TABLE session ADD COLUMN removed_at TIMESTAMP(3) NULL;
ALTER TABLE handoff ADD COLUMN removed_at TIMESTAMP(3) NULL;
ALTER TABLE run ADD COLUMN removed_at TIMESTAMP(3) NULL;

CREATE VIEW live_session AS
SELECT id FROM session WHERE removed_at IS NULL;

CREATE VIEW live_handoff AS
SELECT h.id FROM handoff h JOIN session s ON s.id = h.session_id WHERE h.removed_at IS NULL AND s.removed_at IS NULL;

CREATE VIEW live_run AS
SELECT r.id
FROM run r JOIN handoff h ON h.id = r.handoff_id JOIN session s ON s.id = h.session_id
WHERE r.removed_at IS NULL AND h.removed_at IS NULL AND s.removed_at IS NULL;

-- How many of the last runs of a handoff are kept: of the house, and of a session that has a rule of its own. Null: all, or as the
-- house has it. 0 stands for all where the house has another rule.
CREATE TABLE house (
    id        INT NOT NULL PRIMARY KEY,
    keep_runs INT NULL
);
INSERT INTO house (id, keep_runs) VALUES (1, NULL);
ALTER TABLE session ADD COLUMN keep_runs INT NULL;

-- Bytes that somebody's sessions may take; null for the house's usual.
ALTER TABLE owner ADD COLUMN quota BIGINT NULL;
