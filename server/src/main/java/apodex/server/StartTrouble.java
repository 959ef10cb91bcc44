package apodex.server;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Has a start that fails end with its sentence instead of a stack trace. */
final class StartTrouble extends AbstractFailureAnalyzer<CannotStart> {
    @Override
    protected FailureAnalysis analyze(Throwable root, CannotStart cause) {
        return new FailureAnalysis(cause.getMessage(), null, cause);
    }
}
