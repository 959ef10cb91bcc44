package apodex.signal;

import apodex.audio.ResampleKernel;
import apodex.time.SampleRate;
import java.util.HashMap;
import java.util.Map;

/** The resampling filters of one walk, each made once. Used while the graph is built, not while it runs. */
final class Kernels {
    private final Map<String, ResampleKernel> kernels = new HashMap<>();

    ResampleKernel between(SampleRate in, SampleRate out) {
        return kernels.computeIfAbsent(in.hertz() + ">" + out.hertz(), pair -> new ResampleKernel(in, out));
    }
}
