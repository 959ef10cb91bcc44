package apodex.server.access;

import apodex.audio.Digests;
import apodex.server.access.MemberMapper.Invitation;
import apodex.server.access.MemberMapper.Member;
import apodex.server.access.MemberMapper.Title;
import apodex.server.accounts.Accounts.Person;
import apodex.server.accounts.Who;
import apodex.server.log.DeedKind;
import apodex.server.log.DeedLine;
import apodex.server.log.Deeds;
import apodex.server.web.Refused;
import apodex.server.web.SecretToken;
import io.swagger.v3.oas.annotations.Operation;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Letting others in to a session, and out again. */
@RestController
@Transactional
class MembersController {
    private static final int LONGEST_DAYS = 30;

    private final MemberMapper mapper;
    private final Who who;
    private final Deeds deeds;

    MembersController(MemberMapper mapper, Who who, Deeds deeds) {
        this.mapper = mapper;
        this.who = who;
        this.deeds = deeds;
    }

    /** @param invitations links that nobody took yet */
    record WhoIsIn(List<Member> members, List<Invitation> invitations) {}

    /** At a desk nobody asked before whether it is there. */
    private void refuseWithout(String id) {
        if (mapper.title(id) == null) {
            throw Refused.notFound("There is no session “" + id + "”.");
        }
    }

    @GetMapping("/api/sessions/{id}/members")
    WhoIsIn members(@PathVariable String id) {
        refuseWithout(id);
        return new WhoIsIn(mapper.ofSession(id), mapper.invitations(id, Instant.now()));
    }

    record NewInvitation(Right may, int days) {}

    /** @param path of the link, below this server's address; it is told only now */
    record Invited(String path, WhoIsIn now) {}

    @Operation(description = "Makes a link by which one person with an account is let in.")
    @PostMapping("/api/sessions/{id}/invitations")
    @ResponseStatus(HttpStatus.CREATED)
    Invited invite(@PathVariable String id, @RequestBody NewInvitation request) {
        if (request.days() < 1 || request.days() > LONGEST_DAYS) {
            throw Refused.unusable("An invitation lasts 1 to " + LONGEST_DAYS + " days.")
                    .with("field", "days");
        }
        refuseWithout(id);
        String token = SecretToken.fresh();
        mapper.invite(
                UUID.randomUUID().toString(),
                id,
                Digests.sha256OfText(token),
                given(request.may()),
                Instant.now().plus(Duration.ofDays(request.days())));
        deeds.note(who.ownerId(), DeedKind.MADE_LINK, id, "an invitation, " + words(request.may()));
        return new Invited("/#/join/" + token, members(id));
    }

    @DeleteMapping("/api/sessions/{id}/invitations/{invitation}")
    WhoIsIn withdraw(@PathVariable String id, @PathVariable String invitation) {
        if (mapper.endInvitation(id, invitation) > 0) {
            deeds.note(who.ownerId(), DeedKind.ENDED_LINK, id, "an invitation");
        }
        return members(id);
    }

    record NewRight(Right may) {}

    @PutMapping("/api/sessions/{id}/members/{member}")
    WhoIsIn let(@PathVariable String id, @PathVariable String member, @RequestBody NewRight request) {
        if (mapper.let(id, member, given(request.may())) > 0) {
            deeds.note(who.ownerId(), DeedKind.CHANGED_MEMBERS, id, name(id, member) + " " + words(request.may()));
        }
        return members(id);
    }

    @DeleteMapping("/api/sessions/{id}/members/{member}")
    WhoIsIn remove(@PathVariable String id, @PathVariable String member) {
        String name = name(id, member);
        if (mapper.remove(id, member) > 0) {
            deeds.note(who.ownerId(), DeedKind.CHANGED_MEMBERS, id, name + " is out");
        }
        return members(id);
    }

    private String name(String id, String member) {
        return mapper.ofSession(id).stream()
                .filter(each -> each.id().equals(member))
                .map(Member::name)
                .findFirst()
                .orElse("");
    }

    @Operation(description = "Who did what with a session, the latest first.")
    @GetMapping("/api/sessions/{id}/log")
    List<DeedLine> log(@PathVariable String id) {
        return deeds.ofSession(id);
    }

    /** What an invitation is to. */
    record Offered(String title, String owner, Right may, Instant endsAt) {}

    @GetMapping("/api/invitations/{token}")
    Offered offered(@PathVariable String token) {
        Invitation invitation = invitation(token);
        Title title = mapper.title(invitation.sessionId());
        return new Offered(title.title(), title.owner(), invitation.may(), invitation.endsAt());
    }

    record Joined(String sessionId) {}

    @Operation(description = "Takes an invitation; it lets nobody else in.")
    @PostMapping("/api/invitations/{token}")
    Joined join(@PathVariable String token) {
        Person person = who.person();
        Invitation invitation = invitation(token);
        Title title = mapper.title(invitation.sessionId());
        if (!title.ownerId().equals(person.ownerId())) {
            if (mapper.endInvitation(invitation.sessionId(), invitation.id()) == 0) {
                throw over();
            }
            mapper.join(invitation.sessionId(), person.ownerId(), invitation.may());
            deeds.note(person.ownerId(), DeedKind.JOINED, invitation.sessionId(), words(invitation.may()));
        }
        return new Joined(invitation.sessionId());
    }

    private Invitation invitation(String token) {
        Invitation invitation = mapper.byToken(Digests.sha256OfText(token), Instant.now());
        if (invitation == null) {
            throw over();
        }
        return invitation;
    }

    private static Refused over() {
        return Refused.gone("This invitation was taken, withdrawn, or has ended. Ask whoever sent it for a new one.");
    }

    private static Right given(Right may) {
        if (may == null || may == Right.OWN) {
            throw Refused.unusable("Others may listen, print or change.").with("field", "may");
        }
        return may;
    }

    private static String words(Right may) {
        return switch (may) {
            case LISTEN -> "may listen and fetch";
            case PRINT -> "may print";
            case CHANGE -> "may change";
            case OWN -> "owns it";
        };
    }
}
