/** Pickups: secret links under which receivers without an account see, hear and fetch a parcel, and answer. */
package apodex.server.pickups;
