package apodex.server.security;

import apodex.server.accounts.Accounts.Person;
import apodex.server.accounts.Who;
import apodex.server.log.DeedKind;
import apodex.server.log.Deeds;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.web.authentication.HttpMessageConverterAuthenticationSuccessHandler;
import org.springframework.security.web.authentication.session.ChangeSessionIdAuthenticationStrategy;
import org.springframework.security.web.authentication.session.CompositeSessionAuthenticationStrategy;
import org.springframework.security.web.authentication.session.SessionAuthenticationStrategy;
import org.springframework.security.web.context.RequestAttributeSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfAuthenticationStrategy;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRequestHandler;
import org.springframework.security.web.webauthn.authentication.WebAuthnAuthenticationFilter;
import org.springframework.stereotype.Component;

/** Begins and ends login sessions: what somebody had in hand before they signed in opens nothing afterwards. */
@Component
class SignedIn {
    static final String SINCE = "signed in at";

    private final SecurityContextRepository contexts;
    private final SessionAuthenticationStrategy renewed;
    private final Deeds deeds;
    private final Who who;

    SignedIn(
            SecurityContextRepository contexts,
            CsrfTokenRepository tokens,
            CsrfTokenRequestHandler inEveryAnswer,
            Deeds deeds,
            Who who) {
        this.contexts = contexts;
        this.deeds = deeds;
        this.who = who;
        CsrfAuthenticationStrategy newToken = new CsrfAuthenticationStrategy(tokens);
        newToken.setRequestHandler(inEveryAnswer);
        this.renewed = new CompositeSessionAuthenticationStrategy(
                List.of(new ChangeSessionIdAuthenticationStrategy(), newToken));
    }

    /** @param with what they came in with, in words */
    void begin(Person person, String with, HttpServletRequest request, HttpServletResponse response) {
        User user = new User(person.name(), "", AuthorityUtils.NO_AUTHORITIES);
        Authentication authentication =
                UsernamePasswordAuthenticationToken.authenticated(user, null, AuthorityUtils.NO_AUTHORITIES);
        renewed.onAuthentication(authentication, request, response);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        request.getSession().setAttribute(SINCE, System.currentTimeMillis());
        deeds.note(person.ownerId(), DeedKind.SIGNED_IN, null, "with " + with + ", from " + request.getRemoteAddr());
    }

    void end(HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.getSession(false).invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    /** The library checks passkeys; a login session begins as with a pass phrase. */
    void tellOf(WebAuthnAuthenticationFilter filter) {
        HttpMessageConverterAuthenticationSuccessHandler answer =
                new HttpMessageConverterAuthenticationSuccessHandler();
        filter.setSecurityContextRepository(new RequestAttributeSecurityContextRepository()); // for this request
        filter.setAuthenticationSuccessHandler((request, response, authentication) -> {
            begin(who.person(), "a passkey", request, response);
            answer.onAuthenticationSuccess(request, response, authentication);
        });
    }
}
