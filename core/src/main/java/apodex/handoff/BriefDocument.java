package apodex.handoff;

/**
 * A brief by itself, to be sent to those who are to hand something on: {@code docs/brief.schema.json} describes it.
 *
 * @param form    {@link #FORM}
 * @param version of this form
 */
public record BriefDocument(String form, int version, Brief brief) {
    public static final String FORM = "apodex-brief";
    public static final int VERSION = 1;

    /** @throws IllegalArgumentException with a sentence when it is none, or one of a later version */
    public BriefDocument {
        if (!FORM.equals(form) || brief == null) {
            throw new IllegalArgumentException("It is no brief that Apodex wrote.");
        }
        if (version < 1 || version > VERSION) {
            throw new IllegalArgumentException(
                    "It was written by a newer Apodex (version " + version + " of a brief).");
        }
    }

    /** A brief as it is sent. */
    public static BriefDocument of(Brief brief) {
        return new BriefDocument(FORM, VERSION, brief);
    }
}
