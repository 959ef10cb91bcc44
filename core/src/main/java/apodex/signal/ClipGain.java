package apodex.signal;

import apodex.session.Clip;

/**
 * A clip's gain and its straight fades. Frame {@code n} of a fade of {@code N} frames has the gain
 * {@code (n + 1/2) / N}, so that a fade in and the same fade out laid over each other add up to one.
 */
final class ClipGain {
    private ClipGain() {}

    /**
     * Applies both to a stretch of the clip.
     *
     * @param inClip  frame of the clip that index 0 stands for
     * @param samples channels x frames, changed in place
     */
    static void apply(Clip clip, double gain, long inClip, int frames, double[][] samples) {
        for (double[] channel : samples) {
            for (int i = 0; i < frames; i++) {
                channel[i] *= gain;
            }
        }
        int fadeInEnd = (int) Math.max(0, Math.min(frames, clip.fadeInFrames() - inClip));
        for (int i = 0; i < fadeInEnd; i++) {
            scale(samples, i, (inClip + i + 0.5) / clip.fadeInFrames());
        }
        long fadeOutStart = clip.frames() - clip.fadeOutFrames() - inClip;
        for (int i = (int) Math.max(0, Math.min(frames, fadeOutStart)); i < frames; i++) {
            scale(samples, i, (clip.frames() - inClip - i - 0.5) / clip.fadeOutFrames());
        }
    }

    private static void scale(double[][] samples, int at, double factor) {
        for (double[] channel : samples) {
            channel[at] *= factor;
        }
    }
}
