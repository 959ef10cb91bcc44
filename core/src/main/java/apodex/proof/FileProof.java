package apodex.proof;

import apodex.audio.SampleFormat;
import apodex.audio.SoundInfo.Container;
import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;

/**
 * What was read back of one printed file.
 *
 * @param name             file name
 * @param folder           its folder in the parcel
 * @param container        file type found in the header
 * @param rate             frames per second
 * @param sample           sample format
 * @param channels         number of channels
 * @param frames           length
 * @param timeReference    first frame counted from midnight; null when the file does not say
 * @param firstSoundFrame  first frame that is not zero; null when there is none
 * @param peakDbfs         loudest sample; null when every sample is zero
 * @param loudnessLufs     integrated loudness of a reference mix; null when too quiet to tell, and of other files
 * @param truePeakDbtp     true peak of a reference mix; null when silent, and of other files
 * @param silent           every sample is zero
 * @param nearlySilent     not silent, but never above -60 dBFS
 * @param fullScaleSamples samples at (of floats: at or beyond) full scale
 * @param overs            samples that passed full scale when it was written and were held there
 * @param bytes            size of the file
 * @param sha256           of the whole file
 * @param contentSha256    of its samples alone
 * @param takenOver        whether an earlier run made it, and nothing it follows from has changed
 * @param sameAs           name of an earlier file with the same samples; null when there is none
 */
public record FileProof(
        String name,
        String folder,
        Container container,
        SampleRate rate,
        SampleFormat sample,
        int channels,
        long frames,
        @Nullable Long timeReference,
        @Nullable Long firstSoundFrame,
        @Nullable Double peakDbfs,
        @Nullable Double loudnessLufs,
        @Nullable Double truePeakDbtp,
        boolean silent,
        boolean nearlySilent,
        long fullScaleSamples,
        long overs,
        long bytes,
        String sha256,
        String contentSha256,
        boolean takenOver,
        @Nullable String sameAs) {

    /** Where it lies in the parcel. */
    @JsonIgnore
    public String path() {
        return folder.isEmpty() ? name : folder + "/" + name;
    }

    FileProof sameAs(String other) {
        return new FileProof(name, folder, container, rate, sample, channels, frames, timeReference, firstSoundFrame,
                peakDbfs, loudnessLufs, truePeakDbtp, silent, nearlySilent, fullScaleSamples, overs, bytes, sha256, contentSha256, takenOver, other);
    }
}
