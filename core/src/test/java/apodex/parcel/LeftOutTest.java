package apodex.parcel;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.session.AudioRow;
import apodex.session.Brought;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Song;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Returns;
import apodex.time.SampleRate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What the sheet says is not in a row's file, station by station. */
class LeftOutTest {
    private static final Strip STRIP = Strip.PLAIN
            .withFader(-4.5, -30)
            .withSends(List.of(new Send("hall", -9, null)))
            .withInserts(List.of(
                    Insert.of("lowCut", Map.of("hertz", 80.0)).keep(),
                    Insert.of("compressor", Map.of("ratio", 2.5)),
                    new Insert("Magic", Map.of(), null, false, true, "glow at 3"),
                    new Insert("gain", Map.of("gainDb", -3.0), null, false, false)));

    private static String left(Strip strip, Returns returns, Station taken) {
        Row row = new AudioRow("a", "Alto", List.of(), strip);
        Session session = new Session(
                Song.titled("x"),
                new SampleRate(48_000),
                0,
                "2026-01-01",
                List.of(),
                List.of(row, new ReturnRow("hall", "Hall", Strip.PLAIN), MixRow.DEFAULT));
        return String.join("; ", LeftOut.of(session, row, taken, returns));
    }

    @Test
    void everyStationTakesMoreIn() {
        assertThat(left(STRIP, Returns.OWN_FILES, Station.RAW))
                .contains(
                        "Low cut; Compressor;",
                        "Magic (glow at 3), which cannot be made here",
                        "fader at −4.5 dB",
                        "pan 30 left",
                        "a send of −9.0 dB to Hall")
                .as("what is switched off was never heard")
                .doesNotContain("Gain");
        assertThat(left(STRIP, Returns.OWN_FILES, Station.SHAPED))
                .doesNotContain("Low cut")
                .contains("Compressor", "fader at");
        assertThat(left(STRIP, Returns.OWN_FILES, Station.INSERTS))
                .doesNotContain("Compressor")
                .as("no file holds what cannot be made here")
                .contains("Magic (glow at 3)", "fader at");
        assertThat(left(STRIP, Returns.OWN_FILES, Station.FADER))
                .isEqualTo("Magic (glow at 3), which cannot be made here; a send of −9.0 dB to Hall");
    }

    @Test
    void whatWasRenderedElsewhereHoldsAllBeforeIt() {
        Clip clip = new Clip("aa", 0, 1, 0, 0, 10, 0, 0, 0);
        Strip shaped = STRIP.withBrought(List.of(new Brought(Station.SHAPED, List.of(clip))));
        assertThat(left(shaped, Returns.OWN_FILES, Station.RAW)).contains("Low cut", "Magic");
        assertThat(left(shaped, Returns.OWN_FILES, Station.SHAPED))
                .doesNotContain("Low cut")
                .contains("Compressor", "Magic");
        Strip inserts = STRIP.withBrought(List.of(new Brought(Station.INSERTS, List.of(clip))));
        assertThat(left(inserts, Returns.OWN_FILES, Station.SHAPED)).contains("Compressor", "Magic");
        assertThat(left(inserts, Returns.OWN_FILES, Station.INSERTS)).startsWith("fader at");
    }

    @Test
    void aSharedReturnIsInTheFilesThatGoThroughIt() {
        assertThat(left(STRIP, Returns.SHARED_OUT, Station.BUS)).doesNotContain("a send of");
        assertThat(left(STRIP, Returns.SHARED_OUT, Station.FADER))
                .as("its share comes after the fader's file")
                .contains("a send of");
        assertThat(left(STRIP, Returns.LEFT_OUT, Station.MIX)).contains("a send of");
    }

    @Test
    void movesAndMutesAreSaid() {
        Strip moved = Strip.PLAIN
                .withFader(-3, 0)
                .withMoves(List.of(new Move(0, -3), new Move(9, 0)), List.of(new Move(0, 10)))
                .withMuteAndSolo(true, true);
        assertThat(left(moved, Returns.OWN_FILES, Station.RAW))
                .isEqualTo("fader moves (2 points); pan moves (1 point); it is muted in the mix");
        assertThat(left(Strip.PLAIN, Returns.OWN_FILES, Station.RAW)).isEmpty();
        Strip echo = Strip.PLAIN.withInserts(List.of(Insert.of("delay", Map.of("noteQuarters", 1.0))));
        assertThat(left(echo, Returns.OWN_FILES, Station.RAW)).isEqualTo("Delay");
    }
}
