-- What an intake found of a parcel is sent back whole.
ALTER TABLE pickup_event MODIFY words VARCHAR(8000) NOT NULL DEFAULT '';
