package apodex.demo;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.NoteFile;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Print;
import apodex.intake.RecordingStore;
import apodex.session.Session;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every brief that comes with Apodex, file by file. The table was written by hand from the song's routing: a row has a letter
 * for each file that the brief asks for, r(aw), s(haped), i(nserts), f(ader), b(us), m(ix), and r once for every take.
 */
final class BriefPlansTest {
    private static final String TABLE =
            """
            01 Rhythm bus                        | -  | b | m | ribm
            02 HandPerc_close                    | r  | - | - | rifbm
            03 Hand Perc OH                      | r  | - | - | rfbm
            04 frame drum CLIPS-                 | r  | - | - | rfbm
            05 Little kit                        | r  | - | - | rfbm
            06 Kick                              | r  | - | - | rfbm
            07 Snare                             | r  | - | - | rfbm
            08 Kit room                          | r  | - | - | rfbm
            09 Tuba                              | r  | - | - | rifbm
            10 Rhythm squash                     | -  | - | - | rifm
            11 Band bus                          | -  | b | m | rifm
            12 Dulcimer                          | r  | - | - | rfbm
            13 Dulcimer pickup                   | r  | - | - | rifbm
            14 Accordion L                       | r  | - | - | rfbm
            15 Accordion R                       | r  | - | - | rfbm
            16 bari ribbon preC take4 FINAL      | rs | - | - | rsifbm
            17 Harbour bell                      | r  | - | - | rfbm
            18 Fog                               | r  | - | - | rfbm
            19 Voices bus                        | -  | b | m | rifm
            20 LD VOX comp_03                    | rs | - | - | rrrsifbm
            21 Choir Alto                        | r  | - | - | rfbm
            22 Choir Tenor                       | rs | - | - | rsfbm
            23 Audio 13                          | r  | - | - | rfbm
            24 Room                              | r  | f | m | rfm
            25 Waves (field recording)           | r  | f | m | rfm
            26 spare mic                         | r  | - | - | rf
            27 clk                               | r  | - | - | rf
            28 Audio 18                          | -  | - | - | -
            29 Choir Tenor copy                  | r  | - | - | r
            30 Hall                              | -  | - | - | ifm
            31 Echo                              | -  | - | - | ifm
            32 Plate (old)                       | -  | - | - | -
            00 Mix                               | f  | f | f | rf
            """;

    @TempDir
    private static Path folder;

    private static RecordingStore store;
    private static Session session;

    @BeforeAll
    static void record() throws Exception {
        store = new RecordingStore(folder.resolve("store"));
        session = LowTideWaltz.record(store, Files.createDirectories(folder.resolve("work")));
    }

    private static Plan plan(int brief) throws Exception {
        return Planner.plan(session, Handoff.named("x").with(Brief.BUILT_IN.get(brief)), store);
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource({"0,For mixing,28", "1,For overdubs,7", "2,Groups,6", "3,Archive,121"})
    void asksForTheFilesOfTheTable(int brief, String name, int files) throws Exception {
        Plan plan = plan(brief);
        assertThat(Brief.BUILT_IN.get(brief).name()).isEqualTo(name);
        List<String> rows = TABLE.lines().toList();
        for (String line : rows) {
            String[] cells = line.split("\\|");
            String row = cells[0].substring(3).strip();
            String planned = plan.rows().stream()
                    .filter(each -> each.name().replace("??", "-").equals(row))
                    .findFirst()
                    .orElseThrow()
                    .row();
            StringBuilder letters = new StringBuilder();
            plan.prints().stream()
                    .filter(print -> print.row().equals(planned))
                    .forEach(print ->
                            letters.append(print.station().label().toLowerCase().charAt(0)));
            assertThat(letters.isEmpty() ? "-" : letters.toString())
                    .as("%s: %s", name, row)
                    .isEqualTo(cells[brief + 1].strip());
        }
        assertThat(rows).hasSize(plan.rows().size());
        assertThat(plan.prints()).hasSize(files);
        assertThat(plan.prints()).extracting(Print::path).doesNotHaveDuplicates();
    }

    @Test
    void bringsWithThemWhatTheyAreFor() throws Exception {
        Plan overdubs = plan(1);
        assertThat(overdubs.prints().get(0).path()).isEqualTo("Guide/00_Click.wav");
        assertThat(overdubs.passage().leadInFrames())
                .as("two bars of 3/4 at 96: 3.75 s")
                .isEqualTo(180_000);
        assertThat(plan(0).notes())
                .extracting(NoteFile::path)
                .containsExactly(
                        "MIDI/05_Little kit.mid",
                        "MIDI/17_Harbour bell.mid",
                        "MIDI/18_Fog.mid",
                        "MIDI/00_All notes.mid");
        assertThat(plan(3).document()).isTrue();
        assertThat(plan(2).prints())
                .extracting(Print::path)
                .containsExactly(
                        "Groups/01_Rhythm bus.wav",
                        "Groups/11_Band bus.wav",
                        "Groups/19_Voices bus.wav",
                        "Wet/24_Room_via Mix.wav",
                        "Wet/25_Waves (field recording)_via Mix.wav",
                        "Reference/00_Reference Mix.wav");
    }
}
