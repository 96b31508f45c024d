package drevik.e2e;

import drevik.audio.WavReader;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** What the tests ask of printed files. */
final class Audio {
  private Audio() {}

  static float[][] read(Path file) throws IOException {
    try (WavReader reader = WavReader.open(file)) {
      float[][] audio = new float[reader.header().channels()][(int) reader.header().frames()];
      reader.read(0, audio, 0, audio[0].length);
      return audio;
    }
  }

  /** Largest sample that is left when the parts are taken away from the whole, dBFS. */
  static double residualDbfs(Path whole, List<Path> parts) throws IOException {
    double[][] left = widen(read(whole));
    for (Path part : parts) {
      float[][] audio = read(part);
      for (int channel = 0; channel < left.length; channel++) {
        for (int i = 0; i < left[channel].length; i++) {
          left[channel][i] -= audio[channel][i];
        }
      }
    }
    return 20 * Math.log10(largest(left));
  }

  static double peakDbfs(Path file) throws IOException {
    return 20 * Math.log10(largest(widen(read(file))));
  }

  /** Level of the mean of all channels over a stretch, dBFS. */
  static double rmsDbfs(Path file, double fromSeconds, double toSeconds) throws IOException {
    try (WavReader reader = WavReader.open(file)) {
      int rate = reader.header().sampleRate();
      int frames = (int) ((toSeconds - fromSeconds) * rate);
      float[][] audio = new float[reader.header().channels()][frames];
      reader.read((long) (fromSeconds * rate), audio, 0, frames);
      double sum = 0;
      for (int i = 0; i < frames; i++) {
        double mean = 0;
        for (float[] channel : audio) {
          mean += channel[i] / audio.length;
        }
        sum += mean * mean;
      }
      return 10 * Math.log10(sum / frames);
    }
  }

  /** Where a file rises or falls most from one sample to the next, and by how much. */
  record Steepest(double seconds, double rise) {}

  static Steepest steepestIn(Path file, double fromSeconds, double toSeconds) throws IOException {
    try (WavReader reader = WavReader.open(file)) {
      int rate = reader.header().sampleRate();
      float[][] audio = read(file);
      Steepest steepest = new Steepest(0, 0);
      for (int i = (int) (fromSeconds * rate); i < toSeconds * rate; i++) {
        double rise = Math.abs(audio[0][i] - audio[0][i - 1]);
        steepest = rise > steepest.rise() ? new Steepest(i / (double) rate, rise) : steepest;
      }
      return steepest;
    }
  }

  private static double[][] widen(float[][] audio) {
    double[][] wide = new double[audio.length][audio[0].length];
    for (int channel = 0; channel < audio.length; channel++) {
      for (int i = 0; i < audio[channel].length; i++) {
        wide[channel][i] = audio[channel][i];
      }
    }
    return wide;
  }

  private static double largest(double[][] audio) {
    double most = 0;
    for (double[] channel : audio) {
      for (double sample : channel) {
        most = Math.max(most, Math.abs(sample));
      }
    }
    return most;
  }
}
