package apodex.measure;

import static apodex.measure.StereoImage.Kind.LEFT_ONLY;
import static apodex.measure.StereoImage.Kind.MONO;
import static apodex.measure.StereoImage.Kind.RIGHT_ONLY;
import static apodex.measure.StereoImage.Kind.SAME_ON_BOTH_SIDES;
import static apodex.measure.StereoImage.Kind.SILENT;
import static apodex.measure.StereoImage.Kind.STEREO;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

final class StereoImageTest {
    private static StereoImage image(double left, double right, double difference) {
        return new StereoImage(left, right, difference, false);
    }

    @Test
    void ninetyDecibelsBelowTheLouderSideIsTheBorder() {
        double loud = 0.1; // -20 dBFS, so the border lies at -110 dBFS
        double justBelow = loud * Math.pow(10, -90.1 / 20);
        double justAbove = loud * Math.pow(10, -89.9 / 20);
        assertThat(image(loud, loud, 0).kind()).isEqualTo(SAME_ON_BOTH_SIDES);
        assertThat(image(loud, loud, justBelow).kind()).isEqualTo(SAME_ON_BOTH_SIDES);
        assertThat(image(loud, loud, justAbove).kind()).isEqualTo(STEREO);
        assertThat(image(loud, justBelow, loud).kind()).isEqualTo(LEFT_ONLY);
        assertThat(image(loud, justAbove, loud).kind()).isEqualTo(STEREO);
        assertThat(image(0, loud, loud).kind()).isEqualTo(RIGHT_ONLY);
    }

    @Test
    void silenceIsSilenceAndOneChannelIsMono() {
        assertThat(image(0, 0, 0).kind()).isEqualTo(SILENT);
        assertThat(new StereoImage(0.5, 0.5, 0, true).kind()).isEqualTo(MONO);
    }

    @Test
    void aRowIsStereoAsSoonAsOneOfItsClipsIs() {
        StereoImage left = image(0.5, 0, 0.5);
        StereoImage right = image(0, 0.5, 0.5);
        StereoImage mono = new StereoImage(0.9, 0.9, 0, true);
        assertThat(left.with(right).kind())
                .as("left in one clip, right in another")
                .isEqualTo(STEREO);
        assertThat(left.with(mono).kind()).isEqualTo(STEREO);
        assertThat(mono.with(mono).kind()).isEqualTo(MONO);
    }

    @Test
    void decibelsFollowTheirFormula() {
        assertThat(Decibels.ofAmplitude(0.5)).isCloseTo(-6.0206, within(1e-4));
        assertThat(Decibels.toFactor(-20)).isCloseTo(0.1, within(1e-15));
        assertThat(Decibels.toFactor(0)).isEqualTo(1.0);
        assertThat(Decibels.ofAmplitude(0)).isEqualTo(Double.NEGATIVE_INFINITY);
    }
}
