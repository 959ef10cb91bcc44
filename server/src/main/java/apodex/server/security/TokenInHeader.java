package apodex.server.security;

import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;

/** Our pages send the token in a header. It is not looked for in the body: gigabytes would be taken in of whoever has none. */
final class TokenInHeader extends CsrfTokenRequestAttributeHandler {
    @Override
    @Nullable
    public String resolveCsrfTokenValue(HttpServletRequest request, CsrfToken token) {
        return request.getHeader(token.getHeaderName());
    }
}
