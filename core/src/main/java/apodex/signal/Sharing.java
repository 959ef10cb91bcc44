package apodex.signal;

/** Both choices that say what a row takes with it on its way to the mix. */
public record Sharing(Returns returns, Dynamics dynamics) {
    public static final Sharing STANDARD = new Sharing(Returns.OWN_FILES, Dynamics.IN_PLACE);
}
