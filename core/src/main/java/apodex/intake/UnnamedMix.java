package apodex.intake;

import apodex.align.AddsUp;
import apodex.align.MonoSound;
import apodex.align.SumAmong;
import apodex.audio.PcmReader;
import apodex.intake.Seat.Use;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.stream.IntStream;

/** Looks for a mix among the files where none was called one: what the others add up to. */
final class UnnamedMix {
    private final RecordingStore store;

    UnnamedMix(RecordingStore store) {
        this.store = store;
    }

    Intake of(Intake intake) throws IOException {
        List<IntakeFile> heard = intake.sounds().stream()
                .filter(file -> file.seat().use() == Use.ROW
                        && file.seat().place().by() != Place.By.LIST
                        && file.heard().peak() > 0)
                .toList();
        double all = heard.stream().mapToDouble(IntakeFile::seconds).sum();
        boolean possible = heard.size() > 2
                && heard.size() <= SumAmong.MOST
                && all <= AddsUp.MOST_SECONDS
                && heard.stream().allMatch(file -> file.seconds() <= PlacesInTheMix.LONGEST_SECONDS);
        if (intake.reference().isPresent() || !possible) {
            return intake;
        }
        SumAmong among = new SumAmong();
        IntStream.range(0, heard.size()).parallel().forEach(i -> {
            IntakeFile file = heard.get(i);
            try (PcmReader in = store.open(file.recording().sha256())) {
                MonoSound sound = new MonoSound(in, file.recording().rate());
                among.add(i, sound, intake.rate().seconds(file.seat().place().frame()));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        return among.find()
                .map(found -> intake.withSum(new SumOfOthers(
                        heard.get(found.sound()).id(),
                        found.parts().stream().map(part -> heard.get(part).id()).toList(),
                        found.explained())))
                .orElse(intake);
    }
}
