package apodex.server;

import jakarta.annotation.Nullable;

/** Why the server cannot start, in a sentence that says what to do about it. */
public final class CannotStart extends IllegalStateException {
    public CannotStart(String sentence, @Nullable Throwable cause) {
        super(sentence, cause);
    }
}
