package apodex.server.recordings;

import apodex.intake.RecordingStore;
import apodex.server.DataFolder;
import apodex.server.storage.Storage;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.unit.DataSize;

/** Recordings on this disk: all there are, or what is in use here of those that nodes share. */
@Configuration
class RecordingStoreChoice {
    @Bean
    RecordingStore recordingStore(
            DataFolder dataFolder,
            Storage storage,
            SharedRecordings shared,
            @Value("${apodex.storage.cache}") DataSize mostHere)
            throws IOException {
        return storage.isShared()
                ? new RecordingStore(dataFolder.recordings(), shared, mostHere.toBytes())
                : new RecordingStore(dataFolder.recordings());
    }
}
