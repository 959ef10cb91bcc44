package apodex.server.security;

import apodex.server.access.AccessManager;
import apodex.server.accounts.Door;
import apodex.server.accounts.Who;
import apodex.server.web.ProblemAnswer;
import apodex.server.web.Refused;
import jakarta.servlet.DispatcherType;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.authorization.AuthorizationDeniedException;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.ObjectPostProcessor;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.csrf.CsrfTokenRequestHandler;
import org.springframework.security.web.savedrequest.NullRequestCache;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.authentication.WebAuthnAuthenticationFilter;
import org.springframework.security.web.webauthn.management.JdbcPublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.JdbcUserCredentialRepository;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.security.web.webauthn.management.WebAuthnRelyingPartyOperations;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;

/** One chain for every request. Who may do what is decided by {@link AccessManager} alone. */
@Configuration
class WebSecurity {
    private static final String NAME = "Apodex";

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            Door door,
            AccessManager access,
            TokensAsked tokensAsked,
            CsrfTokenRepository tokens,
            CsrfTokenRequestHandler inEveryAnswer,
            SecurityContextRepository contexts,
            WebAuthnRelyingPartyOperations passkeys,
            SignedIn signedIn,
            ProblemAnswer problems)
            throws Exception {
        if (tokensAsked.anywhere()) {
            http.csrf(csrf -> csrf.csrfTokenRepository(tokens)
                    .csrfTokenRequestHandler(inEveryAnswer)
                    .requireCsrfProtectionMatcher(tokensAsked));
        } else {
            http.csrf(AbstractHttpConfigurer::disable);
        }
        // what pages may do is set where strangers are turned away; what has no rule of its own is kept by nobody
        http.headers(headers -> headers.defaultsDisabled().cacheControl(Customizer.withDefaults()))
                .formLogin(AbstractHttpConfigurer::disable)
                .httpBasic(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .requestCache(cache -> cache.requestCache(new NullRequestCache()))
                .securityContext(context -> context.securityContextRepository(contexts))
                .authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(
                                DispatcherType.ASYNC, DispatcherType.ERROR, DispatcherType.FORWARD)
                        .permitAll()
                        .anyRequest()
                        .access(access))
                .exceptionHandling(wrong -> wrong.authenticationEntryPoint(
                                (request, response, e) -> problems.write(response, Refused.unknown("Sign in first.")))
                        .accessDeniedHandler(denied(problems)));
        if (door.isOpen()) {
            http.addFilterBefore(new JustSignedIn(problems), AuthorizationFilter.class);
            http.webAuthn(webAuthn -> webAuthn.rpName(NAME) // all is said to the bean; these are asked for all the same
                    .rpId(door.host())
                    .allowedOrigins(Set.of(door.url()))
                    .creationOptionsRepository(new PasskeyChallenges(passkeys))
                    .disableDefaultRegistrationPage(true)
                    .withObjectPostProcessor(new ObjectPostProcessor<WebAuthnAuthenticationFilter>() {
                        @Override
                        public <O extends WebAuthnAuthenticationFilter> O postProcess(O filter) {
                            signedIn.tellOf(filter);
                            return filter;
                        }
                    }));
        }
        return http.build();
    }

    private static AccessDeniedHandler denied(ProblemAnswer problems) {
        return (request, response, e) -> {
            if (e instanceof CsrfException) {
                problems.write(
                        response, Refused.forbidden("This page is out of date. Load it again, then try once more."));
            } else if (e instanceof AuthorizationDeniedException denied
                    && denied.getAuthorizationResult() instanceof AccessManager.Denied decision) {
                problems.write(response, decision.why());
            } else {
                problems.write(response, Refused.forbidden("This is closed to you."));
            }
        };
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    /** The page reads it from a cookie and sends it back in a header, which pages of others cannot. */
    @Bean
    CsrfTokenRepository tokens() {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Strict").path("/"));
        return tokens;
    }

    @Bean
    CsrfTokenRequestHandler inEveryAnswer() {
        CsrfTokenRequestAttributeHandler handler = new TokenInHeader();
        handler.setCsrfRequestAttributeName(null); // as its documentation says: not only once somebody asks for it
        return handler;
    }

    @Bean
    PublicKeyCredentialUserEntityRepository passkeyOwners(JdbcTemplate database) {
        return new JdbcPublicKeyCredentialUserEntityRepository(database);
    }

    @Bean
    WebAuthnRelyingPartyOperations passkeyOperations(
            PublicKeyCredentialUserEntityRepository owners, UserCredentialRepository passkeys, Door door) {
        return new Webauthn4JRelyingPartyOperations(
                owners,
                passkeys,
                PublicKeyCredentialRpEntity.builder().name(NAME).id(door.host()).build(),
                Set.of(door.url()));
    }

    @Bean
    UserCredentialRepository passkeys(JdbcTemplate database, KeyNews news, Who who) {
        return new NotedPasskeys(new JdbcUserCredentialRepository(database), news, who);
    }
}
