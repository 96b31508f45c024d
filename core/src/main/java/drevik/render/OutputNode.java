package drevik.render;

import drevik.audio.WavWriter;
import drevik.meter.LoudnessMeter;
import drevik.meter.PeakMeter;
import drevik.mix.Output;

/**
 * Writes and measures one output. The frames that compensation put before its start are left out.
 */
final class OutputNode {
  final Output output;
  private final Feed feed;
  private final float[][] block;
  private final WavWriter writer;
  private final PeakMeter peaks;
  private final LoudnessMeter loudness;
  private long skip;
  private long left;

  OutputNode(
      Output output,
      Feed feed,
      WavWriter writer,
      int sampleRate,
      int blockSize,
      long latency,
      long frames) {
    this.output = output;
    this.feed = feed;
    this.writer = writer;
    this.block = new float[output.layout().channels()][blockSize];
    this.peaks = new PeakMeter(sampleRate, output.layout().channels());
    this.loudness = new LoudnessMeter(sampleRate, output.layout());
    this.skip = latency;
    this.left = frames;
  }

  void process(int frames) {
    float[][] audio = feed.arriving(block, frames);
    int offset = (int) Math.min(skip, frames);
    skip -= offset;
    int count = (int) Math.min(left, frames - offset);
    if (count > 0) {
      left -= count;
      peaks.add(audio, offset, count);
      loudness.add(audio, offset, count);
      writer.write(audio, offset, count);
    }
  }

  PrintReport.Printed report(String file, long frames) {
    return new PrintReport.Printed(
        output.id(),
        output.name(),
        file,
        frames,
        PrintReport.finiteOrNull(peaks.samplePeakDbfs()),
        PrintReport.finiteOrNull(peaks.truePeakDbtp()),
        PrintReport.finiteOrNull(loudness.integratedLufs()),
        loudness.rangeLu(),
        null);
  }
}
