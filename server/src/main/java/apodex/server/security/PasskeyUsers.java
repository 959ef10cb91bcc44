package apodex.server.security;

import apodex.server.accounts.Accounts;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;

/** Tells Spring Security of whoever a passkey belongs to. */
@Component
class PasskeyUsers implements UserDetailsService {
    private final Accounts accounts;

    PasskeyUsers(Accounts accounts) {
        this.accounts = accounts;
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        return accounts.named(name)
                .map(person -> new User(person.name(), "", AuthorityUtils.NO_AUTHORITIES))
                .orElseThrow(() -> new UsernameNotFoundException("There is no such account any more."));
    }
}
