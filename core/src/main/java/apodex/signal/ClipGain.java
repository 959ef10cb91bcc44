package apodex.signal;

import apodex.session.Clip;
import apodex.session.Fade;

/**
 * A clip's gain and its fades. Frame {@code n} of a fade of {@code N} frames stands at {@code (n + 1/2) / N} of its curve,
 * so that a straight fade in and the same fade out laid over each other add up to one.
 */
public final class ClipGain {
    private ClipGain() {}

    /**
     * Applies both to a stretch of the clip.
     *
     * @param gain    the clip's own, as a factor
     * @param inClip  frame of the clip that index 0 stands for
     * @param samples channels x frames, changed in place
     */
    public static void apply(Clip clip, double gain, long inClip, int frames, double[][] samples) {
        for (double[] channel : samples) {
            for (int i = 0; i < frames; i++) {
                channel[i] *= gain;
            }
        }
        Fade in = clip.fadeIn();
        int fadeInEnd = (int) Math.max(0, Math.min(frames, in.frames() - inClip));
        for (int i = 0; i < fadeInEnd; i++) {
            scale(samples, i, in.curve().gain((inClip + i + 0.5) / in.frames()));
        }
        Fade out = clip.fadeOut();
        long fadeOutStart = clip.frames() - out.frames() - inClip;
        for (int i = (int) Math.max(0, Math.min(frames, fadeOutStart)); i < frames; i++) {
            scale(samples, i, out.curve().gain((clip.frames() - inClip - i - 0.5) / out.frames()));
        }
    }

    private static void scale(double[][] samples, int at, double factor) {
        for (double[] channel : samples) {
            channel[at] *= factor;
        }
    }
}
