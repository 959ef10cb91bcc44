package apodex.server.web;

import apodex.session.EditRefused;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import com.fasterxml.jackson.databind.exc.ValueInstantiationException;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Answers every refusal as {@code application/problem+json} (RFC 9457) with a sentence a musician understands. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail refused(Refused e) {
        ProblemDetail problem = problem(e.status(), e.getMessage());
        e.properties().forEach(problem::setProperty);
        return problem;
    }

    @ExceptionHandler
    ProblemDetail refused(EditRefused e) {
        ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage());
        problem.setProperty("field", e.field());
        return problem;
    }

    @ExceptionHandler
    ProblemDetail badUpload(MultipartException e) {
        if (DiskTrouble.in(e).isPresent()) {
            return unexpected(e);
        }
        return problem(
                HttpStatus.BAD_REQUEST,
                "The upload did not arrive whole, or holds more files than one drop can; nothing of it was kept.");
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return ResponseEntity.status(HttpStatus.PAYLOAD_TOO_LARGE)
                .headers(headers)
                .body(problem(
                        HttpStatus.PAYLOAD_TOO_LARGE,
                        "That is more than one drop can bring; drop fewer files at once."));
    }

    /** The other side has gone; there is nobody to answer. */
    @Override
    protected ResponseEntity<Object> handleAsyncRequestNotUsableException(
            AsyncRequestNotUsableException e, WebRequest request) {
        LOG.debug("The client went away.", e);
        return null;
    }

    /** What breaks off in the middle of an answer ends the connection: words would be taken for the rest of it. */
    @ExceptionHandler
    ProblemDetail unexpected(Exception e, HttpServletResponse response) throws Exception {
        if (response.isCommitted()) {
            throw e;
        }
        return unexpected(e);
    }

    private static ProblemDetail unexpected(Exception e) {
        Optional<String> trouble = DiskTrouble.in(e);
        if (trouble.isPresent()) {
            LOG.warn("{} {}", trouble.get(), e.getMessage());
            return problem(HttpStatus.INSUFFICIENT_STORAGE, trouble.get() + " Nothing was changed.");
        }
        if (DatabaseTrouble.isIn(e)) {
            LOG.warn("The database was not there: {}", e.getMessage());
            return problem(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "The database is away for a moment and is being brought back; nothing was changed. Try again.");
        }
        if (DatabaseTrouble.isLostRace(e)) {
            LOG.info("A race was lost: {}", e.getMessage());
            return problem(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "Somebody changed the same thing at this moment; nothing of yours was changed. Try again.");
        }
        if (e instanceof StorageAway) {
            LOG.warn(e.getMessage());
            return problem(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "The storage of recordings and parcels is away for a moment; nothing was changed. Try again.");
        }
        LOG.error("A request failed.", e);
        return problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong on our side; nothing was changed. The log says more.");
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String sentence = "The request is no JSON that fits here.";
        ProblemDetail problem = problem(HttpStatus.BAD_REQUEST, sentence);
        if (e.getCause() instanceof JsonMappingException mapping) {
            String field = mapping.getPath().stream()
                    .map(JsonMappingException.Reference::getFieldName)
                    .filter(java.util.Objects::nonNull)
                    .collect(Collectors.joining("."));
            problem.setProperty("field", field);
            problem.setDetail(sentence(mapping, field));
        }
        return ResponseEntity.status(problem.getStatus()).headers(headers).body(problem);
    }

    private static String sentence(JsonMappingException e, String field) {
        if (e instanceof UnrecognizedPropertyException unknown) {
            return "There is no field “" + unknown.getPropertyName() + "” here.";
        }
        if (e instanceof ValueInstantiationException && e.getCause() instanceof IllegalArgumentException reason) {
            return reason.getMessage();
        }
        return field.isEmpty()
                ? "The request is no JSON that fits here."
                : "The field “" + field + "” has a value that does not fit.";
    }

    private static ProblemDetail problem(HttpStatus status, String sentence) {
        return ProblemDetail.forStatusAndDetail(status, sentence);
    }
}
