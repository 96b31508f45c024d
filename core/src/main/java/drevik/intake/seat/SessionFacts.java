package drevik.intake.seat;

import drevik.category.CategoryTree;
import drevik.edit.SetSampleRate;
import drevik.intake.measure.Inspection;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What a delivery says of the session that it belongs to.
 *
 * @param sampleRate of the client's final mixes if there are any, else of most files, Hz
 * @param bitDepth likewise
 * @param startSeconds first sound of any file that is mixed
 * @param endSeconds last sound of any
 * @param tempoBpm beats a minute
 * @param because where rate, depth and tempo come from
 */
public record SessionFacts(
    @Nullable Integer sampleRate,
    @Nullable Integer bitDepth,
    @Nullable Double startSeconds,
    @Nullable Double endSeconds,
    @Nullable Double tempoBpm,
    List<String> because) {
  /** A measured file. */
  public record Measured(String name, String category, Inspection found) {}

  private static final Pattern TEMPO =
      Pattern.compile("(?i)(?<!\\d)(\\d{2,3}(?:[.,]\\d{1,2})?) ?bpm");

  /** The delivery's rate in Hz, where a session is at another and free to take it. */
  public Optional<Integer> rateFor(Mix mix) {
    return Optional.ofNullable(sampleRate)
        .filter(rate -> mix.kind() == MixKind.SESSION && rate != mix.sampleRate())
        .filter(rate -> SetSampleRate.isOpenTo(mix, rate));
  }

  public static SessionFacts of(List<Measured> files) {
    java.util.ArrayList<String> because = new java.util.ArrayList<>();
    List<Measured> finals =
        files.stream().filter(f -> f.category().equals("print") && !f.found().silent()).toList();
    List<Measured> asked = finals.isEmpty() ? mixed(files) : finals;
    Optional<Integer> rate = most(asked, f -> f.found().header().sampleRate());
    Optional<Integer> bits = most(asked, f -> f.found().header().format().bits());
    if (rate.isPresent()) {
      because.add(
          finals.isEmpty() ? "rate and depth of most files" : "rate and depth of the final mix");
    }
    Double tempo = tempo(files, because);
    return new SessionFacts(
        rate.orElse(null),
        bits.orElse(null),
        mixed(files).stream()
            .map(f -> f.found().firstSoundSeconds())
            .filter(java.util.Objects::nonNull)
            .min(Comparator.naturalOrder())
            .orElse(null),
        mixed(files).stream()
            .map(f -> f.found().lastSoundSeconds())
            .filter(java.util.Objects::nonNull)
            .max(Comparator.naturalOrder())
            .orElse(null),
        tempo,
        List.copyOf(because));
  }

  /** A click, a reference or a print says nothing of where the song begins and ends. */
  private static List<Measured> mixed(List<Measured> files) {
    return files.stream()
        .filter(f -> !f.found().silent())
        .filter(
            f -> !List.of("click", "reference", "print").contains(CategoryTree.topOf(f.category())))
        .toList();
  }

  private static @Nullable Double tempo(List<Measured> files, List<String> because) {
    for (Measured file : files) {
      Double pulse = file.found().sound().pulseBpm();
      if (file.category().equals("click") && pulse != null) {
        because.add("tempo of “" + file.name() + "”");
        // A click is made of whole numbers, or of tenths; the hops of the measurement are not.
        double whole = Math.rint(pulse);
        return Math.abs(pulse - whole) < 0.1 ? whole : Math.rint(pulse * 10) / 10;
      }
    }
    Map<Double, Integer> said = new LinkedHashMap<>();
    for (Measured file : files) {
      Matcher matcher = TEMPO.matcher(file.name());
      if (matcher.find()) {
        double bpm = Double.parseDouble(matcher.group(1).replace(',', '.'));
        if (bpm >= 30 && bpm <= 300) {
          said.merge(bpm, 1, Integer::sum);
        }
      }
    }
    Optional<Double> most =
        said.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    most.ifPresent(bpm -> because.add("tempo from the files’ names"));
    return most.orElse(null);
  }

  private static Optional<Integer> most(List<Measured> files, Function<Measured, Integer> what) {
    Map<Integer, Integer> counts = new LinkedHashMap<>();
    files.forEach(file -> counts.merge(what.apply(file), 1, Integer::sum));
    return counts.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }
}
