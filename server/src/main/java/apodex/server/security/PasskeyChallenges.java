package apodex.server.security;

import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.WebAuthnRelyingPartyOperations;
import org.springframework.security.web.webauthn.registration.PublicKeyCredentialCreationOptionsRepository;

/**
 * Remembers what a new passkey has to sign until it has. The library's options cannot be kept in a database; all of them but the challenge
 * follow from who asks.
 */
final class PasskeyChallenges implements PublicKeyCredentialCreationOptionsRepository {
    private static final String CHALLENGE = "passkey challenge";

    private final WebAuthnRelyingPartyOperations passkeys;

    PasskeyChallenges(WebAuthnRelyingPartyOperations passkeys) {
        this.passkeys = passkeys;
    }

    @Override
    public void save(
            HttpServletRequest request,
            HttpServletResponse response,
            @Nullable PublicKeyCredentialCreationOptions options) {
        HttpSession session = request.getSession();
        if (options == null) {
            session.removeAttribute(CHALLENGE);
        } else {
            session.setAttribute(CHALLENGE, options.getChallenge().toBase64UrlString());
        }
    }

    @Override
    @Nullable
    public PublicKeyCredentialCreationOptions load(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session == null || !(session.getAttribute(CHALLENGE) instanceof String challenge)) {
            return null;
        }
        PublicKeyCredentialCreationOptions fresh = passkeys.createPublicKeyCredentialCreationOptions(
                new ImmutablePublicKeyCredentialCreationOptionsRequest(
                        SecurityContextHolder.getContext().getAuthentication()));
        return PublicKeyCredentialCreationOptions.builder()
                .rp(fresh.getRp())
                .user(fresh.getUser())
                .challenge(Bytes.fromBase64(challenge))
                .pubKeyCredParams(fresh.getPubKeyCredParams())
                .timeout(fresh.getTimeout())
                .excludeCredentials(fresh.getExcludeCredentials())
                .authenticatorSelection(fresh.getAuthenticatorSelection())
                .attestation(fresh.getAttestation())
                .extensions(fresh.getExtensions())
                .build();
    }
}
