package drevik.render;

import drevik.audio.BroadcastTags;
import drevik.audio.Decibels;
import drevik.audio.Speaker;
import drevik.audio.WavWriter;
import drevik.deliver.Shape;
import drevik.meter.LoudnessMeter;
import drevik.meter.PeakMeter;
import drevik.meter.ShapeMeter;
import drevik.mix.Output;
import java.util.ArrayList;
import java.util.List;

/**
 * Writes one output and measures it as it is in the file. The frames before its start, which
 * compensation and pre-roll put there, are left out.
 */
final class OutputNode {
  final Output output;

  /**
   * The block as it is in the file, frame for frame in step with what was played; silence where
   * nothing of it is written.
   */
  final float[][] written;

  private final Feed feed;
  private final float[][] block;
  private final WavWriter writer;
  private final PeakMeter peaks;
  private final LoudnessMeter loudness;
  private final ShapeMeter shape;
  private final int sampleRate;
  private long skip;
  private long left;

  /**
   * @param skip frames before the file begins
   * @param frames of the file
   */
  OutputNode(
      Output output,
      Feed feed,
      WavWriter writer,
      int sampleRate,
      int blockSize,
      long skip,
      long frames) {
    this.output = output;
    this.feed = feed;
    this.writer = writer;
    this.block = new float[output.layout().channels()][blockSize];
    this.written = new float[output.layout().channels()][blockSize];
    this.peaks = new PeakMeter(output.layout().channels());
    this.loudness = new LoudnessMeter(sampleRate, output.layout());
    this.shape =
        new ShapeMeter(
            output.layout().channels(),
            Decibels.toGain(Shape.SILENCE_DBFS),
            frames,
            (int) Math.ceil(Shape.END_SECONDS * sampleRate));
    this.sampleRate = sampleRate;
    this.skip = skip;
    this.left = frames;
  }

  void process(int frames) {
    float[][] audio = feed.arriving(block, frames);
    int offset = (int) Math.min(skip, frames);
    skip -= offset;
    int count = (int) Math.min(left, frames - offset);
    if (count > 0) {
      left -= count;
      writer.write(audio, offset, count, written);
      peaks.add(written, offset, count);
      loudness.add(written, offset, count);
      shape.add(written, offset, count);
    }
  }

  /** Whether nothing has been heard so far. */
  boolean isSilent() {
    return peaks.samplePeakDbfs() <= Shape.SILENCE_DBFS;
  }

  /** To be asked once, when all is written and before the file is closed: its tags tell it too. */
  PrintReport.Measured measured() {
    PrintReport.Measured measured =
        new PrintReport.Measured(
            PrintReport.finiteOrNull(peaks.samplePeakDbfs()),
            PrintReport.finiteOrNull(peaks.truePeakDbtp()),
            PrintReport.finiteOrNull(loudness.integratedLufs()),
            loudness.rangeLu(),
            PrintReport.finiteOrNull(loudness.maxMomentaryLufs()),
            PrintReport.finiteOrNull(loudness.maxShortTermLufs()),
            writer.clippedSamples(),
            writer.unusableSamples(),
            shape());
    writer.measured(
        new BroadcastTags.Loudness(
            measured.integratedLufs(),
            measured.loudnessRangeLu(),
            measured.truePeakDbtp(),
            measured.maxMomentaryLufs(),
            measured.maxShortTermLufs()));
    return measured;
  }

  private Shape shape() {
    List<Speaker> speakers = output.layout().speakers();
    List<Shape.ChannelShape> channels = new ArrayList<>();
    for (int i = 0; i < speakers.size(); i++) {
      channels.add(
          new Shape.ChannelShape(
              speakers.get(i).shortName(),
              PrintReport.finiteOrNull(shape.peakDbfs(i)),
              shape.dc(i)));
    }
    return new Shape(
        channels,
        shape.identical(),
        (double) shape.longestSilence() / sampleRate,
        (double) shape.silenceAt() / sampleRate,
        PrintReport.finiteOrNull(shape.endDbfs()));
  }
}
