package apodex.session;

/** The sum of all rows. Every session has one, at the end. */
public record MixRow(String id, String name) implements Row {
    public static final MixRow DEFAULT = new MixRow("mix", "Mix");

    @Override
    public MixRow withName(String newName) {
        return new MixRow(id, newName);
    }
}
