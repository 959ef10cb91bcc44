package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.intake.Seat.Side;
import apodex.intake.Seat.Use;
import apodex.parcel.Manifest;
import apodex.session.Role;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Manifests written by hand after the schemas, of both forms. */
class ManifestSeatsTest {
    private static final SampleRate RATE = new SampleRate(48_000);

    @TempDir
    private Path folder;

    private static String entry(
            String path, String section, String row, String station, int channels, String placed, String more) {
        return String.format(
                "{\"path\": \"%s\", \"section\": \"%s\", \"row\": \"%s\", \"station\": \"%s\", \"rate\": 48000, \"depth\": \"24-bit\","
                        + " \"channels\": %d, \"frames\": 100, \"placed\": \"%s\", \"trimDb\": 0, \"peakDbfs\": null,"
                        + " \"truePeakDbtp\": null, \"loudnessLufs\": null, \"bytes\": 1, \"sha256\": \"%064d\"%s}",
                path, section, row, station, channels, placed, 0, more);
    }

    private List<Seat> seats(int form, String... entries) throws IOException {
        String json = "{\"manifest\": " + form
                + ", \"song\": \"Low Tide Waltz\", \"artist\": \"\", \"receiver\": \"x\", \"brief\": \"y\","
                + " \"version\": \"1\", \"tempo\": null, \"meter\": null, \"key\": null, \"tempoChanges\": [], \"meterChanges\": [],"
                + " \"markers\": [], \"sections\": ["
                + section("", 1_000_000, 0, 0) + "," + section("Bridge", 1_480_000, 12, 2)
                + "], \"files\": [" + String.join(",", entries) + "]}";
        Manifest manifest = Manifest.read(Files.writeString(folder.resolve("manifest.json"), json));
        ManifestSeats seats = new ManifestSeats(manifest, null);
        assertThat(seats.start()).isEqualTo(1_000_000);
        return manifest.files().stream().map(file -> seats.seat(file, RATE)).toList();
    }

    private static String section(String name, long reference, double starts, double leadIn) {
        return "{\"name\": \"" + name + "\", \"folder\": \"\", \"frames\": 100, \"startsSeconds\": " + starts
                + ", \"leadInSeconds\": " + leadIn + ", \"timeReference\": " + reference + "}";
    }

    @Test
    void theFirstFormComesBackWithItsMixSetApart() throws IOException {
        List<Seat> seats = seats(
                1,
                entry("Tracks/01_Tuba.wav", "", "Tuba", "Raw", 1, "middle", ""),
                entry("Reference/00_Reference Mix.wav", "", "Mix", "Fader", 2, "middle", ""));
        assertThat(seats).extracting(Seat::use).containsExactly(Use.ROW, Use.REFERENCE);
    }

    @Test
    void rolesBusesSidesSectionsAndTheDriestStation() throws IOException {
        String kit = ", \"role\": \"drums\", \"bus\": \"Kit\", \"note\": \"K39\", \"reference\": false";
        String plain = ", \"role\": \"other\", \"bus\": \"\", \"note\": \"\", \"reference\": false";
        List<Seat> seats = seats(
                2,
                entry("a L.wav", "", "Overhead", "Raw", 1, "left", kit),
                entry("a R.wav", "", "Overhead", "Raw", 1, "right", kit),
                entry("a wet.wav", "", "Overhead", "Inserts", 2, "middle", kit),
                entry("kit.wav", "", "Kit", "Fader", 2, "middle", plain),
                entry("b.wav", "Bridge", "Tuba", "Raw", 1, "middle", plain));
        assertThat(seats)
                .extracting(Seat::side)
                .containsExactly(Side.LEFT, Side.RIGHT, Side.WHOLE, Side.WHOLE, Side.WHOLE);
        assertThat(seats)
                .as("neither a second time wet, nor a third time in the bus")
                .extracting(Seat::use)
                .containsExactly(Use.ROW, Use.ROW, Use.LEFT_OUT, Use.LEFT_OUT, Use.ROW);
        assertThat(seats.get(0).role()).isEqualTo(Role.DRUMS);
        assertThat(seats.get(0).group()).isEqualTo("Kit");
        assertThat(seats.get(0).note()).isEqualTo("K39");
        assertThat(seats.get(4).place().frame()).isEqualTo(480_000);
    }
}
