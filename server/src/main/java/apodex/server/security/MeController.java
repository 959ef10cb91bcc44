package apodex.server.security;

import apodex.server.accounts.Accounts;
import apodex.server.accounts.Accounts.Person;
import apodex.server.accounts.Door;
import apodex.server.accounts.Keys;
import apodex.server.accounts.Who;
import apodex.server.log.DeedKind;
import apodex.server.log.DeedLine;
import apodex.server.log.Deeds;
import apodex.server.web.Refused;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.List;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who one is here, and the keys one comes in with. */
@RestController
class MeController {
    private final Door door;
    private final Who who;
    private final Accounts accounts;
    private final Keys keys;
    private final SignedIn signedIn;
    private final Deeds deeds;
    private final KeyNews news;
    private final PublicKeyCredentialUserEntityRepository passkeyOwners;
    private final UserCredentialRepository passkeys;

    MeController(
            Door door,
            Who who,
            Accounts accounts,
            Keys keys,
            SignedIn signedIn,
            Deeds deeds,
            KeyNews news,
            PublicKeyCredentialUserEntityRepository passkeyOwners,
            UserCredentialRepository passkeys) {
        this.door = door;
        this.who = who;
        this.accounts = accounts;
        this.keys = keys;
        this.signedIn = signedIn;
        this.deeds = deeds;
        this.news = news;
        this.passkeyOwners = passkeyOwners;
        this.passkeys = passkeys;
    }

    /**
     * Who one is.
     *
     * @param atDesk whether nobody signs in here
     * @param name   of the account; null for nobody yet
     * @param mail   where news go; empty for nowhere
     * @param logins in how many browsers one is signed in
     */
    record Me(boolean atDesk, @Nullable String name, String mail, int logins) {}

    @GetMapping("/api/me")
    Me me() {
        if (!door.isOpen()) {
            return new Me(true, null, accounts.mail(Door.HOUSE), 0);
        }
        return who.signedIn()
                .map(person -> new Me(false, person.name(), accounts.mail(person.ownerId()), keys.logins(person)))
                .orElse(new Me(false, null, "", 0));
    }

    record SignIn(String name, String passPhrase) {}

    @PostMapping("/api/me/sign-in")
    Me signIn(@RequestBody SignIn request, HttpServletRequest asked, HttpServletResponse answer) {
        if (!door.isOpen()) {
            throw Refused.conflict("Nobody signs in at the desk.");
        }
        String name = words(request.name()).strip();
        String address = asked.getRemoteAddr();
        Person person = noted(name, address, () -> keys.signIn(name, words(request.passPhrase()), address));
        signedIn.begin(person, "the pass phrase", asked, answer);
        return me();
    }

    /** Whoever has the account learns that somebody tried. */
    private Person noted(String name, String address, Supplier<Person> trying) {
        try {
            return trying.get();
        } catch (Refused refused) {
            if (refused.status() == HttpStatus.UNPROCESSABLE_ENTITY) {
                throw refused; // the new one is no good; the old one was right
            }
            accounts.named(name)
                    .ifPresent(
                            person -> deeds.note(person.ownerId(), DeedKind.SIGN_IN_FAILED, null, "from " + address));
            throw refused;
        }
    }

    @PostMapping("/api/me/sign-out")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest asked, HttpServletResponse answer) {
        deeds.note(who.ownerId(), DeedKind.SIGNED_OUT, null, "");
        signedIn.end(asked, answer);
    }

    @Operation(description = "Ends every login session of one's own, this one too.")
    @PostMapping("/api/me/sign-out-everywhere")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOutEverywhere(HttpServletRequest asked, HttpServletResponse answer) {
        Person person = who.person();
        deeds.note(person.ownerId(), DeedKind.SIGNED_OUT, null, "in every browser");
        signedIn.end(asked, answer);
        keys.endAll(person);
    }

    record Welcome(String name) {}

    @Operation(description = "Whose account a welcome link is for.")
    @GetMapping("/api/welcome/{token}")
    Welcome welcome(@PathVariable String token) {
        return new Welcome(keys.invited(token).name());
    }

    record FirstPhrase(String passPhrase) {}

    @Operation(description = "Sets the pass phrase by a welcome link, once, and signs in.")
    @PostMapping("/api/welcome/{token}")
    Me settle(
            @PathVariable String token,
            @RequestBody FirstPhrase request,
            HttpServletRequest asked,
            HttpServletResponse answer) {
        Person person = keys.settle(token, request.passPhrase());
        news.tell(person, "set the pass phrase by a link");
        signedIn.begin(person, "a welcome link", asked, answer);
        return me();
    }

    record NewPhrase(String before, String after) {}

    @Operation(description = "Sets another pass phrase; other browsers are signed out.")
    @PutMapping("/api/me/phrase")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePhrase(@RequestBody NewPhrase request, HttpServletRequest asked) {
        Person person = who.person();
        String address = asked.getRemoteAddr();
        noted(
                person.name(),
                address,
                () -> keys.changePhrase(person, words(request.before()), request.after(), address));
        news.tell(person, "changed the pass phrase");
        keys.endOthers(person, asked.getSession().getId());
    }

    record Mail(String mail) {}

    @PutMapping("/api/me/mail")
    Me setMail(@RequestBody Mail request) {
        accounts.setMail(who.ownerId(), words(request.mail()).strip());
        return me();
    }

    /** @param lastUsed null for never */
    record Passkey(String id, String label, Instant created, @Nullable Instant lastUsed) {}

    @GetMapping("/api/me/passkeys")
    List<Passkey> passkeys() {
        return own().stream()
                .map(key -> new Passkey(
                        key.getCredentialId().toBase64UrlString(), key.getLabel(), key.getCreated(), key.getLastUsed()))
                .toList();
    }

    @DeleteMapping("/api/me/passkeys/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removePasskey(@PathVariable String id) {
        Bytes key = own().stream()
                .map(CredentialRecord::getCredentialId)
                .filter(each -> each.toBase64UrlString().equals(id))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("You have no such passkey."));
        passkeys.delete(key);
        news.tell(who.person(), "removed a passkey");
    }

    private List<CredentialRecord> own() {
        PublicKeyCredentialUserEntity entity =
                passkeyOwners.findByUsername(who.person().name());
        return entity == null ? List.of() : passkeys.findByUserId(entity.getId());
    }

    @Operation(description = "What was done with one's own account, the latest first.")
    @GetMapping("/api/me/log")
    List<DeedLine> log() {
        return deeds.ofAccount(who.ownerId());
    }

    private static String words(@Nullable String sent) {
        return sent == null ? "" : sent;
    }
}
