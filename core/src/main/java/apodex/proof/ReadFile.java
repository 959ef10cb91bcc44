package apodex.proof;

import apodex.measure.SoundMeasures;

/**
 * A printed file as it was found.
 *
 * @param measures of its samples
 * @param digest   {@link apodex.audio.SampleDigest} of the samples on the disk; empty when they could not be read
 */
public record ReadFile(FileProof proof, SoundMeasures measures, String digest) {}
