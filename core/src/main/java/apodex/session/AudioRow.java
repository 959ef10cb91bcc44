package apodex.session;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * A track with clips on it.
 *
 * @param takes  one at least
 * @param active id of the take that is heard
 */
public record AudioRow(String id, String name, List<Take> takes, String active, Strip strip, About about)
        implements Row {
    private static final String FIRST_TAKE = "t1";

    public AudioRow {
        about = about == null ? About.NOTHING : about;
        takes = List.copyOf(takes);
    }

    /** One that nobody has said anything about. */
    public AudioRow(String id, String name, List<Take> takes, String active, Strip strip) {
        this(id, name, takes, active, strip, About.NOTHING);
    }

    /** A row of one take, straight to the mix. */
    public AudioRow(String id, String name, List<Clip> clips) {
        this(id, name, clips, Strip.PLAIN);
    }

    /** A row of one take. */
    public AudioRow(String id, String name, List<Clip> clips, Strip strip) {
        this(id, name, List.of(new Take(FIRST_TAKE, "Take 1", clips)), FIRST_TAKE, strip);
    }

    /** The take that is heard. */
    @JsonIgnore
    public Take activeTake() {
        return takes.stream()
                .filter(take -> take.id().equals(active))
                .findFirst()
                .orElseThrow();
    }

    @Override
    @JsonIgnore
    public List<Clip> clips() {
        return takes.stream()
                .filter(take -> take.id().equals(active))
                .flatMap(take -> take.clips().stream())
                .filter(clip -> !clip.muted())
                .toList();
    }

    @Override
    public List<Clip> allClips() {
        return Stream.concat(takes.stream().flatMap(take -> take.clips().stream()), Row.super.allClips().stream())
                .toList();
    }

    @Override
    public AudioRow withAllClips(UnaryOperator<List<Clip>> change) {
        List<Take> changed = takes.stream()
                .map(take -> new Take(take.id(), take.name(), change.apply(take.clips())))
                .toList();
        return ((AudioRow) Row.super.withAllClips(change)).withTakes(changed, active);
    }

    @Override
    public Optional<List<Clip>> placedAt(Station station) {
        return station == Station.RAW ? Optional.of(clips()) : Row.super.placedAt(station);
    }

    @Override
    public RowKind kind() {
        return RowKind.AUDIO;
    }

    @Override
    public AudioRow withName(String newName) {
        return new AudioRow(id, newName, takes, active, strip, about);
    }

    @Override
    public AudioRow withStrip(Strip newStrip) {
        return new AudioRow(id, name, takes, active, newStrip, about);
    }

    /** With other takes, one of which is heard. */
    public AudioRow withTakes(List<Take> newTakes, String newActive) {
        return new AudioRow(id, name, newTakes, newActive, strip, about);
    }

    /** The frame after the last sound; 0 for an empty row. */
    public long endFrame() {
        return clips().stream().mapToLong(clip -> clip.range().end()).max().orElse(0);
    }

    @Override
    public AudioRow withAbout(About newAbout) {
        return new AudioRow(id, name, takes, active, strip, newAbout);
    }
}
