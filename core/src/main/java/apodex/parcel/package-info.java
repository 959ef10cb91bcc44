/**
 * What leaves the house: the session sheet, the checksums and the zip. Depends on {@code proof}, {@code handoff}
 * and what lies below them.
 */
package apodex.parcel;
