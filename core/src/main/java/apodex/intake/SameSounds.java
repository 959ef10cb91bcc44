package apodex.intake;

import apodex.align.MonoSound;
import apodex.align.Twin;
import apodex.audio.PcmReader;
import apodex.session.Recording;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** Files that hold one sound: the same bytes, the same samples, or those a gain away. */
final class SameSounds {
    /** A smaller gain is none. */
    private static final double EXACT_DB = 1e-3;

    private final RecordingStore store;

    SameSounds(RecordingStore store) {
        this.store = store;
    }

    List<SameSound> among(List<IntakeFile> files) throws IOException {
        List<SameSound> same = new ArrayList<>();
        for (int i = 0; i < files.size(); i++) {
            for (int k = 0; k < i; k++) {
                IntakeFile file = files.get(i);
                IntakeFile before = files.get(k);
                if (file.isSound()
                        && before.isSound()
                        && mayBeSame(file.recording(), before.recording())
                        && file.heard().runsLike(before.heard())) {
                    Twin twin = twin(before.recording(), file.recording());
                    if (twin.isSame()) {
                        double gain = Math.abs(twin.gainDb()) < EXACT_DB ? 0 : twin.gainDb();
                        same.add(new SameSound(file.id(), before.id(), gain, twin.inverted()));
                        break;
                    }
                }
            }
        }
        return same;
    }

    private static boolean mayBeSame(Recording one, Recording other) {
        return one.frames() == other.frames() && one.rate().equals(other.rate());
    }

    private Twin twin(Recording one, Recording other) throws IOException {
        try (PcmReader a = store.open(one.sha256());
                PcmReader b = store.open(other.sha256())) {
            return Twin.of(new MonoSound(a, one.rate()), new MonoSound(b, other.rate()));
        }
    }
}
