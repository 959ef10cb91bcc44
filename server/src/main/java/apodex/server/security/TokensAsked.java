package apodex.server.security;

import apodex.server.accounts.Door;
import apodex.server.web.PickupListener;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import org.springframework.security.web.util.matcher.RequestMatcher;
import org.springframework.stereotype.Component;

/** Every write says the token, wherever strangers can come. At a desk pages of others are turned away by what browsers say of them. */
@Component
class TokensAsked implements RequestMatcher {
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS", "TRACE");

    private final Door door;
    private final PickupListener pickups;

    TokensAsked(Door door, PickupListener pickups) {
        this.door = door;
        this.pickups = pickups;
    }

    boolean anywhere() {
        return door.isOpen() || pickups.isThere();
    }

    @Override
    public boolean matches(HttpServletRequest request) {
        return (door.isOpen() || pickups.isAsked(request)) && !READING.contains(request.getMethod());
    }
}
