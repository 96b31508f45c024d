package drevik.demo;

import static drevik.demo.Voices.RATE;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.nio.file.Path;

/** One delivered file. */
@SuppressWarnings("ArrayRecordComponent") // never compared
record Track(String fileName, int sampleRate, SampleFormat format, float[][] audio) {
  /** As nearly all are: 24-bit, at 48 kHz. */
  static Track of(String fileName, float[]... audio) {
    return new Track(fileName, RATE, SampleFormat.PCM_24, audio);
  }

  Path writeTo(Path folder) throws IOException {
    Path file = folder.resolve(fileName);
    Layout layout = Layout.ofChannels(audio.length);
    try (WavWriter writer = WavWriter.create(file, format, sampleRate, layout)) {
      writer.write(audio, 0, audio[0].length);
    }
    return file;
  }
}
