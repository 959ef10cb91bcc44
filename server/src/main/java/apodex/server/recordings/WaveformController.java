package apodex.server.recordings;

import apodex.intake.RecordingStore;
import apodex.measure.Overview;
import apodex.server.web.Refused;
import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Waveforms in tiles of equal numbers of bins, at scales a factor of four apart. A tile never changes. */
@RestController
class WaveformController {
    static final int BINS_PER_TILE = 1_024;
    /** Bins of 4^12 frames: a day at 384 kHz fits in a few tiles. */
    private static final int COARSEST = 12;

    private final RecordingStore store;

    WaveformController(RecordingStore store) {
        this.store = store;
    }

    @Operation(
            description = "Lowest and highest samples of 1024 bins of 4^zoom frames each, as 16-bit little-endian"
                    + " pairs, channel after channel; fewer bins at the recording's end.")
    @GetMapping(
            path = "/api/recordings/{sha256}/waveform/{zoom}/{tile}",
            produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> tile(@PathVariable String sha256, @PathVariable int zoom, @PathVariable long tile)
            throws IOException {
        if (!store.has(sha256)) {
            throw Refused.notFound("There is no recording “" + sha256 + "”.");
        }
        if (zoom < 0 || zoom > COARSEST || tile < 0 || tile > Integer.MAX_VALUE) {
            throw Refused.notFound("There is no such stretch of this recording.");
        }
        try (Overview overview = store.overview(sha256)) {
            float[][] bins = overview.lowsAndHighs(zoom, tile * BINS_PER_TILE, BINS_PER_TILE);
            return ResponseEntity.ok()
                    .cacheControl(CacheControl.maxAge(Duration.ofDays(30))
                            .cachePrivate()
                            .immutable())
                    .body(toBytes(bins));
        }
    }

    private static byte[] toBytes(float[][] bins) {
        ByteBuffer out = ByteBuffer.allocate(bins.length * bins[0].length * 2).order(ByteOrder.LITTLE_ENDIAN);
        for (float[] channel : bins) {
            for (float value : channel) {
                out.putShort((short) Math.round(Math.max(-1, Math.min(1, value)) * Short.MAX_VALUE));
            }
        }
        return out.array();
    }
}
