-- A zip can hold only what changed since an earlier version of the same handoff.
ALTER TABLE parcel ADD COLUMN changes_since VARCHAR(200) NULL;
