package apodex.handoff;

import apodex.effect.Conditions;
import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Nature;
import apodex.effect.Values;
import apodex.measure.StereoImage;
import apodex.session.Clip;
import apodex.session.Inputs;
import apodex.session.Insert;
import apodex.session.Playing;
import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.signal.Sharing;
import apodex.signal.Ways;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The session as it goes out under a handoff, with what follows from its routing, found out once: what is on a row, how wide it is, how
 * long it rings, and which ways into the mix a file of it carries. The plan, the content keys, the proof and the sheet read it; none
 * of them asks the routing again.
 */
public final class Outgoing {
    private final Session session;
    private final Sharing sharing;
    private final Map<String, StereoImage.Kind> images;
    private final Map<String, Row> rows = new HashMap<>();
    private final Inputs inputs;
    private final Ways ways;
    private final RowWidth widths;
    private final Stations stations;
    private final Map<String, Boolean> filled = new HashMap<>();
    private final Map<String, Boolean> sounding = new HashMap<>();
    private final Map<String, Long> rings = new HashMap<>();
    private final Map<String, Long> ringsOnwards = new HashMap<>();
    private final Map<String, long[]> shares = new HashMap<>();
    private long[] ofMix;
    private List<Row> sources;

    /**
     * @param session as the handoff sees it
     * @param images  what the two sides of audio rows are like at Raw, by their ids
     */
    public Outgoing(Session session, Sharing sharing, Map<String, StereoImage.Kind> images) {
        this.session = session;
        this.sharing = sharing;
        this.images = images;
        session.rows().forEach(row -> rows.put(row.id(), row));
        this.inputs = new Inputs(session);
        this.ways = new Ways(session);
        this.widths = new RowWidth(session);
        this.stations = new Stations(this);
    }

    /** Of a plan, for which the rows were measured. */
    public static Outgoing of(Session session, Plan plan) {
        Map<String, StereoImage.Kind> images = new HashMap<>();
        plan.rows().stream().filter(row -> row.image() != null).forEach(row -> images.put(row.row(), row.image()));
        return new Outgoing(session, plan.sharing(), images);
    }

    /** As the handoff sees it. */
    public Session session() {
        return session;
    }

    Sharing sharing() {
        return sharing;
    }

    Ways ways() {
        return ways;
    }

    RowWidth widths() {
        return widths;
    }

    /** A row by its id. */
    public Optional<Row> row(String id) {
        return Optional.ofNullable(rows.get(id));
    }

    /** Where a file of a row can be taken: the stations that differ. */
    public List<Station> stations(Row row) {
        return stations.of(row);
    }

    /** Whether anything lies on a row or is led to it, heard or not: then it can have files. */
    public boolean isFilled(Row row) {
        Boolean known = filled.get(row.id());
        if (known == null) {
            known = findFilled(row);
            filled.put(row.id(), known);
        }
        return known;
    }

    private boolean findFilled(Row row) {
        if (row.kind().isSource()) {
            return session.hasOwn(row) && !isNotesOnly(row);
        }
        return inputs.of(row).stream().anyMatch(this::isFilled);
    }

    /** Whether a row makes a sound anywhere in the song: what is silent needs no file, and none of it is missed. */
    public boolean sounds(Row row) {
        Boolean known = sounding.get(row.id());
        if (known == null) {
            known = findSounding(row);
            sounding.put(row.id(), known);
        }
        return known;
    }

    /** Whether a row has notes, and nothing that plays them but a stand-in. */
    private boolean isNotesOnly(Row row) {
        return row.kind().isPlayed()
                && row.strip().brought().isEmpty()
                && row.playing(session).orElseThrow().isStoodInFor();
    }

    /** Whether a row has a sound of its own at Raw, and not only what was rendered elsewhere for later stations. */
    boolean isMadeAtRaw(Row row) {
        return row.strip().broughtAt(Station.RAW).isPresent()
                || switch (row.kind()) {
                    case AUDIO ->
                        !row.clips().isEmpty() || row.strip().brought().isEmpty();
                    case INSTRUMENT, PART -> !row.playing(session).orElseThrow().isStoodInFor();
                    case BUS, RETURN, MIX -> true;
                };
    }

    private boolean findSounding(Row row) {
        if (row.strip().brought().stream().anyMatch(brought -> !brought.clips().isEmpty())) {
            return true;
        }
        if (row.kind() == RowKind.AUDIO) {
            return !row.clips().isEmpty() && images.get(row.id()) != StereoImage.Kind.SILENT;
        }
        if (row.kind().isPlayed()) {
            return row.playing(session).filter(Playing::sounds).isPresent();
        }
        return inputs.of(row).stream().anyMatch(each -> soundsInto(each, row) && sounds(each));
    }

    private static boolean soundsInto(Row from, Row to) {
        Strip strip = from.strip();
        boolean open = strip.isOpen();
        return open && strip.outputs().contains(to.id())
                || strip.sends().stream()
                        .anyMatch(send -> send.to().equals(to.id())
                                && send.levelDb() > Strip.SILENT_DB
                                && (open || send.from() == Send.From.BEFORE_FADER));
    }

    /** Whether the file of a row before its fader has one channel: its Fader sits in the stereo picture and has two. */
    boolean isMono(Row row) {
        if (widths.at(row, Station.INSERTS) == 1) {
            return true;
        }
        boolean renderedElsewhere = row.strip().broughtAt(Station.INSERTS).isPresent()
                || row.strip().broughtAt(Station.SHAPED).isPresent();
        return row.kind() == RowKind.AUDIO && !renderedElsewhere && images.get(row.id()) != StereoImage.Kind.STEREO;
    }

    /** What the reference mix is made of: {@link Ways#ofMix}. */
    public long[] ofMix() {
        if (ofMix == null) {
            ofMix = ways.ofMix();
        }
        return ofMix;
    }

    /** What a file of a row carries into the mix, taken at the last of its stations: {@link Ways#share}. */
    public long[] share(Row row) {
        return shares.computeIfAbsent(row.id(), id -> ways.share(row, sharing.returns()));
    }

    /** Whether a file of a row, taken at the last of its stations, carries anything that sounds into the mix. */
    public boolean reachesMix(Row row) {
        long[] share = share(row);
        return sources().stream().anyMatch(source -> share[ways.place(source)] != 0);
    }

    /** Rows that make a sound themselves: all other sound is made of theirs. */
    public List<Row> sources() {
        if (sources == null) {
            sources = session.rows().stream()
                    .filter(row -> row.kind().isSource() && sounds(row))
                    .toList();
        }
        return sources;
    }

    /** Rows whose outputs lead to a bus. */
    List<Row> feeding(Row bus) {
        return inputs.byOutput(bus);
    }

    /** Whether the sum of a bus holds another bus that sounds. */
    boolean holdsBuses(Row bus) {
        return feeding(bus).stream().anyMatch(row -> row.kind() == RowKind.BUS && sounds(row));
    }

    /** Frames that a file rings after the last sound, as its effects tell: the longest way through them. */
    public long tailFrames(Row row, Station station) {
        if (row.placedAt(station).isPresent()) {
            return 0;
        }
        return switch (station) {
            case RAW -> row.kind() == RowKind.MIX || !row.kind().isSource() ? before(row) : 0;
            case SHAPED, INSERTS, FADER -> after(row);
            case BUS -> after(row) + onwards(row, true);
            case MIX -> after(row) + onwards(row, false);
        };
    }

    private long before(Row row) {
        return inputs.of(row).stream().mapToLong(this::after).max().orElse(0);
    }

    private long after(Row row) {
        Long known = rings.get(row.id());
        if (known == null) {
            long clips = row.clips().stream()
                    .map(Clip::inserts)
                    .mapToLong(this::own)
                    .max()
                    .orElse(0);
            known = before(row) + clips + own(row.strip().insertsAt(Station.INSERTS));
            rings.put(row.id(), known);
        }
        return known;
    }

    private long onwards(Row row, boolean toTheDoor) {
        long longest = 0;
        for (Row next : ways.through(row, sharing.returns())) {
            if (!(toTheDoor && next.kind() == RowKind.MIX)) {
                longest = Math.max(longest, ringsFrom(next, toTheDoor));
            }
        }
        return longest;
    }

    /** The longest way on from a row's inserts, itself included. */
    private long ringsFrom(Row row, boolean toTheDoor) {
        String key = row.id() + toTheDoor;
        Long known = ringsOnwards.get(key);
        if (known == null) {
            long next = 0;
            List<String> ids = new ArrayList<>(row.strip().outputs());
            row.strip().sends().forEach(send -> ids.add(send.to()));
            for (String id : ids) {
                Row target = rows.get(id);
                if (target != null && !(toTheDoor && target.kind() == RowKind.MIX)) {
                    next = Math.max(next, ringsFrom(target, toTheDoor));
                }
            }
            known = own(row.strip().inserts()) + next;
            ringsOnwards.put(key, known);
        }
        return known;
    }

    private long own(List<Insert> inserts) {
        long frames = 0;
        for (Insert insert : Stations.active(inserts)) {
            Effect effect = Effects.find(insert.effect()).orElseThrow();
            frames += effect.tailFrames(
                    new Values(insert.settings()),
                    new Conditions(session.rate(), session.song().timeline(), 2));
        }
        return frames;
    }

    /** Where a row's share stands in {@link #share} and {@link #ofMix}. */
    public int place(Row row) {
        return ways.place(row);
    }

    /** Every row that a row's share passes on its way to the mix. */
    public List<Row> through(Row row) {
        return ways.through(row, sharing.returns());
    }

    /** Whether shared effects do to a row's file something else than to the whole, because it goes through them alone. */
    public boolean isActedOnAlone(Row row) {
        return sharing.dynamics() == Dynamics.ALONE
                && through(row).stream()
                        .flatMap(each -> Stations.active(each.strip().inserts()).stream())
                        .flatMap(insert -> Effects.find(insert.effect()).stream())
                        .anyMatch(effect -> effect.nature() != Nature.LINEAR);
    }

    /** Whether returns are in no file but the mix. */
    public boolean isLeftOut() {
        return sharing.returns() == Returns.LEFT_OUT;
    }

    /** Whether a row is a return that is in no file of its own. */
    boolean isSharedOut(Row row) {
        return row.kind() == RowKind.RETURN && sharing.returns() != Returns.OWN_FILES;
    }
}
