package drevik.audio;

import java.util.OptionalLong;

/**
 * What the header of a WAVE file says.
 *
 * @param container {@code RIFF}, {@code RF64} or {@code BW64}
 * @param sampleRate Hz
 * @param dataOffset bytes from the start of the file to the first frame
 * @param frames whole frames that are really there
 * @param timeReference samples since midnight from {@code bext}, if the file has that chunk
 * @param shortened the header promised more frames than the file holds
 * @param unspokenBytes bytes behind the audio that belong to no chunk: of a file beyond 4 GiB whose
 *     32-bit size went round, most of the audio
 */
public record WavHeader(
    String container,
    SampleFormat format,
    int sampleRate,
    Layout layout,
    long dataOffset,
    long frames,
    OptionalLong timeReference,
    boolean shortened,
    long unspokenBytes) {

  public int channels() {
    return layout.channels();
  }

  public int bytesPerFrame() {
    return channels() * format.bytes();
  }

  public double seconds() {
    return (double) frames / sampleRate;
  }
}
