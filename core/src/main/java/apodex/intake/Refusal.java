package apodex.intake;

/**
 * A dropped file that was not taken.
 *
 * @param file   its name, made fit to be shown
 * @param reason one sentence
 */
public record Refusal(String file, String reason) {}
