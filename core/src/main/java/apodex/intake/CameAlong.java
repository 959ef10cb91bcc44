package apodex.intake;

/**
 * The session that one of our parcels was printed from, where its document came along.
 *
 * @param rows  of it, besides the mix
 * @param taken whether it is taken up again, with the printed files in the place of its recordings
 */
public record CameAlong(int rows, boolean taken) {}
