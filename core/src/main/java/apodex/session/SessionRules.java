package apodex.session;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.instrument.Instrument;
import apodex.instrument.Instruments;
import apodex.instrument.Message;
import apodex.instrument.Note;
import apodex.time.TempoMap;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What every session holds to after every edit, so that the walk never meets what it cannot play. */
public final class SessionRules {
    private static final long LONGEST_SECONDS = 24 * 60 * 60;

    private final Session session;

    private SessionRules(Session session) {
        this.session = session;
    }

    /**
     * The session itself, when it holds.
     *
     * @throws EditRefused with one sentence about the first thing that does not
     */
    public static Session checked(Session session) {
        SessionRules rules = new SessionRules(session);
        rules.rowsAreThere();
        rules.tempoMapHolds();
        rules.dateIsOne();
        for (Row row : session.rows()) {
            rules.strip(row);
            rules.brought(row);
            if (row instanceof AudioRow audio) {
                rules.takes(audio);
            } else if (row instanceof InstrumentRow instrument) {
                rules.notes(instrument);
            } else if (row instanceof PartRow part) {
                rules.part(part);
            }
        }
        for (Marker marker : session.markers()) {
            rules.inTime("markers", "Marker “" + marker.name() + "”", marker.frame());
        }
        Routing.refuseLoops(session);
        return session;
    }

    private void rowsAreThere() {
        Set<String> ids = new HashSet<>();
        for (Row row : session.rows()) {
            require(
                    row.id() != null && row.id().matches("[A-Za-z0-9_-]{1,40}"),
                    "row",
                    "A row's id is 1 to 40 letters, digits, - or _.");
            require(ids.add(row.id()), "row", "There is already a row “" + row.id() + "”.");
            require(row.strip() != null, "row", "Row “" + row.name() + "” says nothing of its way out.");
        }
        long mixes = session.rows().stream().filter(MixRow.class::isInstance).count();
        require(
                mixes == 1 && session.rows().get(session.rows().size() - 1) instanceof MixRow,
                "row",
                "A session has one mix, as its last row.");
    }

    /** It goes into the files, where a date has ten characters. */
    private void dateIsOne() {
        try {
            LocalDate.parse(session.originated());
        } catch (DateTimeParseException | NullPointerException e) {
            throw new EditRefused(
                    "originated",
                    "A session says when it was recorded as year-month-day, not “" + session.originated() + "”.");
        }
    }

    private void tempoMapHolds() {
        try {
            TempoMap map = session.song().timeline();
            require(
                    map.tempos().size() + map.meters().size() < 10_000,
                    "tempoChanges",
                    "A song cannot have that many changes.");
        } catch (IllegalArgumentException e) {
            throw new EditRefused("tempoChanges", e.getMessage());
        }
    }

    private void strip(Row row) {
        Strip strip = row.strip();
        within("faderDb", "The fader of “" + row.name() + "”", strip.faderDb(), Strip.LEVEL_DB, "dB");
        within("pan", "The pan of “" + row.name() + "”", strip.pan(), Strip.PAN, "");
        moves(row, "faderMoves", strip.faderMoves(), Strip.LEVEL_DB);
        moves(row, "panMoves", strip.panMoves(), Strip.PAN);
        inserts("inserts", row, strip.inserts());
        for (Send send : strip.sends()) {
            require(
                    session.row(send.to()).filter(ReturnRow.class::isInstance).isPresent(),
                    "sends",
                    "“" + row.name() + "” sends to “" + send.to() + "”, which is no return of this session.");
            within("sends", "A send of “" + row.name() + "”", send.levelDb(), Strip.LEVEL_DB, "dB");
        }
        for (String output : strip.outputs()) {
            Row target = session.row(output)
                    .orElseThrow(() -> new EditRefused(
                            "outputs", "“" + row.name() + "” feeds “" + output + "”, which is not in this session."));
            require(
                    target.kind().isSum(),
                    "outputs",
                    "“" + row.name() + "” cannot feed “" + target.name() + "”: that is neither a bus nor the mix.");
        }
        require(
                new HashSet<>(strip.outputs()).size() == strip.outputs().size(),
                "outputs",
                "“" + row.name() + "” feeds the same bus twice.");
        require(
                row.kind() != RowKind.MIX
                        || strip.outputs().isEmpty() && strip.sends().isEmpty(),
                "outputs",
                "The mix feeds nothing.");
    }

    private void moves(Row row, String field, List<Move> moves, Bounds bounds) {
        long last = -1;
        for (Move move : moves) {
            require(
                    move.frame() > last,
                    field,
                    "The moves of “" + row.name() + "” are not in order: one at frame " + move.frame()
                            + " follows one at " + last + ".");
            last = move.frame();
            inTime(field, "A move of “" + row.name() + "”", move.frame());
            within(field, "A move of “" + row.name() + "”", move.value(), bounds, "");
        }
    }

    private void inserts(String field, Row row, List<Insert> inserts) {
        require(inserts.size() <= 64, field, "“" + row.name() + "” cannot have more than 64 inserts.");
        for (Insert insert : inserts) {
            require(
                    insert.said().length() <= Insert.LONGEST_SAID,
                    field,
                    "What is said of an insert of “" + row.name() + "” can have " + Insert.LONGEST_SAID
                            + " characters.");
            require(insert.effect() != null, field, "An insert of “" + row.name() + "” names no effect.");
            Optional<Effect> effect = Effects.find(insert.effect());
            try {
                effect.ifPresent(known -> known.check(insert.settings()));
            } catch (IllegalArgumentException e) {
                throw new EditRefused(field, e.getMessage());
            }
            if (insert.key() != null) {
                require(
                        effect.map(Effect::takesKey).orElse(true),
                        field,
                        insert.effect() + " of “" + row.name() + "” cannot listen to another row.");
                require(
                        session.row(insert.key()).isPresent() && !insert.key().equals(row.id()),
                        field,
                        "An insert of “" + row.name() + "” listens to “" + insert.key()
                                + "”, which is no other row of this session.");
            }
        }
    }

    private void brought(Row row) {
        Set<Station> stations = new HashSet<>();
        for (Brought brought : row.strip().brought()) {
            require(
                    row.kind().isSource(),
                    "brought",
                    "“" + row.name() + "” is a sum of others: what was rendered elsewhere needs a row of its own.");
            require(
                    brought.station() != null
                            && brought.station() != Station.MIX
                            && (brought.station() != Station.RAW || row.kind().isPlayed()),
                    "brought",
                    "What was rendered elsewhere for “" + row.name() + "” stands for "
                            + (row.kind().isPlayed() ? "Raw, " : "") + "Shaped, Inserts, Fader or Bus.");
            require(
                    stations.add(brought.station()),
                    "brought",
                    "“" + row.name() + "” has two sounds rendered elsewhere for one station.");
            require(
                    !brought.clips().isEmpty(),
                    "brought",
                    "What was rendered elsewhere for “" + row.name() + "” has no clips.");
            for (Clip clip : brought.clips()) {
                clip(row, clip);
                require(
                        clip.inserts().isEmpty(),
                        "brought",
                        "What was rendered elsewhere for “" + row.name() + "” has no effects on its clips.");
            }
        }
    }

    private void takes(AudioRow row) {
        Set<String> ids = new HashSet<>();
        for (Take take : row.takes()) {
            require(
                    take.id() != null && ids.add(take.id()),
                    "takes",
                    "Two takes of “" + row.name() + "” have the same id.");
            for (Clip clip : take.clips()) {
                clip(row, clip);
            }
        }
        require(
                row.active() != null && ids.contains(row.active()),
                "active",
                "“" + row.name() + "” has no take “" + row.active() + "” to be heard.");
    }

    private void clip(Row row, Clip clip) {
        String who = "A clip of “" + row.name() + "”";
        Recording recording = session.recordings().stream()
                .filter(each -> each.sha256().equals(clip.recording()))
                .findFirst()
                .orElseThrow(() -> new EditRefused("takes", who + " uses a recording this session does not have."));
        require(
                clip.channels() >= 1
                        && clip.channels() <= 2
                        && clip.firstChannel() >= 0
                        && clip.firstChannel() + clip.channels() <= recording.channels(),
                "takes",
                who + " uses channels that “" + recording.fileName() + "” does not have.");
        inTime("takes", who, clip.position());
        require(clip.frames() >= 1, "takes", who + " has no length.");
        require(
                clip.offset() >= 0 && clip.offset() <= recording.framesAt(session.rate()) - clip.frames(),
                "takes",
                who + " reaches beyond its recording “" + recording.fileName() + "”.");
        within("takes", "The gain of a clip of “" + row.name() + "”", clip.gainDb(), Clip.GAIN_DB, "dB");
        require(
                clip.fadeIn().frames() >= 0
                        && clip.fadeOut().frames() >= 0
                        && clip.fadeIn().frames() + clip.fadeOut().frames() <= clip.frames(),
                "takes",
                who + " has fades longer than itself.");
        inserts("takes", row, clip.inserts());
        require(
                clip.inserts().stream().allMatch(insert -> insert.key() == null),
                "takes",
                who + " cannot listen to another row.");
    }

    private void notes(InstrumentRow row) {
        Instrument instrument = instrument("instrument", row.instrument());
        for (Note note : row.notes()) {
            require(
                    note.isPlayable(),
                    "notes",
                    "A note of “" + row.name()
                            + "” is not playable: it starts at 0 or later, is longer than nothing, has pitch 0 to 127 and velocity 1 to 127.");
            inTime(
                    "notes",
                    "A note of “" + row.name() + "”",
                    session.song().timeline().frameOf(note.quarter() + note.quarters(), session.rate()));
        }
        require(
                row.messages().stream().allMatch(Message::isWhole),
                "notes",
                "Something that “" + row.name() + "” plays beside its notes is no message of MIDI.");
        require(row.messages().size() <= 500_000, "notes", "“" + row.name() + "” cannot play that many messages.");
        require(row.notes().size() <= 200_000, "notes", instrument.name() + " cannot play that many notes.");
    }

    private void part(PartRow row) {
        InstrumentRow source = session.row(row.instrument())
                .filter(InstrumentRow.class::isInstance)
                .map(InstrumentRow.class::cast)
                .orElseThrow(() -> new EditRefused(
                        "instrument",
                        "“" + row.name() + "” is a part of “" + row.instrument() + "”, which is no instrument row."));
        Instrument instrument = instrument("instrument", source.instrument());
        require(
                instrument.parts().stream().anyMatch(part -> part.id().equals(row.part())),
                "part",
                instrument.name() + " has no part “" + row.part() + "”.");
        require(
                session.partsOnTheirOwn(row.instrument()).stream()
                                .filter(row.part()::equals)
                                .count()
                        == 1,
                "part",
                "Part “" + row.part() + "” of “" + source.name() + "” has two rows.");
    }

    private static Instrument instrument(String field, String id) {
        return Instruments.find(id).orElseThrow(() -> new EditRefused(field, "Apodex has no instrument “" + id + "”."));
    }

    private void inTime(String field, String who, long frame) {
        require(
                frame >= 0 && frame <= LONGEST_SECONDS * session.rate().hertz(),
                field,
                who + " lies outside the session: a session lasts from 0 to 24 hours.");
    }

    private static void within(String field, String what, double value, Bounds bounds, String unit) {
        require(
                bounds.hold(value),
                field,
                what + " must be " + bounds.words() + (unit.isEmpty() ? "" : " " + unit) + ", not " + value + ".");
    }

    private static void require(boolean holds, String field, String sentence) {
        if (!holds) {
            throw new EditRefused(field, sentence);
        }
    }
}
