package apodex.server.security;

import apodex.server.accounts.Who;
import java.util.List;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;

/** The library's passkeys; a new one is told to whoever it opens for. */
final class NotedPasskeys implements UserCredentialRepository {
    private final UserCredentialRepository passkeys;
    private final KeyNews news;
    private final Who who;

    NotedPasskeys(UserCredentialRepository passkeys, KeyNews news, Who who) {
        this.passkeys = passkeys;
        this.news = news;
        this.who = who;
    }

    /** Saved when it is made, and at each use. */
    @Override
    public void save(CredentialRecord record) {
        boolean fresh = passkeys.findByCredentialId(record.getCredentialId()) == null;
        passkeys.save(record);
        if (fresh) {
            news.tell(who.person(), "added the passkey “" + record.getLabel() + "”");
        }
    }

    @Override
    public void delete(Bytes id) {
        passkeys.delete(id);
    }

    @Override
    public CredentialRecord findByCredentialId(Bytes id) {
        return passkeys.findByCredentialId(id);
    }

    @Override
    public List<CredentialRecord> findByUserId(Bytes id) {
        return passkeys.findByUserId(id);
    }
}
