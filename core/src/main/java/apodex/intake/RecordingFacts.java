package apodex.intake;

import apodex.audio.SoundInfo;
import apodex.session.Recording;
import jakarta.annotation.Nullable;
import java.time.DateTimeException;
import java.time.LocalDate;

/** What a recording's file says of it. */
final class RecordingFacts {
    private static final int LONGEST_TITLE = 200;

    private RecordingFacts() {}

    static Recording of(String sha256, String fileName, SoundInfo info, String title) {
        Long timeReference = info.broadcast() == null ? null : info.broadcast().timeReference();
        String originated =
                info.broadcast() == null ? null : dateOrNull(info.broadcast().originationDate());
        return new Recording(
                sha256,
                fileName,
                info.rate(),
                info.channels(),
                info.sample(),
                info.frames(),
                timeReference,
                originated,
                title.isEmpty() ? null : title.substring(0, Math.min(title.length(), LONGEST_TITLE)));
    }

    /** Writers of the chunk separate the date's parts in several ways (EBU Tech 3285, section 2.3). */
    @Nullable
    private static String dateOrNull(String written) {
        try {
            LocalDate date = LocalDate.parse(written.strip().replaceAll("[_:. /]", "-"));
            return date.getYear() >= 1980 && date.getYear() <= 2107 ? date.toString() : null; // a zip's years
        } catch (DateTimeException e) {
            return null;
        }
    }
}
