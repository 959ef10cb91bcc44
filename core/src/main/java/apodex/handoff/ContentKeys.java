package apodex.handoff;

import apodex.audio.Digests;
import apodex.effect.Effects;
import apodex.effect.Nature;
import apodex.instrument.Instrument;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Dynamics;
import apodex.signal.Ways;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectWriter;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Hashes of everything that printed files' bytes follow from: two prints of one key are the same file, so the second need not
 * be made. What is not certain not to matter counts as mattering. What a row itself adds is hashed once, however many files it
 * is in.
 */
public final class ContentKeys {
    /** Goes up whenever the same session would sound different, so that nothing from before is taken over. */
    private static final int SOUND_VERSION = 7;

    private static final ObjectWriter JSON = SessionDocument.JSON
            .copy()
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .writer();

    private final Session session;
    private final Plan plan;
    private final Settings settings;
    private final Ways ways;
    private final Map<String, Own> known = new HashMap<>();

    /** @param session as the handoff sees it */
    public ContentKeys(Session session, Plan plan, Settings settings) {
        this.session = session;
        this.plan = plan;
        this.settings = settings;
        this.ways = new Ways(session);
    }

    /**
     * What a row itself adds at a station.
     *
     * @param timed whether it follows the tempo, as notes and some effects do
     */
    private record Own(String hash, boolean timed) {}

    /** The key of one print, in lower-case hex. */
    public String of(Print print) {
        Map<String, Object> facts = new TreeMap<>();
        facts.put("format", List.of(plan.format(), plan.depth()));
        facts.put("file", print.file());
        header(print, facts);
        return of(print, facts);
    }

    /** The key of its sound alone, whatever the file and the row are called, and to whatever depth it is rounded. */
    public String ofSound(Print print) {
        return of(print, new TreeMap<>());
    }

    private String of(Print print, Map<String, Object> facts) {
        samples(print, facts);
        if (print.isClick()) {
            facts.put("tempo", session.song().timeline());
            facts.put("click", List.of(settings.click() == Click.NONE, settings.count()));
        } else {
            sound(session.row(print.source()).orElseThrow(), print.station(), facts);
        }
        return hash(facts);
    }

    private static String hash(Object facts) {
        try {
            return HexFormat.of().formatHex(Digests.sha256().digest(JSON.writeValueAsBytes(facts)));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("What a print follows from has no JSON form.", e);
        }
    }

    private void samples(Print print, Map<String, Object> facts) {
        facts.put("version", SOUND_VERSION);
        facts.put("samples", List.of(plan.rate(), print.sides(), print.trimDb(), session.rate()));
        facts.put("passage", plan.section(print).passage());
        facts.put("print", List.of(print.source(), print.station()));
    }

    /** Without the channels, which are only known afterwards and follow from the sound. */
    private void header(Print print, Map<String, Object> facts) {
        facts.put(
                "header",
                List.of(
                        String.valueOf(session.originated()),
                        plan.section(print).startReference(),
                        plan.label(session, print).withoutBroadcast()));
    }

    private void sound(Row row, Station station, Map<String, Object> facts) {
        if (station.compareTo(Station.FADER) >= 0) {
            facts.put("panLaw", session.panLaw());
        }
        row.strip().broughtAt(station).ifPresent(clips -> facts.put("brought", sounding(clips)));
        upTo(row, station.compareTo(Station.FADER) > 0 ? Station.FADER : station, facts);
        if (station.compareTo(Station.FADER) <= 0) {
            return;
        }
        facts.put("sharing", plan.sharing());
        for (Row later : ways.through(row, plan.sharing().returns())) {
            boolean isMix = later.equals(session.mix());
            if (isMix && station == Station.BUS) {
                continue;
            }
            facts.put("through " + later.id(), sounding(later.strip()));
            if (!later.strip().inserts().isEmpty()) {
                facts.put("tempo", session.song().timeline()); // echoes and the like can follow it
            }
            boolean follows = plan.sharing().dynamics() == Dynamics.IN_PLACE
                    && later.strip().inserts().stream().anyMatch(ContentKeys::follows);
            if (follows) {
                upTo(later, Station.FADER, facts);
            }
        }
    }

    /** Whether an effect does to a part what the whole makes it do. */
    private static boolean follows(Insert insert) {
        return insert.on()
                && Effects.find(insert.effect())
                        .map(effect -> effect.nature() != Nature.LINEAR)
                        .orElse(false);
    }

    /** Everything that a row's sound at a station, Fader at the most, is made of. */
    private void upTo(Row row, Station station, Map<String, Object> facts) {
        String name = station.label() + " " + row.id();
        if (facts.containsKey(name)) {
            return;
        }
        Own own = known.computeIfAbsent(name, first -> own(row, station));
        facts.put(name, own.hash());
        if (own.timed()) {
            facts.put("tempo", session.song().timeline());
        }
        inserts(row, station).stream()
                .filter(insert -> insert.key() != null)
                .flatMap(insert -> session.row(insert.key()).stream())
                .forEach(key -> upTo(key, Station.FADER, facts));
        for (Row other : session.rows()) {
            boolean feeds = other.strip().outputs().contains(row.id());
            List<Send> sends = other.strip().sends().stream()
                    .filter(send -> send.to().equals(row.id()))
                    .toList();
            if (feeds || !sends.isEmpty()) {
                facts.put(other.id() + " into " + row.id(), List.of(feeds, sends));
                upTo(other, Station.FADER, facts);
            }
        }
    }

    private static List<Insert> inserts(Row row, Station station) {
        Station before = station.compareTo(Station.INSERTS) > 0 ? Station.INSERTS : station;
        return row.strip().insertsAt(before).stream().filter(Insert::on).toList();
    }

    private Own own(Row row, Station station) {
        List<Insert> inserts = inserts(row, station);
        boolean clipInserts = station != Station.RAW
                && row.clips().stream().anyMatch(clip -> !clip.inserts().isEmpty());
        boolean timed = !inserts.isEmpty() || clipInserts || row.kind().isPlayed();
        return new Own(
                hash(List.of(
                        source(row, station),
                        inserts.stream().map(ContentKeys::sounding).toList(),
                        station == Station.FADER ? sounding(row.strip()) : "")),
                timed);
    }

    private Object source(Row row, Station station) {
        for (Station before : List.of(Station.FADER, Station.INSERTS, Station.SHAPED, Station.RAW)) {
            Optional<List<Clip>> brought = row.strip().broughtAt(before);
            if (before.compareTo(station) <= 0 && brought.isPresent()) {
                return List.of(before, sounding(brought.get()));
            }
        }
        if (row.kind() == RowKind.AUDIO) {
            return sounding(row.clips().stream()
                    .map(clip -> station == Station.RAW ? clip.withInserts(List.<Insert>of()) : clip)
                    .toList());
        }
        return row.playing(session)
                .<Object>map(playing -> List.of(
                        playing.player().instrument(),
                        playing.notes(),
                        playing.messages(),
                        playing.parts().stream().map(Instrument.Part::id).toList()))
                .orElse("sum");
    }

    private static List<Clip> sounding(List<Clip> clips) {
        return clips.stream().map(ContentKeys::sounding).toList();
    }

    private static Clip sounding(Clip clip) {
        return clip.withInserts(clip.inserts().stream()
                .filter(Insert::on)
                .map(ContentKeys::sounding)
                .toList());
    }

    /** That an insert is kept decides whether it is there at all, not what it does. */
    private static Insert sounding(Insert insert) {
        return new Insert(insert.effect(), insert.settings(), insert.key(), false, true, "");
    }

    /** A strip without what only listening follows, and without inserts that are off. */
    private static Strip sounding(Strip strip) {
        return strip.withMuteAndSolo(strip.muted(), false)
                .withInserts(strip.inserts().stream()
                        .filter(Insert::on)
                        .map(ContentKeys::sounding)
                        .toList());
    }
}
