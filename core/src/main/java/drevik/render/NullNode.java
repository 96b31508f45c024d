package drevik.render;

import drevik.mix.StemSet;
import java.util.ArrayList;
import java.util.List;

/** Takes the stems of a set away from their mix while they are printed, and keeps what is left. */
final class NullNode {
  final StemSet set;
  final List<Feed> feeds = new ArrayList<>();
  private final float[][] block;
  private long skip;
  private long left;
  private double residual;

  NullNode(StemSet set, int channels, int blockSize, long latency, long frames) {
    this.set = set;
    this.block = new float[channels][blockSize];
    this.skip = latency;
    this.left = frames;
  }

  void process(int frames) {
    feeds.get(0).replace(block, frames);
    for (int i = 1; i < feeds.size(); i++) {
      feeds.get(i).addTo(block, frames);
    }
    int offset = (int) Math.min(skip, frames);
    skip -= offset;
    int count = (int) Math.min(left, frames - offset);
    left -= Math.max(0, count);
    for (float[] channel : block) {
      for (int i = offset; i < offset + count; i++) {
        residual = Math.max(residual, Math.abs(channel[i]));
      }
    }
  }

  PrintReport.NullTest report() {
    return new PrintReport.NullTest(
        set.id(), set.name(), PrintReport.finiteOrNull(20 * Math.log10(residual)));
  }
}
