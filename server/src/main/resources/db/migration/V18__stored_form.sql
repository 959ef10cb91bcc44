-- Which form the documents of sessions are kept in. 1: clips on rows alone; rewritten by V2. 2: takes, strips, inserts, buses; fields
-- that came later may be missing.
ALTER TABLE session_revision ADD COLUMN form INT NOT NULL DEFAULT 2;
ALTER TABLE run ADD COLUMN form INT NOT NULL DEFAULT 2;
