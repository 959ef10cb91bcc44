package apodex.server.web;

import apodex.intake.Refusal;
import jakarta.annotation.Nullable;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;

/** A request that cannot be done, with one sentence for the person who asked. */
public final class Refused extends RuntimeException {
    private final HttpStatus status;
    private final transient Map<String, Object> properties = new HashMap<>();

    private Refused(HttpStatus status, String sentence) {
        super(sentence);
        this.status = status;
    }

    public static Refused notFound(String sentence) {
        return new Refused(HttpStatus.NOT_FOUND, sentence);
    }

    /** What it takes is not there for a moment. */
    public static Refused away(String sentence) {
        return new Refused(HttpStatus.SERVICE_UNAVAILABLE, sentence);
    }

    public static Refused unusable(String sentence) {
        return new Refused(HttpStatus.UNPROCESSABLE_ENTITY, sentence);
    }

    /** Where a drop holds nothing that anything can be made of. */
    public static Refused nothingUsable(List<Refusal> refused) {
        String sentence = refused.isEmpty()
                ? "There was no file in what came."
                : refused.size() == 1
                        ? "“" + refused.get(0).file() + "” cannot be used. "
                                + refused.get(0).reason()
                        : "None of the " + refused.size() + " files can be used.";
        return unusable(sentence).with("refused", refused);
    }

    public static Refused conflict(String sentence) {
        return new Refused(HttpStatus.CONFLICT, sentence);
    }

    public static Refused locked(String sentence) {
        return new Refused(HttpStatus.LOCKED, sentence);
    }

    public static Refused noRoom(String sentence) {
        return new Refused(HttpStatus.INSUFFICIENT_STORAGE, sentence);
    }

    public static Refused tooLarge(String sentence) {
        return new Refused(HttpStatus.PAYLOAD_TOO_LARGE, sentence);
    }

    public static Refused gone(String sentence) {
        return new Refused(HttpStatus.GONE, sentence);
    }

    /** Where it is not known who asks. */
    public static Refused unknown(String sentence) {
        return new Refused(HttpStatus.UNAUTHORIZED, sentence);
    }

    public static Refused forbidden(String sentence) {
        return new Refused(HttpStatus.FORBIDDEN, sentence);
    }

    /** @param seconds after which it may be tried again */
    public static Refused tooMany(String sentence, long seconds) {
        return new Refused(HttpStatus.TOO_MANY_REQUESTS, sentence).with("retryAfterSeconds", seconds);
    }

    /** Adds a member to the problem that is answered. */
    public Refused with(String name, @Nullable Object value) {
        properties.put(name, value);
        return this;
    }

    public HttpStatus status() {
        return status;
    }

    Map<String, Object> properties() {
        return properties;
    }
}
