package apodex.session;

/** An edit that cannot be done. The message is one sentence for the person who asked. */
public final class EditRefused extends RuntimeException {
    private final String field;

    /** @param field what the sentence is about, as the request names it */
    public EditRefused(String field, String sentence) {
        super(sentence);
        this.field = field;
    }

    /** What was wrong, as the request calls it. */
    public String field() {
        return field;
    }
}
