package apodex.handoff;

import apodex.session.Session;
import apodex.signal.Recordings;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Prints files of a run once more, as they were, to hold others against them. */
public final class Reprint {
    private final Session session;
    private final Settings settings;
    private final Plan plan;
    private final Recordings recordings;
    private final int threads;

    /**
     * @param session as the handoff sees it
     * @param plan    as it came out
     */
    public Reprint(Session session, Settings settings, Plan plan, Recordings recordings, int threads) {
        this.session = session;
        this.settings = settings;
        this.plan = plan;
        this.recordings = recordings;
        this.threads = threads;
    }

    /**
     * Prints some of the plan's files. FLAC stays as the plain samples it was made from.
     *
     * @param folder where they go, under the paths they have in the plan
     * @throws IOException when a recording is no longer there, or a file cannot be written
     */
    public void print(List<Print> prints, Path folder, WalkObserver observer) throws IOException {
        for (Print print : prints) {
            Files.createDirectories(folder.resolve(print.path()).getParent());
        }
        for (int i = 0; i < plan.sections().size(); i++) {
            int index = i;
            PlannedSection section = plan.sections().get(i);
            List<Print> here =
                    prints.stream().filter(print -> print.section() == index).toList();
            List<Print> walked = here.stream().filter(print -> !print.isClick()).toList();
            if (!walked.isEmpty()) {
                List<Tap> taps = plan.taps(session, walked, folder, Print::path);
                new Walk(session, taps, section.passage(), plan.sharing(), recordings, threads)
                        .beside(List.of(), section.end(plan.rate(), session.rate()))
                        .print(observer);
            }
            for (Print click : here.stream().filter(Print::isClick).toList()) {
                click(click, section, folder);
            }
        }
    }

    private void click(Print click, PlannedSection section, Path folder) throws IOException {
        ClickTrack track = new ClickTrack(session, plan.rate());
        track.write(
                track.knocks(section.passage(), settings.count(), settings.click() != Click.NONE, section.frames()),
                section.frames(),
                plan.depth().sample(),
                plan.format().plain(),
                folder.resolve(click.path()),
                null,
                click.section());
    }
}
