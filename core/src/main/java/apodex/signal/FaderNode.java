package apodex.signal;

import apodex.measure.Decibels;
import apodex.session.PanLaw;
import apodex.session.Strip;
import jakarta.annotation.Nullable;

/**
 * Fader, pan, mute and moves. A mono stream is panned after the session's law, a stereo one balanced; two channels come
 * out. Moves are followed frame by frame, fader moves on straight lines in dB.
 */
final class FaderNode extends Node {
    private static final double QUIET = Decibels.toFactor(Passage.QUIET_DBFS - Strip.LOUDEST_DB);
    private final Node before;
    private final Strip strip;
    /** Null while nothing moves. */
    private final @Nullable MovingGains moving;

    private final double[] still = new double[2];
    private final double[] toLeft;
    private final double[] toRight;
    private volatile long lastHeld = Long.MIN_VALUE / 2;

    FaderNode(Node before, Strip strip, PanLaw law, int blockFrames) {
        super(2, before.latency, before.tail, before.gap);
        this.before = before;
        this.strip = strip;
        this.moving = isStill(strip) ? null : new MovingGains(before.width, strip, law);
        this.toLeft = new double[moving == null ? 0 : blockFrames];
        this.toRight = new double[toLeft.length];
        for (int side = 0; side < 2; side++) {
            still[side] = MovingGains.still(before.width, strip.faderDb(), strip.pan(), law, side);
        }
    }

    /** Whether it would leave every sample as it is. */
    static boolean isNeedless(int width, Strip strip) {
        return width == 2 && strip.isAtRest();
    }

    /** The factor of a side when nothing moves: fader, mute and pan in one. */
    static double stillGain(int width, Strip strip, PanLaw law, int side) {
        return strip.muted() ? 0 : MovingGains.still(width, strip.faderDb(), strip.pan(), law, side);
    }

    static boolean isStill(Strip strip) {
        return strip.faderMoves().isEmpty() && strip.panMoves().isEmpty();
    }

    /** Last frame of the session at which something lay before it that a move to come may let through. */
    long lastHeldFrame() {
        return lastHeld;
    }

    private void watch(double[] left, double[] right, long first, int frames) {
        if (first >= moving.lastFaderFrame()) {
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
        if (moving == null) {
            double stillLeft = still[0];
            double stillRight = still[1];
            if (before.width == 1) {
                for (int i = 0; i < frames; i++) {
                    double x = left[i];
                    out[i] = x * stillRight;
                    left[i] = x * stillLeft;
                }
                return true;
            }
            for (int i = 0; i < frames; i++) {
                out[i] = right[i] * stillRight;
            }
            for (int i = 0; i < frames; i++) {
                left[i] *= stillLeft;
            }
            return true;
        }
        long first = walk - latency;
        watch(left, right, first, frames);
        moving.fill(first, frames, toLeft, toRight);
        for (int i = 0; i < frames; i++) {
            out[i] = right[i] * toRight[i];
        }
        for (int i = 0; i < frames; i++) {
            left[i] *= toLeft[i];
        }
        return true;
    }
}
