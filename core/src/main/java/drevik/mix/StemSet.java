package drevik.mix;

import java.util.List;

/**
 * Outputs that must add up to a mix output, sample by sample.
 *
 * @param mixOutput an output's id
 * @param stems ids of outputs
 */
public record StemSet(String id, String name, String mixOutput, List<String> stems) {
  public StemSet {
    stems = Lists.copy(stems);
  }
}
