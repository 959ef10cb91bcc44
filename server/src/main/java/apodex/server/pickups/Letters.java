package apodex.server.pickups;

import apodex.server.access.Access;
import apodex.server.access.Thing;
import apodex.server.mail.Mailer;
import apodex.server.nodes.ThisNode;
import apodex.server.pickups.LetterMapper.Letter;
import apodex.server.pickups.PickupMapper.Pickup;
import apodex.server.runs.RunPublic;
import apodex.server.storage.Patience;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Sends what is to be told of a link. It is kept until it went out, and tried again for about a day; what it says is put together only
 * then.
 */
@Component
class Letters {
    private static final Logger LOG = LoggerFactory.getLogger(Letters.class);
    private static final int MOST_ATTEMPTS = 10;
    private static final Duration FIRST_WAIT = Duration.ofMinutes(3);
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH).withZone(ZoneOffset.UTC);

    private final LetterMapper mapper;
    private final PickupMapper pickups;
    private final Pickups keys;
    private final PublicLinks links;
    private final RunPublic runs;
    private final Mailer mailer;
    private final Access access;
    private final ThisNode node;

    Letters(
            LetterMapper mapper,
            PickupMapper pickups,
            Pickups keys,
            PublicLinks links,
            RunPublic runs,
            Mailer mailer,
            Access access,
            ThisNode node) {
        this.node = node;
        this.access = access;
        this.mapper = mapper;
        this.pickups = pickups;
        this.keys = keys;
        this.links = links;
        this.runs = runs;
        this.mailer = mailer;
    }

    void post(String pickupId, LetterKind kind, String words) {
        mapper.post(pickupId, kind, words);
    }

    @Scheduled(fixedDelay = 2_000)
    void deliver() {
        if (!node.serves()) {
            return;
        }
        Patience.orNextTime(this::deliverWhatIsDue); // that the database is away is told elsewhere
    }

    private void deliverWhatIsDue() {
        Instant now = Instant.now();
        for (Letter letter : mapper.due(now)) {
            Instant again = now.plus(FIRST_WAIT.multipliedBy(1L << letter.attempts()));
            if (mapper.take(letter, again) > 0) {
                deliver(letter);
            }
        }
    }

    private void deliver(Letter letter) {
        try {
            send(letter);
            mapper.delete(letter.id());
        } catch (IOException e) {
            LOG.warn("A message was not sent (attempt {}). {}", letter.attempts() + 1, e.getMessage());
            if (letter.attempts() + 1 >= MOST_ATTEMPTS) {
                mapper.delete(letter.id());
            }
        }
    }

    private void send(Letter letter) throws IOException {
        Pickup pickup = pickups.find(letter.pickupId());
        String to = letter.kind() == LetterKind.LINK ? pickup.mail() : pickups.ownersMail(pickup.id());
        if (to.isEmpty()) {
            return; // nobody to tell
        }
        Optional<String> token = keys.token(pickup);
        if (letter.kind() == LetterKind.LINK && token.isEmpty()) {
            return; // sealed with a key that is gone; whoever made it can make another
        }
        RunPublic.Parcel parcel = runs.parcel(pickup.runId());
        String song = parcel.song() + (parcel.artist().isEmpty() ? "" : " by " + parcel.artist());
        String what = parcel.song() + ", " + parcel.version();
        String owner = pickups.ownerOf(pickup.id());
        String session = access.sessionOf(Thing.RUN, pickup.runId());
        switch (letter.kind()) {
            case LINK ->
                mailer.send(
                        owner, session, to, "Files for you: " + what, link(pickup, token.orElseThrow(), song, parcel));
            case FETCHED ->
                mailer.send(
                        owner,
                        session,
                        to,
                        "Fetched: " + what,
                        "“" + letter.words() + "” of " + song + " was fetched for the first time.\n");
            case ARRIVED ->
                mailer.send(
                        owner,
                        session,
                        to,
                        "All arrived: " + what,
                        "The receiver of " + song + " says that all arrived.\n");
            case PROBLEM ->
                mailer.send(
                        owner,
                        session,
                        to,
                        "A problem: " + what,
                        "The receiver of " + song + " writes:\n\n" + letter.words() + "\n");
        }
    }

    private String link(Pickup pickup, String token, String song, RunPublic.Parcel parcel) {
        return song + ", " + parcel.version() + ": " + parcel.files().size() + " files to hear and to fetch.\n\n"
                + links.whole(token) + "\n\n"
                + (pickup.phrase() == null ? "" : "It opens with a pass phrase, which you get in another way.\n\n")
                + (pickup.message().isEmpty() ? "" : pickup.message() + "\n\n")
                + "The link ends on " + DAY.format(pickup.endsAt())
                + ". You need no account. On the page you can say that all arrived, or what is wrong.\n";
    }
}
