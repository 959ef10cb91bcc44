package apodex.server.web;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/** Answers a problem (RFC 9457) from where no controller is. */
@Component
public class ProblemAnswer {
    private final ObjectMapper json;

    ProblemAnswer(ObjectMapper json) {
        this.json = json;
    }

    public void write(HttpServletResponse response, Refused refused) throws IOException {
        write(
                response,
                refused.status().value(),
                refused.status().getReasonPhrase(),
                refused.getMessage(),
                refused.properties());
    }

    void write(HttpServletResponse response, int status, String title, String detail, Map<String, Object> more)
            throws IOException {
        Map<String, Object> problem = new LinkedHashMap<>();
        problem.put("type", "about:blank");
        problem.put("title", title);
        problem.put("status", status);
        problem.put("detail", detail);
        problem.putAll(more);
        response.setStatus(status);
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        json.writeValue(response.getOutputStream(), problem);
    }
}
