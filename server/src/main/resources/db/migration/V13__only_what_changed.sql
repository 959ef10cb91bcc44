-- A zip can hold only what changed since an earlier run of the same handoff.
ALTER TABLE parcel ADD COLUMN changes_since INT NULL;
