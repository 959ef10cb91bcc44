package apodex.server.access;

import apodex.server.access.AccessTable.Asks;
import apodex.server.accounts.Door;
import apodex.server.accounts.Who;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import java.util.function.Supplier;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;
import org.springframework.web.util.ServletRequestPathUtils;

/** Asks the table for every request. */
@Component
public class AccessManager implements AuthorizationManager<RequestAuthorizationContext> {
    private final Door door;
    private final Who who;
    private final Access access;

    AccessManager(Door door, Who who, Access access) {
        this.door = door;
        this.who = who;
        this.access = access;
    }

    /** A refusal with what is answered. */
    public static final class Denied extends AuthorizationDecision {
        private final transient Refused why;

        Denied(Refused why) {
            super(false);
            this.why = why;
        }

        public Refused why() {
            return why;
        }
    }

    @Override
    @Nullable
    @SuppressWarnings("deprecation") // asked by the interface
    public AuthorizationDecision check(Supplier<Authentication> authentication, RequestAuthorizationContext context) {
        return door.isOpen() ? decide(context.getRequest()) : new AuthorizationDecision(true);
    }

    private AuthorizationDecision decide(HttpServletRequest request) {
        String path = ServletRequestPathUtils.parseAndCache(request)
                .pathWithinApplication()
                .value();
        AccessTable.Match match = AccessTable.of(request.getMethod(), path).orElse(null);
        if (match != null && match.line().asks() == Asks.NOTHING) {
            return new AuthorizationDecision(true);
        }
        try {
            who.person();
            if (match == null) {
                throw Refused.notFound("There is nothing here by this name, or it cannot be asked like that.");
            }
            if (match.line().asks() == Asks.A_RIGHT) {
                access.require(match.line().right(), match.line().thing(), match.id());
            }
            return new AuthorizationDecision(true);
        } catch (Refused refused) {
            return new Denied(refused);
        }
    }
}
