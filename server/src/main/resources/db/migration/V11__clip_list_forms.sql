-- How lists in tables from elsewhere are read, told once for a set of headings. headings: a hash of them.
CREATE TABLE clip_list_form (
    headings CHAR(64)    NOT NULL,
    owner_id VARCHAR(36) NOT NULL,
    name     TEXT        NOT NULL,
    form     TEXT        NOT NULL,
    PRIMARY KEY (owner_id, headings),
    FOREIGN KEY (owner_id) REFERENCES owner (id)
);
