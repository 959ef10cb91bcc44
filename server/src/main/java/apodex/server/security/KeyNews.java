package apodex.server.security;

import apodex.server.accounts.Accounts;
import apodex.server.accounts.Accounts.Person;
import apodex.server.accounts.Door;
import apodex.server.log.DeedKind;
import apodex.server.log.Deeds;
import apodex.server.mail.Mailer;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Tells people what became of the keys they come in with, so that they notice when it was not them. */
@Component
class KeyNews {
    private static final Logger LOG = LoggerFactory.getLogger(KeyNews.class);

    private final Deeds deeds;
    private final Accounts accounts;
    private final Mailer mailer;
    private final Door door;

    KeyNews(Deeds deeds, Accounts accounts, Mailer mailer, Door door) {
        this.deeds = deeds;
        this.accounts = accounts;
        this.mailer = mailer;
        this.door = door;
    }

    /** @param words what was done, after the person's name */
    void tell(Person person, String words) {
        deeds.note(person.ownerId(), DeedKind.CHANGED_KEYS, null, words);
        String mail = accounts.mail(person.ownerId());
        if (!mail.isEmpty()) {
            send(person, mail, words);
        }
    }

    private void send(Person person, String mail, String words) {
        try {
            mailer.send(
                    person.ownerId(),
                    null,
                    mail,
                    "Your account: " + words,
                    person.name() + " " + words + ".\n\nIf that was not you: " + door.url()
                            + "/#/account has “Sign out everywhere”, and whoever runs this Apodex makes a new link for your pass phrase.\n");
        } catch (IOException e) { // the log has it all the same
            LOG.warn("What became of an account's keys was not mailed. {}", e.getMessage());
        }
    }
}
