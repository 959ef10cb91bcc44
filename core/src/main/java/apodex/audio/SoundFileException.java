package apodex.audio;

import java.io.IOException;

/** A sound file that cannot be used. The message is one sentence that says why, without the file's name. */
public final class SoundFileException extends IOException {
    public SoundFileException(String reason) {
        super(reason);
    }

    public SoundFileException(String reason, Throwable cause) {
        super(reason, cause);
    }
}
