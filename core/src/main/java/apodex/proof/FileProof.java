package apodex.proof;

import apodex.audio.SampleFormat;
import apodex.audio.SoundInfo.Container;
import apodex.signal.Placed;
import apodex.time.SampleRate;
import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;

/**
 * What was read back of one printed file.
 *
 * @param name             file name
 * @param folder           its folder in the parcel
 * @param container        file type found in the header; null when the file could not be read
 * @param rate             frames per second
 * @param sample           sample format
 * @param channels         number of channels
 * @param frames           length
 * @param timeReference    first frame counted from midnight; null when the file does not say
 * @param firstSoundFrame  first frame that is not zero; null when there is none
 * @param peakDbfs         loudest sample; null when every sample is zero
 * @param loudnessLufs     integrated loudness (ITU-R BS.1770-4); null when too quiet to tell
 * @param truePeakDbtp     true peak (BS.1770-4, annex 2); null when silent
 * @param offset           mean of the channel that is furthest off zero, as a share of full scale
 * @param silent           every sample is zero
 * @param nearlySilent     not silent, but never above -60 dBFS
 * @param fullScaleSamples samples at (of floats: at or beyond) full scale
 * @param overs            samples that passed full scale when it was written and were held there
 * @param bytes            size of the file
 * @param sha256           of the whole file
 * @param crc32            of the whole file (IEEE 802.3); null of proofs from before it was taken
 * @param modifiedMillis   when the file system says it was written last; null of proofs from before it was taken
 * @param content          tells its samples from others; files of one content hold the same
 * @param placed           on which side its sound sits in the session
 * @param takenOver        whether an earlier run made it, and nothing it follows from has changed
 * @param like             an earlier file that holds the same; null when there is none
 * @param trouble          why it could not be read; null when it could
 */
public record FileProof(
        String name,
        String folder,
        @Nullable Container container,
        SampleRate rate,
        SampleFormat sample,
        int channels,
        long frames,
        @Nullable Long timeReference,
        @Nullable Long firstSoundFrame,
        @Nullable Double peakDbfs,
        @Nullable Double loudnessLufs,
        @Nullable Double truePeakDbtp,
        double offset,
        boolean silent,
        boolean nearlySilent,
        long fullScaleSamples,
        long overs,
        long bytes,
        String sha256,
        @Nullable Long crc32,
        @Nullable Long modifiedMillis,
        @JsonAlias("contentSha256") String content,
        @Nullable Placed placed,
        boolean takenOver,
        @Nullable Likeness like,
        @Nullable String trouble) {

    /** Where it lies in the parcel. */
    @JsonIgnore
    public String path() {
        return folder.isEmpty() ? name : folder + "/" + name;
    }

    /** Whether it could be read. */
    @JsonIgnore
    public boolean isRead() {
        return trouble == null;
    }

    /** One that is not there, or not whole. */
    static FileProof unread(
            String name, String folder, SampleRate rate, SampleFormat sample, int channels, String trouble) {
        return new FileProof(
                name,
                folder,
                null,
                rate,
                sample,
                channels,
                0,
                null,
                null,
                null,
                null,
                null,
                0,
                true,
                false,
                0,
                0,
                0,
                "",
                null,
                null,
                "",
                Placed.MIDDLE,
                false,
                null,
                trouble);
    }

    FileProof like(Likeness other) {
        return new FileProof(
                name,
                folder,
                container,
                rate,
                sample,
                channels,
                frames,
                timeReference,
                firstSoundFrame,
                peakDbfs,
                loudnessLufs,
                truePeakDbtp,
                offset,
                silent,
                nearlySilent,
                fullScaleSamples,
                overs,
                bytes,
                sha256,
                crc32,
                modifiedMillis,
                content,
                placed,
                takenOver,
                other,
                trouble);
    }
}
