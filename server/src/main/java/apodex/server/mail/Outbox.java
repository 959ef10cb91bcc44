package apodex.server.mail;

import apodex.server.web.Refused;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Properties;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Where messages lie that nobody sends. Everybody sees their own. */
@Component
public class Outbox {
    static final String ABOUT = "X-About-Session";

    private static final String NAME = "[0-9]{8}-[0-9]{6}-[0-9a-f]{8}\\.eml";
    private static final int MOST = 200;

    private final Path root;

    Outbox(@Value("${apodex.data.absolute}") String data) {
        root = Path.of(data).resolve("outbox");
    }

    Path of(String ownerId) {
        return root.resolve(ownerId);
    }

    /** @param name of its file */
    record Letter(String name, String to, String subject, Instant at) {}

    record Whole(Letter letter, String text) {}

    /** The latest first. */
    List<Letter> letters(String ownerId) throws IOException {
        if (!Files.isDirectory(of(ownerId))) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(of(ownerId))) {
            return files.filter(file -> file.getFileName().toString().matches(NAME))
                    .sorted(Comparator.comparing(Path::getFileName).reversed())
                    .limit(MOST)
                    .map(file -> read(file).letter())
                    .toList();
        }
    }

    Whole letter(String ownerId, String name) {
        if (!name.matches(NAME)) {
            throw none();
        }
        return read(of(ownerId).resolve(name));
    }

    /** Removes what lies there about a session. */
    public void forget(String sessionId) throws IOException {
        if (!Files.isDirectory(root)) {
            return;
        }
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : (Iterable<Path>)
                    files.filter(each -> each.getFileName().toString().matches(NAME))::iterator) {
                if (isAbout(file, sessionId)) {
                    Files.deleteIfExists(file);
                }
            }
        }
    }

    private static boolean isAbout(Path file, String sessionId) throws IOException {
        try (Stream<String> lines = Files.lines(file)) {
            return lines.takeWhile(line -> !line.isEmpty()).anyMatch(line -> line.equals(ABOUT + ": " + sessionId));
        }
    }

    private static Whole read(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            MimeMessage message = new MimeMessage(Session.getInstance(new Properties()), in);
            Letter letter = new Letter(
                    file.getFileName().toString(),
                    message.getRecipients(Message.RecipientType.TO)[0].toString(),
                    message.getSubject(),
                    message.getSentDate().toInstant());
            return new Whole(letter, String.valueOf(message.getContent()).replace("\r\n", "\n"));
        } catch (NoSuchFileException e) {
            throw none();
        } catch (IOException | MessagingException e) {
            throw new IllegalStateException("The message " + file.getFileName() + " cannot be read.", e);
        }
    }

    private static Refused none() {
        return Refused.notFound("There is no such message in your outbox.");
    }
}
