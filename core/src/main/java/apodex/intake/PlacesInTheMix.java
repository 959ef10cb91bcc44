package apodex.intake;

import apodex.align.Aligner;
import apodex.align.MonoSound;
import apodex.align.Sighting;
import apodex.audio.PcmReader;
import apodex.intake.Seat.Use;
import apodex.session.Recording;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Looks for every file that says nothing of its place, in the mix that came with it. */
final class PlacesInTheMix {
    /** More are not looked for one by one: it would take longer than anybody waits. */
    private static final int MOST = 400;

    /** Longer ones are not looked for: what is kept of them to be held against each other would not fit into memory. */
    static final double LONGEST_SECONDS = 3_600;

    private final RecordingStore store;
    private final DropProgress progress;

    PlacesInTheMix(RecordingStore store, DropProgress progress) {
        this.store = store;
        this.progress = progress;
    }

    Intake of(Intake intake) throws IOException {
        IntakeFile reference = intake.reference().orElse(null);
        if (reference == null || reference.heard().peak() == 0 || reference.seconds() > LONGEST_SECONDS) {
            return intake;
        }
        List<IntakeFile> placeless = intake.sounds().stream()
                .filter(file -> file.seat().use() == Use.ROW
                        && file.seat().place().by() == Place.By.START
                        && file.heard().peak() > 0)
                .toList();
        List<IntakeFile> asked = placeless.stream()
                .filter(file -> file.seconds() <= LONGEST_SECONDS)
                .limit(MOST)
                .toList();
        progress.begin(DropProgress.Stage.PLACING, asked.size());
        int threads = Math.min(asked.size(), Runtime.getRuntime().availableProcessors());
        Sighting[] found = new Sighting[asked.size()];
        IntStream.range(0, threads).parallel().forEach(thread -> {
            try (PcmReader mix = store.open(reference.recording().sha256())) {
                Aligner aligner =
                        new Aligner(new MonoSound(mix, reference.recording().rate()));
                for (int i = thread; i < found.length; i += threads) {
                    progress.begin(asked.get(i).name());
                    found[i] = find(aligner, asked.get(i).recording());
                    progress.end();
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        double scale =
                (double) intake.rate().hertz() / reference.recording().rate().hertz();
        long at = reference.seat().place().frame();
        Map<String, Sighting> there = new HashMap<>();
        for (int i = 0; i < found.length; i++) {
            there.put(asked.get(i).id(), found[i].at(at + Math.round(found[i].frame() * scale)));
        }
        Intake told = asked.size() == placeless.size()
                ? intake
                : intake.remarking(
                        reference.name(),
                        "Of " + placeless.size() + " files that say nothing of their place " + asked.size()
                                + " were looked for in it: " + MOST
                                + " at the most, and none that lasts longer than an hour.");
        return told.withFiles(intake.files().stream()
                .map(file -> there.containsKey(file.id())
                        ? file.withSeat(
                                file.seat().withPlace(file.seat().place().with(there.get(file.id()))))
                        : file)
                .toList());
    }

    private Sighting find(Aligner aligner, Recording recording) throws IOException {
        try (PcmReader in = store.open(recording.sha256())) {
            return aligner.find(new MonoSound(in, recording.rate()));
        }
    }
}
