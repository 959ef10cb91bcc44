package apodex.server.mail;

import jakarta.annotation.Nullable;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Date;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/** Sends messages by SMTP where a server was told; else lays them in the outbox, as files any mail program opens. */
@Component
public class Mailer {
    private static final DateTimeFormatter MOMENT =
            DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);

    private final JavaMailSender sender;
    private final String host;
    private final String from;
    private final Outbox outbox;

    Mailer(
            JavaMailSender sender,
            @Value("${spring.mail.host}") String host,
            @Value("${apodex.mail.from}") String from,
            Outbox outbox) {
        this.sender = sender;
        this.host = host;
        this.from = from;
        this.outbox = outbox;
    }

    /** Whether messages leave the house. */
    boolean sends() {
        return !host.isBlank();
    }

    /**
     * Sends one.
     *
     * @param ownerId whose it is: they find it in the outbox
     * @param session that it is about, with which it is forgotten; null for none. Not told to anybody
     * @throws IOException where it could not be handed over
     */
    public void send(String ownerId, @Nullable String session, String to, String subject, String text)
            throws IOException {
        try {
            MimeMessage message = sender.createMimeMessage();
            MimeMessageHelper helper = new MimeMessageHelper(message, StandardCharsets.UTF_8.name());
            helper.setFrom(from);
            helper.setTo(to);
            helper.setSubject(subject);
            helper.setText(text);
            helper.setSentDate(Date.from(Instant.now()));
            if (sends()) {
                sender.send(message);
            } else {
                if (session != null) {
                    message.setHeader(Outbox.ABOUT, session);
                }
                lay(ownerId, message);
            }
        } catch (MessagingException | org.springframework.mail.MailException e) {
            throw new IOException("The message could not be sent: " + e.getMessage(), e);
        }
    }

    private void lay(String ownerId, MimeMessage message) throws IOException, MessagingException {
        Path folder = Files.createDirectories(outbox.of(ownerId));
        Path half = Files.createTempFile(folder, "half-", ".part");
        try (OutputStream out = Files.newOutputStream(half)) {
            message.writeTo(out);
        }
        String name = MOMENT.format(Instant.now()) + "-"
                + UUID.randomUUID().toString().substring(0, 8) + ".eml";
        Files.move(half, folder.resolve(name), StandardCopyOption.ATOMIC_MOVE);
    }
}
