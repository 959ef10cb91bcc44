package apodex.handoff;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Place;
import apodex.effect.Values;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Insert;
import apodex.session.MixRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.signal.Carried;
import apodex.signal.Returns;
import apodex.signal.Sharing;
import apodex.signal.Station;
import java.util.List;

/** How long a print rings after the last sound, as its effects tell: the longest way through them. */
final class TailFrames {
    private final Session session;
    private final boolean throughSends;

    private TailFrames(Session session, Sharing sharing) {
        this.session = session;
        this.throughSends = sharing.returns() == Returns.SHARED_OUT;
    }

    static long of(Session session, Row row, Station station, Sharing sharing) {
        TailFrames tails = new TailFrames(session, sharing);
        return switch (station) {
            case RAW -> row instanceof MixRow || !(row instanceof AudioRow) ? tails.before(row) : 0;
            case SHAPED, INSERTS, FADER -> tails.after(row);
            case BUS -> tails.after(row) + tails.downstream(row, true);
            case MIX -> tails.after(row) + tails.downstream(row, false);
        };
    }

    private long before(Row row) {
        return session.rows().stream()
                .filter(each -> each.strip().outputs().contains(row.id())
                        || each.strip().sends().stream()
                                .anyMatch(send -> send.to().equals(row.id())))
                .mapToLong(this::after)
                .max()
                .orElse(0);
    }

    private long after(Row row) {
        long clips = 0;
        if (row instanceof AudioRow audio) {
            for (Clip clip : audio.clips()) {
                clips = Math.max(clips, own(clip.inserts()));
            }
        }
        return before(row) + clips + own(row.strip().inserts());
    }

    private long downstream(Row row, boolean toTheDoor) {
        long longest = 0;
        List<String> next = new java.util.ArrayList<>(row.strip().outputs());
        if (throughSends) {
            Carried.senders(session, row).forEach(each -> each.strip().sends().forEach(send -> next.add(send.to())));
        }
        for (String id : next) {
            Row target = session.row(id).orElseThrow();
            boolean stops = toTheDoor && target instanceof MixRow;
            longest = Math.max(longest, stops ? 0 : own(target.strip().inserts()) + downstream(target, toTheDoor));
        }
        return longest;
    }

    private long own(List<Insert> inserts) {
        long frames = 0;
        for (Insert insert : Stations.active(inserts)) {
            Effect effect = Effects.find(insert.effect()).orElseThrow();
            frames += effect.tailFrames(
                    new Values(insert.settings()),
                    new Place(session.rate(), session.song().timeline(), 2));
        }
        return frames;
    }
}
