package apodex.server.pickups;

import apodex.server.accounts.Door;
import apodex.server.web.PickupListener;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Where receivers find a link. */
@Component
class PublicLinks {
    private final String told;
    private final Door door;
    private final PickupListener listener;

    PublicLinks(@Value("${apodex.public-url}") String told, Door door, PickupListener listener) {
        this.told = told.strip().replaceAll("/+$", "");
        this.door = door;
        this.listener = listener;
    }

    String path(String token) {
        return "/p/" + token;
    }

    /** The whole address, where receivers have one of their own; else it is wherever the pages are. */
    Optional<String> url(String token) {
        return told.isEmpty() ? listener.url().map(url -> url + path(token)) : Optional.of(told + path(token));
    }

    /** The whole address in any case, for a message. */
    String whole(String token) {
        return url(token).orElse(door.url() + path(token));
    }
}
