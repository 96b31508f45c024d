package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Refused;
import org.jspecify.annotations.Nullable;

/** Sets tempo, start and end. */
public record SetTimes(double tempo, long startFrame, @Nullable Long endFrame) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Picked.requireRange("The tempo", tempo, 20, 400, " beats per minute");
    if (startFrame < 0 || endFrame != null && endFrame <= startFrame) {
      throw new Refused(
          "The end must stand behind the start, and neither before 0; correct one of them.");
    }
    return mix.withTempo(tempo).withStartFrame(startFrame).withEndFrame(endFrame);
  }

  @Override
  public String says(Mix before) {
    return "set tempo, start and end";
  }
}
