package apodex.server.runs;

import java.nio.charset.StandardCharsets;
import org.springframework.http.MediaType;

/** What a session sheet is asked for as. */
public enum SheetForm {
    text(new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8)),
    html(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8)),
    pdf(MediaType.APPLICATION_PDF);

    private final MediaType type;

    SheetForm(MediaType type) {
        this.type = type;
    }

    MediaType type() {
        return type;
    }
}
