/**
 * Sound files in and out: headers, sample formats, the broadcast extension, dither.
 *
 * <p>Reads WAV and RF64/BW64 (EBU Tech 3285, EBU Tech 3306, ITU-R BS.2088), AIFF and AIFF-C, and FLAC (RFC 9639, through a library); writes
 * WAV with a filled {@code bext} chunk, RF64 where a file passes 4 GiB. Samples are doubles with full scale at
 * 1.0; blocks are {@code double[channels][frames]}. Depends on {@code time} only.
 *
 * <p>Walk it from {@link apodex.audio.SoundFile}, which tells what a file is, to {@link apodex.audio.PcmReader}
 * and {@link apodex.audio.WavWriter}.
 */
package apodex.audio;
