package apodex.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import com.fasterxml.jackson.databind.JsonNode;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Working on the demo song: rows, takes, the ruler, listening; and bringing in what other programs lay out. */
final class SessionViewTest extends InTheBrowser {
    private static final int ROW = 37;
    private static final int LANE = 26;

    SessionViewTest() {
        super("--apodex.demo=true");
    }

    @BeforeEach
    void openTheDemoSong() {
        go("/s/low-tide-waltz");
        page.getByLabel("Timeline").locator("canvas").waitFor();
    }

    @AfterEach
    void undoAll() {
        Locator undo = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"));
        while (undo.count() > 0 && undo.isEnabled()) {
            page.waitForResponse("**/undo", undo::click);
            page.waitForTimeout(100);
        }
    }

    private JsonNode session() throws Exception {
        return server.client().get("/api/sessions/low-tide-waltz").json().get("session");
    }

    private JsonNode row(String id) throws Exception {
        for (JsonNode row : session().get("rows")) {
            if (row.get("id").asText().equals(id)) {
                return row;
            }
        }
        throw new AssertionError("no row " + id);
    }

    private int place(String id) throws Exception {
        int at = 0;
        for (JsonNode row : session().get("rows")) {
            if (row.get("id").asText().equals(id)) {
                return at;
            }
            at++;
        }
        return -1;
    }

    @Test
    void rowsAreDraggedDuplicatedMutedAndRemoved() throws Exception {
        page.waitForResponse(
                "**/edits", () -> page.locator("button[data-row=r1]").dragTo(page.locator("button[data-row=r5]")));
        assertThat(place("r1")).isEqualTo(place("r5") - 1);
        page.locator("button[data-row=r3]").click();
        page.waitForResponse("**/edits", () -> page.keyboard().press("Alt+ArrowUp"));
        page.waitForResponse("**/edits", () -> page.getByLabel("Selected row and song")
                .getByText("Duplicate")
                .click());
        assertThat(page.getByLabel("Rows")).containsText("frame drum CLIPS?? 2");
        page.locator("button[data-row=r3]").click();
        page.waitForResponse(
                "**/edits",
                () -> page.getByLabel("Mute frame drum CLIPS??").first().click());
        assertThat(row("r3").get("strip").get("muted").asBoolean()).isTrue();
        page.waitForResponse("**/edits", () -> page.getByLabel("Selected row and song")
                .getByText("Remove", new Locator.GetByTextOptions().setExact(true))
                .first()
                .click());
        assertThat(page.locator("button[data-row=r3]")).hasCount(0);
    }

    @Test
    void aTakeIsAssembledByDraggingAcrossLanes() throws Exception {
        page.getByLabel("Takes of LD VOX comp_03").click();
        page.locator("button[data-row=r10]").evaluate("row => row.scrollIntoView({block: 'center'})");
        page.waitForTimeout(400);
        BoundingBox head = page.locator("button[data-row=r10]").boundingBox();
        BoundingBox canvas = page.getByLabel("Timeline").locator("canvas").boundingBox();
        double perSecond = (canvas.width - 16) / 74.4;
        double lane = head.y + ROW + LANE / 2.0; // the first take
        // bar 10 starts at 16.875 s: three beats of 0.625 s a bar
        page.mouse().move(canvas.x + 16.9 * perSecond, lane);
        page.mouse().down();
        page.mouse()
                .move(canvas.x + 18.0 * perSecond, lane, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        page.waitForResponse("**/edits", () -> {
            page.mouse()
                    .move(
                            canvas.x + 18.76 * perSecond,
                            lane,
                            new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
            page.mouse().up();
        });
        JsonNode takes = row("r10").get("takes");
        assertThat(takes).hasSize(4);
        assertThat(takes.get(3).get("name").asText()).isEqualTo("Assembled");
        assertThat(row("r10").get("active").asText()).isEqualTo("t4");
        String first = takes.get(0).get("clips").get(0).get("recording").asText();
        JsonNode taken = null;
        for (JsonNode clip : takes.get(3).get("clips")) {
            taken = clip.get("recording").asText().equals(first) ? clip : taken;
        }
        assertThat(taken).isNotNull();
        assertThat(taken.get("position").asLong()).as("snapped to the beat").isEqualTo(810_000);
        assertThat(taken.get("frames").asLong()).isEqualTo(90_000);
    }

    @Test
    void markersTempoAndMeterStandOnTheRuler() throws Exception {
        BoundingBox canvas = page.getByLabel("Timeline").locator("canvas").boundingBox();
        double perSecond = (canvas.width - 16) / 74.4;
        page.mouse().click(canvas.x + 15.1 * perSecond, canvas.y + 40);
        Locator side = page.getByLabel("Selected row and song");
        assertThat(side).containsText("bar 9:");
        page.waitForResponse("**/edits", () -> side.getByText("+ Marker").click());
        assertThat(session().get("markers").get(5).get("frame").asLong()).isEqualTo(720_000);
        page.waitForResponse("**/edits", () -> side.getByText("+ Meter").click());
        assertThat(session().get("song").get("meterChanges").get(0).get("bar").asInt())
                .isEqualTo(9);
        page.waitForResponse("**/edits", () -> side.getByText("+ Tempo").click());
        assertThat(session()
                        .get("song")
                        .get("tempoChanges")
                        .get(0)
                        .get("quarter")
                        .asDouble())
                .isEqualTo(24);
        // the flag of bar 5 goes to bar 7
        page.mouse().move(canvas.x + 7.5 * perSecond + 8, canvas.y + 10);
        page.mouse().down();
        page.waitForResponse("**/edits", () -> {
            page.mouse()
                    .move(
                            canvas.x + 11.2 * perSecond,
                            canvas.y + 10,
                            new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
            page.mouse().up();
        });
        boolean moved = false;
        for (JsonNode marker : session().get("markers")) {
            moved |= marker.get("name").asText().equals("Verse")
                    && marker.get("frame").asLong() == 540_000;
        }
        assertThat(moved).isTrue();
    }

    @Test
    void listensFromAnyBarRoundALoopAndShowsTheLevel() {
        BoundingBox canvas = page.getByLabel("Timeline").locator("canvas").boundingBox();
        double perSecond = (canvas.width - 16) / 74.4;
        page.mouse().click(canvas.x + 46 * perSecond, canvas.y + 45);
        page.keyboard().press("Space");
        Locator time = page.locator(".time");
        page.waitForFunction(
                "() => { const f = document.querySelector('.figure').innerText; return f !== '–' && document.querySelector('.listen').innerText.includes('Stop'); }");
        page.mouse().move(canvas.x + 10, canvas.y + canvas.height + 200);
        page.waitForFunction(
                "() => { const [m, s] = document.querySelector('.time').innerText.split(':').map(Number); return m * 60 + s > 46.5 && m * 60 + s < 60; }");
        page.mouse().move(canvas.x + 20 * perSecond, canvas.y + 45);
        page.mouse().down();
        page.mouse()
                .move(
                        canvas.x + 20.8 * perSecond,
                        canvas.y + 45,
                        new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(page.getByText("loop ×")).isVisible();
        page.mouse().move(canvas.x + 10, canvas.y + canvas.height + 200);
        page.waitForTimeout(2_500);
        String[] parts = time.innerText().split("[: ]");
        assertThat(60 * Double.parseDouble(parts[0]) + Double.parseDouble(parts[1]))
                .as("still inside the loop")
                .isBetween(19.5, 21.5);
        page.keyboard().press("Space");
        assertThat(page.locator(".listen")).containsText("Listen");
    }

    @Test
    void severalRowsAreChangedAtOnce() throws Exception {
        page.locator("button[data-row=r11]").click();
        page.locator("button[data-row=r13]")
                .click(new Locator.ClickOptions()
                        .setModifiers(java.util.List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        Locator side = page.getByLabel("Selected row and song");
        assertThat(side).containsText("3 ROWS CHOSEN");
        page.waitForResponse("**/edits", () -> side.getByLabel("Role of all").selectOption("voices"));
        page.waitForResponse(
                "**/edits", () -> side.getByLabel("Add an insert to all").selectOption("bell"));
        for (String id : new String[] {"r11", "r12", "r13"}) {
            assertThat(row(id).get("about").get("role").asText()).isEqualTo("voices");
            assertThat(row(id).get("strip").get("inserts").findValuesAsText("effect"))
                    .contains("bell");
        }
    }

    @Test
    void listsNotesAndSoundsComeInTogether() throws Exception {
        page.navigate(server.client().uri("/").toString());
        String list =
                "row,file,position,length\nTuba,tuba.wav,1 s,0.5 s\nTuba,tuba.wav,never,\nLost,lost.wav,0,48000\n";
        page.getByTestId("files").setInputFiles(new FilePayload[] {
            new FilePayload("clips.csv", "text/csv", list.getBytes(StandardCharsets.UTF_8)),
            new FilePayload("tuba.wav", "audio/wav", SoundBytes.mono24(new int[48_000])),
            new FilePayload(
                    "notes.mid",
                    "audio/midi",
                    java.util.HexFormat.of()
                            .parseHex(
                                    "4d546864000000060001000100604d54726b0000001300ff510307a12000903c4060803c0000ff2f00"))
        });
        Locator arrivals = page.getByLabel("Questions", new Page.GetByLabelOptions().setExact(true));
        assertThat(arrivals).containsText("Line 3: “never” is no place in time.");
        assertThat(arrivals).containsText("lost.wav");
        page.getByText("Make the session").click();
        assertThat(page.getByLabel("Rows").getByRole(AriaRole.LISTITEM)).hasCount(4);
        assertThat(page.locator(".facts")).containsText("♩ 120");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("2 Prepare")))
                .containsText("1 stops");
        page.getByText("+ Add").click();
        com.microsoft.playwright.FileChooser chooser = page.waitForFileChooser(
                () -> page.getByText("Recordings or files…").click());
        chooser.setFiles(new FilePayload(
                "LOST.wav",
                "audio/wav",
                SoundBytes.riff()
                        .format(1, 2, 48_000, 24)
                        .chunk("data", new byte[6 * 48_000])
                        .wave()));
        assertThat(page.getByText("was missing and is here now")).isVisible();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("2 Prepare")))
                .not()
                .containsText("stops");
    }
}
