package apodex.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Lets a stretch of a row come from another of its takes. What was heard before stays as a take of its own: the stretch goes
 * into an assembled take, which is made when the row is not hearing one yet.
 *
 * @param take id of the take the stretch comes from
 * @param from first frame of the stretch
 * @param to   the frame after its last
 */
public record UseTakeFor(String row, String take, long from, long to) implements SessionEdit {
    private static final String ASSEMBLED = "Assembled";

    @Override
    public Session change(Session session) {
        if (!(SessionEdit.row(session, row) instanceof AudioRow audio)) {
            throw new EditRefused("row", "Only audio rows have takes.");
        }
        Take source = take(audio, take);
        if (from < 0 || to <= from) {
            throw new EditRefused("to", "A stretch ends after it starts.");
        }
        if (take.equals(audio.active())) {
            return session;
        }
        Take heard = take(audio, audio.active());
        List<Clip> clips = new ArrayList<>();
        heard.clips().forEach(clip -> clips.addAll(ClipCuts.outside(clip, from, to)));
        source.clips().forEach(clip -> ClipCuts.inside(clip, from, to).ifPresent(clips::add));
        clips.sort(Comparator.comparingLong(Clip::position));
        boolean assembled = heard.name().startsWith(ASSEMBLED);
        String id = assembled ? heard.id() : freeId(audio);
        Take result = new Take(id, assembled ? heard.name() : ASSEMBLED, clips);
        List<Take> takes = new ArrayList<>(audio.takes());
        if (assembled) {
            takes.set(takes.indexOf(heard), result);
        } else {
            takes.add(result);
        }
        return session.withRow(row, each -> ((AudioRow) each).withTakes(takes, id));
    }

    private static Take take(AudioRow row, String id) {
        return row.takes().stream()
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new EditRefused(
                        "take", "“" + row.name() + "” has no take “" + NameRule.shown(String.valueOf(id)) + "”."));
    }

    private static String freeId(AudioRow row) {
        Set<String> ids = row.takes().stream().map(Take::id).collect(Collectors.toSet());
        int number = row.takes().size() + 1;
        while (ids.contains("t" + number)) {
            number++;
        }
        return "t" + number;
    }

    @Override
    public String describe(Session before) {
        String name = before.row(row)
                .filter(AudioRow.class::isInstance)
                .map(AudioRow.class::cast)
                .flatMap(audio -> audio.takes().stream()
                        .filter(each -> each.id().equals(take))
                        .findFirst())
                .map(Take::name)
                .orElse(take);
        return "Use “" + name + "” for a stretch of " + SessionEdit.named(before, row);
    }
}
