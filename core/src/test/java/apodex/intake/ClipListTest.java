package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Session;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

final class ClipListTest {
    @TempDir
    private Path folder;

    private SessionFromDrop.Result drop(byte[] list, String... recordings) throws IOException {
        Path work = Files.createTempDirectory(folder, "work");
        Drop drop = new Drop(work);
        drop.add("clips.csv", Files.write(Files.createTempFile(work, "a", ""), list));
        for (String name : recordings) {
            drop.add(name, Files.write(Files.createTempFile(work, "a", ""), SoundBytes.mono24(new int[96_000])));
        }
        return new SessionFromDrop(new RecordingStore(Files.createTempDirectory(folder, "store")))
                .make(drop, "Waltz", LocalDate.of(2026, 6, 1));
    }

    private static List<Clip> clips(Session session, String row) {
        return session.audioRows().stream()
                .filter(each -> each.name().equals(row))
                .findFirst()
                .orElseThrow()
                .clips();
    }

    @Test
    void clipsLieWhereTheListSays() throws IOException {
        SessionFromDrop.Result result = drop(
                """
                Row,Take,File,Position,Offset,Length,Gain,Fade in,Fade out
                Tuba,1,tuba.wav,48000,1000,24000,-3.5,480,960
                Tuba,1,takes/tuba.WAV,0:02.000,,,,,
                Tuba,2,tuba,96000,,1 s,,,
                "Harp, small",,harp.wav,bar 3,0,0.5 s,,10 ms,
                """
                        .getBytes(StandardCharsets.UTF_8),
                "tuba.wav",
                "harp.wav",
                "loose.wav");
        Session session = result.session().orElseThrow();
        assertThat(result.remarks()).isEmpty();
        assertThat(result.missing()).isEmpty();
        assertThat(session.rows()).extracting(row -> row.name()).containsExactly("Tuba", "Harp, small", "loose", "Mix");
        assertThat(clips(session, "Tuba"))
                .extracting(
                        Clip::position,
                        Clip::offset,
                        Clip::frames,
                        Clip::gainDb,
                        clip -> clip.fadeIn().frames(),
                        clip -> clip.fadeOut().frames())
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(48_000L, 1_000L, 24_000L, -3.5, 480L, 960L),
                        org.assertj.core.groups.Tuple.tuple(96_000L, 0L, 96_000L, 0.0, 0L, 0L));
        assertThat(((AudioRow) session.rows().get(0)).takes())
                .extracting(take -> take.name() + " " + take.clips().size())
                .containsExactly("Take 1 2", "Take 2 1");
        assertThat(clips(session, "Harp, small").get(0).position())
                .as("two bars of 4/4 at 120")
                .isEqualTo(4 * 48_000L);
        assertThat(clips(session, "Harp, small").get(0).fadeIn().frames()).isEqualTo(480);
    }

    @ParameterizedTest
    @CsvSource({"UTF-16,false", "UTF-8,false", "UTF-8,true", "windows-1252,false"})
    void otherEncodingsAndDecimalCommas(String charset, boolean mark) throws IOException {
        String list = (mark ? "\uFEFF" : "")
                + "row;file;position (seconds);gain\r\nGrößte;tuba.wav;1,5;−2,25 dB\r\n"
                        .replace("−", charset.startsWith("w") ? "-" : "−");
        Session session = drop(list.getBytes(Charset.forName(charset)), "tuba.wav")
                .session()
                .orElseThrow();
        Clip clip = clips(session, "Größte").get(0);
        assertThat(clip.position()).isEqualTo(72_000);
        assertThat(clip.gainDb()).isEqualTo(-2.25);
    }

    @Test
    void linesThatMakeNoSenseAreNamedAndTheOthersComeIn() throws IOException {
        SessionFromDrop.Result result = drop(
                """
                row,file,position,length,colour
                Tuba,tuba.wav,soon,,red
                ,tuba.wav,0,,
                Tuba,,0,,
                Tuba,tuba.wav,0,-5,
                Tuba,tuba.wav,-480,48000,
                Tuba,lost.wav,0,48000,
                Tuba,tuba.wav,48000,1000000,
                Tuba,tuba.wav,99999999999999999999,5,
                """
                        .getBytes(StandardCharsets.UTF_8),
                "tuba.wav");
        Session session = result.session().orElseThrow();
        assertThat(clips(session, "Tuba"))
                .extracting(Clip::position, Clip::offset, Clip::frames)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(0L, 480L, 47_520L),
                        org.assertj.core.groups.Tuple.tuple(0L, 0L, 48_000L),
                        org.assertj.core.groups.Tuple.tuple(48_000L, 0L, 96_000L));
        assertThat(result.remarks())
                .extracting(Refusal::reason)
                .anyMatch(words -> words.startsWith("Line 2:") && words.contains("“soon”"))
                .anyMatch(words -> words.startsWith("Line 3:") && words.contains("no row"))
                .anyMatch(words -> words.startsWith("Line 4:") && words.contains("no file"))
                .anyMatch(words -> words.startsWith("Line 5:") && words.contains("length"))
                .anyMatch(words -> words.startsWith("Line 9:") && words.contains("beyond any session"))
                .anyMatch(words -> words.contains("“colour”"))
                .anyMatch(words -> words.contains("480 samples before"))
                .anyMatch(words -> words.contains("longer than its recording"));
        assertThat(result.missing()).containsExactly("lost.wav");
    }
}
