package apodex.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.SoundBytes;
import apodex.server.TestServer.Client;
import apodex.server.backup.BackupCommand;
import apodex.server.backup.RestoreCommand;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The whole house in one file, made while people work, and brought back into an empty folder. */
final class BackupTest {
    @TempDir
    Path folder;

    private String backup(Path data, Path file) {
        return Apodex.command(
                BackupCommand.class, context -> BackupCommand.run(context, file.toString()), "--apodex.data=" + data);
    }

    private String restore(Path data, Path file) {
        return Apodex.command(
                RestoreCommand.class, context -> RestoreCommand.run(context, file.toString()), "--apodex.data=" + data);
    }

    @Test
    void whatWasThereIsThereAgainAlsoWhenPeopleWorkedMeanwhile() throws Exception {
        Path data = folder.resolve("house");
        Path file = folder.resolve("house.tar");
        byte[] sound = SoundBytes.mono24(11, 22, 33, -44);
        String session;
        String run;
        String link;
        byte[] parcel;
        JsonNode state;
        AtomicBoolean goOn = new AtomicBoolean(true);
        try (TestServer server = TestServer.start(data)) {
            Client client = server.client();
            session = client.bringIn("Low Tide Waltz", "Tuba.wav", sound)
                    .json()
                    .get("id")
                    .asText();
            run = client.run(client.handoff(session));
            client.await(run);
            link = client.post("/api/runs/" + run + "/pickups", "{\"days\": 3, \"passPhrase\": \"six herrings\"}")
                    .json()
                    .get("path")
                    .asText();
            parcel = client.get("/api/runs/" + run + "/parcel").whole().body();
            state = client.get("/api/sessions/" + session).json();
            CompletableFuture<Integer> others = CompletableFuture.supplyAsync(() -> {
                int made = 0;
                while (goOn.get()) {
                    try {
                        client.bringIn("Meanwhile " + made, "Bell.wav", SoundBytes.mono24(made, 1, made, 2));
                        made++;
                    } catch (Exception e) {
                        throw new AssertionError(e);
                    }
                }
                return made;
            });
            assertThat(backup(data, file)).contains("MB");
            goOn.set(false);
            assertThat(others.get()).isPositive();
            assertThatThrownBy(() -> backup(data, file)).hasMessageContaining("is there already");
        }
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                .isEqualTo("rw-------");
        Path empty = folder.resolve("another");
        assertThat(restore(empty, file)).contains("All is back");
        try (TestServer server = TestServer.start(empty)) {
            Client client = server.client();
            assertThat(client.get("/api/sessions/" + session).json()).isEqualTo(state);
            assertThat(client.get("/api/runs/" + run + "/parcel").whole().body())
                    .isEqualTo(parcel);
            assertThat(client.get("/api" + link).json().get("locked").asBoolean())
                    .as("the link is good, with the key of the house")
                    .isTrue();
            assertThat(client.post("/api" + link + "/unlock", "{\"passPhrase\": \"six herrings\"}")
                            .status())
                    .isEqualTo(204);
            assertThat(client.get("/api/runs/" + run + "/pickups").json().findValuesAsText("path"))
                    .containsExactly(link);
            for (JsonNode each : client.get("/api/sessions").json().get("sessions")) {
                String id = each.get("id").asText();
                assertThat(client.get("/api/sessions/" + id + "/sound?from=0&to=4")
                                .status())
                        .as("whatever is on the shelf sounds: " + each.get("title"))
                        .isEqualTo(200);
            }
            assertThatThrownBy(() -> restore(empty, file)).hasMessageContaining("not empty");
        }
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(empty.resolve("house.key"))))
                .isEqualTo("rw-------");
        Files.delete(empty.resolve("house.key"));
        try (TestServer server = TestServer.start(empty)) {
            Client client = server.client();
            assertThat(client.get("/api/runs/" + run + "/pickups").json().findValuesAsText("path"))
                    .as("without the key nobody is told the link again")
                    .containsExactly("");
            assertThat(client.post("/api" + link + "/unlock", "{\"passPhrase\": \"six herrings\"}")
                            .status())
                    .as("whoever has it is let in")
                    .isEqualTo(204);
        }
        assertThatThrownBy(() -> restore(folder.resolve("third"), Files.writeString(folder.resolve("no.tar"), "no")))
                .isInstanceOf(CannotStart.class);
    }
}
