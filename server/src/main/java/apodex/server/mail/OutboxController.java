package apodex.server.mail;

import apodex.server.accounts.Who;
import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class OutboxController {
    private final Outbox outbox;
    private final Mailer mailer;
    private final Who who;

    OutboxController(Outbox outbox, Mailer mailer, Who who) {
        this.outbox = outbox;
        this.mailer = mailer;
        this.who = who;
    }

    /** @param sends whether there is a mail server, so that nothing new comes to lie here */
    record Letters(boolean sends, List<Outbox.Letter> letters) {}

    @Operation(description = "Messages of one's own that nobody sent, since there is no mail server; the latest first.")
    @GetMapping("/api/outbox")
    Letters letters() throws IOException {
        return new Letters(mailer.sends(), outbox.letters(who.ownerId()));
    }

    @GetMapping("/api/outbox/{name}")
    Outbox.Whole letter(@PathVariable String name) {
        return outbox.letter(who.ownerId(), name);
    }
}
