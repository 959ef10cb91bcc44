package apodex.signal;

import apodex.measure.Decibels;
import apodex.session.PanLaw;
import apodex.session.Strip;

/**
 * The factors of both sides while fader and pan move, frame by frame: fader moves are straight lines in dB, pan moves in position. They
 * are computed by their formulas at frames that every walk meets, and from there on by multiplication and rotation, which is the same
 * but for the last digits and a hundred times as fast.
 */
final class MovingGains {
    /** So seldom that formulas cost nothing, so often that rounding does not add up: 64 times 1e-16. */
    private static final int ANCHOR_FRAMES = 64;

    private final int width;
    private final Strip strip;
    private final PanLaw law;
    private final Lane fader;
    private final Lane pan;

    /** @param width channels that are panned (1) or balanced (2) */
    MovingGains(int width, Strip strip, PanLaw law) {
        this.width = width;
        this.strip = strip;
        this.law = law;
        this.fader = new Lane(strip.faderMoves());
        this.pan = new Lane(strip.panMoves());
    }

    /** The frame of the session after which the fader does not move any more. */
    long lastFaderFrame() {
        return fader.lastFrame();
    }

    /** The factor of a side where nothing moves: fader and pan in one. */
    static double still(int width, double faderDb, double position, PanLaw law, int side) {
        double level = faderDb <= Strip.SILENT_DB ? 0 : Decibels.toFactor(faderDb);
        return level * (width == 1 ? law.mono(position, side) : PanLaw.balance(position, side));
    }

    /** @param first frame of the session; no earlier than the last that was asked for */
    void fill(long first, int frames, double[] left, double[] right) {
        for (int done = 0; done < frames; ) {
            long frame = first + done;
            long anchor = Math.floorDiv(frame, ANCHOR_FRAMES) * ANCHOR_FRAMES;
            long until = Math.min(first + frames, anchor + ANCHOR_FRAMES);
            if (!fader.isEmpty()) {
                anchor = Math.max(anchor, fader.since(frame));
                until = Math.min(until, fader.until(frame));
            }
            if (!pan.isEmpty()) {
                anchor = Math.max(anchor, pan.since(frame));
                until = Math.min(until, pan.until(frame));
            }
            int to = done + (int) (until - frame);
            fill(anchor, (int) (frame - anchor), done, to, left, right);
            done = to;
        }
    }

    /** @param skipped frames from the anchor to the first that is wanted */
    private void fill(long anchor, int skipped, int from, int to, double[] left, double[] right) {
        double db = fader.isEmpty() ? strip.faderDb() : fader.at(anchor);
        double dbStep = fader.isEmpty() ? 0 : fader.slope(anchor);
        double position = pan.isEmpty() ? strip.pan() : pan.at(anchor);
        double positionStep = pan.isEmpty() ? 0 : pan.slope(anchor);
        if (positionStep == 0) {
            double toLeft = width == 1 ? law.mono(position, 0) : PanLaw.balance(position, 0);
            double toRight = width == 1 ? law.mono(position, 1) : PanLaw.balance(position, 1);
            for (int i = from; i < to; i++) {
                left[i] = toLeft;
                right[i] = toRight;
            }
        } else if (width == 1) {
            turn(
                    PanLaw.angle(-position),
                    PanLaw.angle(-positionStep) - PanLaw.angle(0),
                    skipped,
                    from,
                    to,
                    left,
                    right);
            for (int i = from; i < to; i++) {
                left[i] = law.ofCosine(left[i]);
                right[i] = law.ofCosine(right[i]);
            }
        } else {
            turn(PanLaw.balanceAngle(position), PanLaw.balanceAngle(positionStep), skipped, from, to, left, right);
            for (int i = from; i < to; i++) {
                double now = position + (skipped + i - from) * positionStep;
                double away = PanLaw.orNothing(left[i]);
                left[i] = now <= 0 ? 1 : away;
                right[i] = now >= 0 ? 1 : away;
            }
        }
        lift(db, dbStep, skipped, from, to, left, right);
    }

    /** Cosine and sine of an angle that grows by a step from frame to frame. */
    private static void turn(
            double angle, double step, int skipped, int from, int to, double[] cosines, double[] sines) {
        double byCosine = StrictMath.cos(step);
        double bySine = StrictMath.sin(step);
        double cosine = StrictMath.cos(angle);
        double sine = StrictMath.sin(angle);
        for (int i = from - skipped; i < to; i++) {
            if (i >= from) {
                cosines[i] = cosine;
                sines[i] = sine;
            }
            double next = cosine * byCosine - sine * bySine;
            sine = sine * byCosine + cosine * bySine;
            cosine = next;
        }
    }

    private static void lift(double db, double step, int skipped, int from, int to, double[] left, double[] right) {
        double level = Decibels.toFactor(db);
        double ratio = Decibels.toFactor(step);
        for (int i = from - skipped; i < to; i++) {
            if (i >= from) {
                double now = db + (skipped + i - from) * step <= Strip.SILENT_DB ? 0 : level;
                left[i] *= now;
                right[i] *= now;
            }
            level *= ratio;
        }
    }
}
