package apodex.signal;

import apodex.measure.Decibels;
import apodex.session.PanLaw;
import apodex.session.Strip;

/**
 * Fader, pan, mute and moves. A mono stream is panned after the session's law, a stereo one balanced; two channels come
 * out. Moves are followed frame by frame, fader moves on straight lines in dB.
 */
final class FaderNode extends Node {
    private static final double QUIET = Decibels.toFactor(Passage.QUIET_DBFS - Strip.LOUDEST_DB);
    private final Node before;
    private final Strip strip;
    private final PanLaw law;
    private final Lane fader;
    private final Lane pan;
    private final boolean moving;
    private final double[] still = new double[2];
    private double lastFaderDb = Double.NaN;
    private double lastPan = Double.NaN;
    private volatile long lastHeld = Long.MIN_VALUE / 2;

    FaderNode(Node before, Strip strip, PanLaw law) {
        super(2, before.latency, before.tail, before.gap);
        this.before = before;
        this.strip = strip;
        this.law = law;
        this.fader = new Lane(strip.faderMoves());
        this.pan = new Lane(strip.panMoves());
        this.moving = !fader.isEmpty() || !pan.isEmpty();
        set(strip.faderDb(), strip.pan());
    }

    /** Whether it would leave every sample as it is. */
    static boolean isNeedless(int width, Strip strip) {
        return width == 2 && strip.isAtRest();
    }

    /** The factor of a side when nothing moves: fader, mute and pan in one. */
    static double stillGain(int width, Strip strip, PanLaw law, int side) {
        return strip.muted() ? 0 : gain(width, strip.faderDb(), strip.pan(), law, side);
    }

    private static double gain(int width, double faderDb, double position, PanLaw law, int side) {
        double level = faderDb <= Strip.SILENT_DB ? 0 : Decibels.toFactor(faderDb);
        return level * (width == 1 ? law.mono(position, side) : PanLaw.balance(position, side));
    }

    static boolean isStill(Strip strip) {
        return strip.faderMoves().isEmpty() && strip.panMoves().isEmpty();
    }

    private void set(double faderDb, double position) {
        if (faderDb != lastFaderDb || position != lastPan) {
            for (int side = 0; side < 2; side++) {
                still[side] = gain(before.width, faderDb, position, law, side);
            }
            lastFaderDb = faderDb;
            lastPan = position;
        }
    }

    /** Last frame of the session at which something lay before it that a move to come may let through. */
    long lastHeldFrame() {
        return lastHeld;
    }

    private void watch(double[] left, double[] right, long first, int frames) {
        if (first >= fader.lastFrame()) {
            return;
        }
        for (int i = 0; i < frames; i++) {
            if (Math.abs(left[i]) >= QUIET || Math.abs(right[i]) >= QUIET) {
                lastHeld = first + frames;
                return;
            }
        }
    }

    @Override
    Node before() {
        return before;
    }

    @Override
    boolean run(double[][] block, int slot, long walk, int frames, boolean sounds) {
        if (!sounds || strip.muted()) {
            return false;
        }
        double[] left = block[0];
        double[] right = before.width == 1 ? block[0] : block[1];
        double[] out = block[1];
        if (!moving) {
            double toLeft = still[0];
            double toRight = still[1];
            if (before.width == 1) {
                for (int i = 0; i < frames; i++) {
                    double x = left[i];
                    out[i] = x * toRight;
                    left[i] = x * toLeft;
                }
                return true;
            }
            for (int i = 0; i < frames; i++) {
                out[i] = right[i] * toRight;
            }
            for (int i = 0; i < frames; i++) {
                left[i] *= toLeft;
            }
            return true;
        }
        long first = walk - latency;
        watch(left, right, first, frames);
        for (int i = 0; i < frames; i++) {
            set(
                    fader.isEmpty() ? strip.faderDb() : fader.at(first + i),
                    pan.isEmpty() ? strip.pan() : pan.at(first + i));
            out[i] = right[i] * still[1];
            left[i] *= still[0];
        }
        return true;
    }
}
