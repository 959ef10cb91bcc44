package apodex.server.accounts;

import apodex.server.accounts.Accounts.Person;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.util.Optional;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Who asks. */
@Component
public class Who {
    private static final String KNOWN = Who.class.getName();

    private final Door door;
    private final Accounts accounts;

    Who(Door door, Accounts accounts) {
        this.door = door;
        this.accounts = accounts;
    }

    /** As whom new things are owned: at the desk, the house. */
    public String ownerId() {
        return door.isOpen() ? person().ownerId() : Door.HOUSE;
    }

    /** Whose things alone are seen; null at the desk, where everything is. */
    @Nullable
    public String onlyOf() {
        return door.isOpen() ? person().ownerId() : null;
    }

    /** Nobody at the desk, nor where nobody signed in, nor where the account is gone. */
    public Optional<Person> signedIn() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        if (!door.isOpen()
                || authentication == null
                || !authentication.isAuthenticated()
                || authentication instanceof AnonymousAuthenticationToken) {
            return Optional.empty();
        }
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        Object known = request == null ? null : request.getAttribute(KNOWN, RequestAttributes.SCOPE_REQUEST);
        if (known instanceof Person person && person.name().equals(authentication.getName())) {
            return Optional.of(person);
        }
        Optional<Person> person = accounts.named(authentication.getName());
        if (request != null && person.isPresent()) {
            request.setAttribute(KNOWN, person.get(), RequestAttributes.SCOPE_REQUEST);
        }
        return person;
    }

    /** @throws Refused (401) where nobody signed in */
    public Person person() {
        return signedIn().orElseThrow(() -> Refused.unknown("Sign in first."));
    }
}
