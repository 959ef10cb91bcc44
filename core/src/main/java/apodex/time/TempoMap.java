package apodex.time;

import java.util.List;

/**
 * Where bars, beats and quarter notes fall in time: tempo changes, sudden or gliding, and meter changes.
 *
 * <p>While the tempo glides it is a straight line over quarter notes, {@code v(q) = v0 + k (q - q0)}, so that time is
 * {@code t = 60/k ln(v/v0)} and its inverse exact as well.
 *
 * @param tempos ascending; the first at quarter note 0
 * @param meters ascending; the first at bar 1
 */
public record TempoMap(List<TempoChange> tempos, List<MeterChange> meters) {
    public static final double SLOWEST = 10;
    public static final double FASTEST = 999;
    /** A hair less than half, since halves are rounded up. */
    private static final double HALF_A_FRAME = 0.5 - 1e-6;

    /** @throws IllegalArgumentException when changes are missing at the start or out of order */
    public TempoMap {
        tempos = List.copyOf(tempos);
        meters = List.copyOf(meters);
        if (tempos.isEmpty()
                || tempos.get(0).quarter() != 0
                || meters.isEmpty()
                || meters.get(0).bar() != 1) {
            throw new IllegalArgumentException("A tempo map starts with a tempo and a meter at bar 1.");
        }
        for (int i = 1; i < tempos.size(); i++) {
            if (tempos.get(i).quarter() <= tempos.get(i - 1).quarter()) {
                throw new IllegalArgumentException("Tempo changes must follow each other in time.");
            }
        }
        for (int i = 1; i < meters.size(); i++) {
            if (meters.get(i).bar() <= meters.get(i - 1).bar()) {
                throw new IllegalArgumentException("Meter changes must follow each other, bar after bar.");
            }
        }
    }

    /** One tempo and one meter for the whole song. */
    public static TempoMap steady(double quartersPerMinute, Meter meter) {
        return new TempoMap(
                List.of(new TempoChange(0, quartersPerMinute, TempoChange.Way.JUMP)),
                List.of(new MeterChange(1, meter)));
    }

    /** True when the tempo or the meter changes anywhere. */
    public boolean changes() {
        return tempos.size() > 1 || meters.size() > 1;
    }

    /** Seconds from the song's start to a quarter note. */
    public double secondsAt(double quarter) {
        double seconds = 0;
        for (int i = 0; i < tempos.size(); i++) {
            boolean last = i == tempos.size() - 1 || tempos.get(i + 1).quarter() >= quarter;
            double to = last ? quarter : tempos.get(i + 1).quarter();
            seconds += stretchSeconds(i, to - tempos.get(i).quarter());
            if (last) {
                return seconds;
            }
        }
        return seconds;
    }

    /** Quarter notes from the song's start to a time. */
    public double quarterAt(double seconds) {
        double left = seconds;
        for (int i = 0; ; i++) {
            if (i == tempos.size() - 1) {
                return tempos.get(i).quarter() + left * tempos.get(i).quartersPerMinute() / 60;
            }
            double length = stretchSeconds(
                    i, tempos.get(i + 1).quarter() - tempos.get(i).quarter());
            if (left < length) {
                return tempos.get(i).quarter() + quartersAfter(i, left);
            }
            left -= length;
        }
    }

    /** Tempo at a quarter note, in quarter notes a minute. */
    public double tempoAt(double quarter) {
        int i = 0;
        while (i + 1 < tempos.size() && tempos.get(i + 1).quarter() <= quarter) {
            i++;
        }
        return tempos.get(i).quartersPerMinute()
                + slope(i) * (quarter - tempos.get(i).quarter());
    }

    /** Quarter note on which a bar starts; bar 1 starts at 0. */
    public double quarterOfBar(int bar) {
        double quarter = 0;
        for (int i = 0; i < meters.size(); i++) {
            boolean last = i == meters.size() - 1 || meters.get(i + 1).bar() >= bar;
            int to = last ? bar : meters.get(i + 1).bar();
            quarter += (to - meters.get(i).bar()) * meters.get(i).meter().quartersPerBar();
            if (last) {
                return quarter;
            }
        }
        return quarter;
    }

    /** The bar a quarter note belongs to. */
    public int barAt(double quarter) {
        double left = quarter;
        for (int i = 0; ; i++) {
            MeterChange change = meters.get(i);
            double perBar = change.meter().quartersPerBar();
            int bars = i == meters.size() - 1
                    ? Integer.MAX_VALUE
                    : meters.get(i + 1).bar() - change.bar();
            if (left < bars * perBar) {
                return change.bar() + (int) Math.floor(left / perBar);
            }
            left -= bars * perBar;
        }
    }

    /** The meter of a bar. */
    public Meter meterOf(int bar) {
        Meter meter = meters.get(0).meter();
        for (MeterChange change : meters) {
            if (change.bar() <= bar) {
                meter = change.meter();
            }
        }
        return meter;
    }

    /** First frame of a bar; bar 1 starts at frame 0. */
    public long frameOfBar(int bar, SampleRate rate) {
        return frameOf(quarterOfBar(bar), rate);
    }

    /** The frame nearest to a quarter note. */
    public long frameOf(double quarter, SampleRate rate) {
        return Math.round(secondsAt(quarter) * rate.hertz());
    }

    /**
     * Quarter notes up to a frame. A bar, a beat or a change of tempo that falls between two frames stands at the nearest, so a frame is
     * theirs when they come within half a frame: this is the one place where that tolerance is.
     */
    public double quarterOf(long frame, SampleRate rate) {
        double exact = quarterAt(rate.seconds(frame));
        double reached = quarterAt((frame + HALF_A_FRAME) / rate.hertz());
        int bar = barAt(Math.max(0, reached));
        double barStart = quarterOfBar(bar);
        double beat = 4.0 / meterOf(bar).unit();
        double near = Math.max(exact, barStart + Math.floor((reached - barStart) / beat) * beat);
        for (TempoChange change : tempos) {
            if (change.quarter() > near && change.quarter() <= reached) {
                near = change.quarter();
            }
        }
        return near;
    }

    /** Frames that a number of bars of the tempo and meter at {@code frame} last. */
    public long framesOfBarsAt(int bars, long frame, SampleRate rate) {
        double quarter = Math.max(0, quarterOf(frame, rate));
        double quarters = bars * meterOf(barAt(quarter)).quartersPerBar();
        return Math.round(quarters * 60 / tempoAt(quarter) * rate.hertz());
    }

    /** Change of tempo per quarter note in the stretch after change {@code i}. */
    private double slope(int i) {
        if (i == tempos.size() - 1 || tempos.get(i + 1).way() == TempoChange.Way.JUMP) {
            return 0;
        }
        TempoChange from = tempos.get(i);
        TempoChange to = tempos.get(i + 1);
        return (to.quartersPerMinute() - from.quartersPerMinute()) / (to.quarter() - from.quarter());
    }

    private double stretchSeconds(int i, double quarters) {
        double tempo = tempos.get(i).quartersPerMinute();
        double slope = slope(i);
        return slope == 0 ? quarters * 60 / tempo : 60 / slope * Math.log1p(slope * quarters / tempo);
    }

    private double quartersAfter(int i, double seconds) {
        double tempo = tempos.get(i).quartersPerMinute();
        double slope = slope(i);
        return slope == 0 ? seconds * tempo / 60 : tempo / slope * Math.expm1(slope * seconds / 60);
    }
}
