package apodex.session;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Anything that carries signal and can be printed. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = AudioRow.class, name = "audio"),
    @JsonSubTypes.Type(value = InstrumentRow.class, name = "instrument"),
    @JsonSubTypes.Type(value = PartRow.class, name = "part"),
    @JsonSubTypes.Type(value = BusRow.class, name = "bus"),
    @JsonSubTypes.Type(value = ReturnRow.class, name = "return"),
    @JsonSubTypes.Type(value = MixRow.class, name = "mix")
})
public sealed interface Row permits AudioRow, InstrumentRow, PartRow, BusRow, ReturnRow, MixRow {
    /** Stays the same for the row's whole life. */
    String id();

    String name();

    /** What kind of row it is. */
    RowKind kind();

    /** What happens to its signal on its way out. */
    Strip strip();

    /** What it is in the music, and what else people should know of it. */
    About about();

    /** Clips that are heard on it: those of the active take that are not muted. Only audio rows have any. */
    default List<Clip> clips() {
        return List.of();
    }

    /** Clips that are heard at one station of it or another. */
    default List<Clip> heardClips() {
        return Stream.concat(clips().stream(), strip().brought().stream().flatMap(each -> each.clips().stream()))
                .toList();
    }

    /** Every clip it holds: those of all takes, heard or not, and what was rendered elsewhere for it. */
    default List<Clip> allClips() {
        return strip().brought().stream()
                .flatMap(brought -> brought.clips().stream())
                .toList();
    }

    /** The same row with each of its lists of clips changed: that of every take, and of everything rendered elsewhere. */
    default Row withAllClips(UnaryOperator<List<Clip>> change) {
        return withStrip(strip().withBrought(strip().brought().stream()
                .map(brought -> new Brought(brought.station(), change.apply(brought.clips())))
                .filter(brought -> !brought.clips().isEmpty())
                .toList()));
    }

    /** The clips that make a station's sound by being placed and nothing else; empty where effects, notes or sums make it. */
    default Optional<List<Clip>> placedAt(Station station) {
        return strip().broughtAt(station);
    }

    /** What is played on it; empty when its sound is not made of notes. */
    default Optional<Playing> playing(Session session) {
        return Optional.empty();
    }

    Row withName(String name);

    Row withStrip(Strip strip);

    Row withAbout(About about);
}
