package apodex.server.web;

import java.util.function.Supplier;
import org.springframework.http.HttpMethod;
import org.springframework.http.ResponseEntity;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Answers that are made while they go out. Who asks for their head only is told it, and nothing is made. */
public final class Streamed {
    private Streamed() {}

    public static ResponseEntity<StreamingResponseBody> of(
            ResponseEntity.BodyBuilder head, Supplier<StreamingResponseBody> body) {
        boolean headOnly = RequestContextHolder.currentRequestAttributes() instanceof ServletRequestAttributes here
                && HttpMethod.HEAD.matches(here.getRequest().getMethod());
        return headOnly ? head.build() : head.body(body.get());
    }
}
