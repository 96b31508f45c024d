package drevik.intake;

import drevik.category.DeliverySorting;
import drevik.category.FileName;
import drevik.category.Sorting;
import drevik.edit.SeatDelivery;
import drevik.intake.conform.ConformStep;
import drevik.intake.conform.ConformedCopy;
import drevik.intake.conform.Conforming;
import drevik.intake.conform.DeadAir;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.conform.SeatWish;
import drevik.intake.measure.FileNotes;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.PairFinding;
import drevik.intake.measure.Stretch;
import drevik.intake.measure.SwappedSides;
import drevik.intake.seat.Copies;
import drevik.intake.seat.SeatNames;
import drevik.intake.seat.SeatPicture;
import drevik.intake.seat.SeatingPlan;
import drevik.intake.seat.SeatingPlanner;
import drevik.intake.seat.SessionFacts;
import drevik.intake.seat.SessionTimes;
import drevik.mix.AudioLocator;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A delivery as it stands: its files, what was measured of them, how they belong to each other, to
 * deliveries before and to the Mix, and the plan for those that are on no seat yet. Pure: what
 * became of the files so far goes in, and everything that can be said of them comes out.
 */
public final class Delivery {
  /**
   * A file of the delivery.
   *
   * @param name with its folders
   * @param audio the original
   * @param fault why it was refused; null if it was taken
   * @param found what was measured; null if it was refused, or is still to be measured
   * @param beside id of the microphone that it was compared with, or null
   * @param pair what came of that
   * @param swapped how its sides stand to those of another recording of its source, or null
   * @param off kinds of conforming that a person left out
   * @param wish where a person wants it; null for where the plan puts it
   */
  public record Item(
      String id,
      String name,
      AudioRef audio,
      @Nullable String fault,
      Sorting sorting,
      @Nullable Inspection found,
      @Nullable String beside,
      @Nullable PairFinding pair,
      @Nullable SwappedSides swapped,
      Set<ConformStep.Kind> off,
      @Nullable SeatWish wish) {
    /** The same file, compared with another microphone. */
    Item comparedWith(String other, PairFinding finding) {
      return new Item(id, name, audio, fault, sorting, found, other, finding, swapped, off, wish);
    }

    Item withSwapped(SwappedSides sides) {
      return new Item(id, name, audio, fault, sorting, found, beside, pair, sides, off, wish);
    }

    /** A person said where it goes. */
    public boolean isSortedByHand() {
      return sorting.source() == Sorting.Source.PERSON;
    }

    private boolean isTaken() {
      return fault == null && !audio.sha256().isEmpty();
    }

    private DeliveryComparison.Known known() {
      return new DeliveryComparison.Known(id, name, audio.sha256());
    }
  }

  /** Where a file is played from, once it was conformed. */
  public interface Player {
    DeliveredFile played(DeliveredFile file, ConformedCopy copies) throws IOException;
  }

  private final Mix mix;
  private final String name;
  private final @Nullable String deliveredBy;
  private final @Nullable String seatNames;
  private final Map<String, Item> items = new LinkedHashMap<>();
  private final Map<String, Sorting> sortings = new HashMap<>();
  private final Map<String, Item> originals;
  private final Map<String, String> seatedOn = new HashMap<>();
  private final DeliveryComparison comparison;
  private final Conforming conforming;
  private final List<DeliveredFile> open;
  private final SeatingPlan plan;
  private final Map<String, SeatingPlan.Place> places;
  private final Mix seated;

  /**
   * @param name of the delivery
   * @param deliveredBy whom it came from; null where nobody said
   * @param seatNames pattern that seats are named by; null for the usual one
   * @param deadAir what of the files is cut away
   * @param files in the order in which they are shown
   * @param earlier files of the deliveries before, the newest delivery first
   */
  public Delivery(
      Mix mix,
      String name,
      @Nullable String deliveredBy,
      @Nullable String seatNames,
      DeadAir deadAir,
      List<Item> files,
      List<List<DeliveryComparison.Known>> earlier) {
    this.mix = mix;
    this.name = name;
    this.deliveredBy = deliveredBy;
    this.seatNames = seatNames;
    files.forEach(file -> items.put(file.id(), file));
    sortByNeighbours(files);
    List<Item> taken = files.stream().filter(Item::isTaken).toList();
    originals = Copies.originals(taken, file -> file.audio().sha256(), Item::name);
    for (Channel channel : mix.channels()) {
      for (Clip clip : channel.clips()) {
        clip.delivered().forEach(file -> seatedOn.put(file, channel.name()));
      }
    }
    comparison = DeliveryComparison.of(taken.stream().map(Item::known).toList(), earlier);
    conforming =
        Conforming.of(
            mix, deadAir, files.stream().filter(this::isMeasured).map(this::source).toList());
    open =
        conforming.files().stream()
            .filter(file -> !seatedOn.containsKey(file.id()))
            .map(this::compared)
            .toList();
    plan = plan(open);
    places =
        plan.places().stream().collect(Collectors.toMap(SeatingPlan.Place::file, place -> place));
    SeatDelivery edit = plan.toEdit(name, deliveredBy);
    seated = edit.seatings().isEmpty() ? mix : edit.applyTo(mix.withKind(MixKind.SESSION));
  }

  /** Followed anew at each look, so that a correction tells its neighbours at once. */
  private void sortByNeighbours(List<Item> files) {
    List<Sorting> found =
        DeliverySorting.of(
            files.stream()
                .map(file -> new DeliverySorting.Named(file.name(), file.sorting()))
                .toList());
    for (int i = 0; i < files.size(); i++) {
      sortings.put(files.get(i).id(), found.get(i));
    }
  }

  private SeatingPlan plan(List<DeliveredFile> files) {
    List<String> names = items.values().stream().map(Item::name).toList();
    return SeatingPlanner.plan(mix, files, SeatNames.of(seatNames, names));
  }

  private Item item(String file) {
    return Lookup.in(items, file);
  }

  private static Inspection found(Item measured) {
    return Objects.requireNonNull(measured.found(), measured.name());
  }

  private boolean isMeasured(Item file) {
    return file.fault() == null && file.found() != null;
  }

  private Conforming.Source source(Item file) {
    return new Conforming.Source(
        file.id(),
        file.name(),
        file.audio(),
        sorting(file.id()).category(),
        found(file),
        beside(file.id()).orElse(null),
        swappedAgainst(file.id()).orElse(null),
        file.off());
  }

  private DeliveredFile compared(DeliveredFile file) {
    DeliveryComparison.Against against = against(file.id());
    return file.with()
        .deliveredBy(deliveredBy)
        .wish(item(file.id()).wish())
        .replaces(against.state() == DeliveryComparison.State.CHANGED ? against.earlier() : null)
        .known(against.state() == DeliveryComparison.State.SAME ? against.earlier() : null)
        .build();
  }

  public Mix mix() {
    return mix;
  }

  /** All files, in the order in which they were given. */
  public List<Item> items() {
    return List.copyOf(items.values());
  }

  /** Where a file is sorted, its neighbours asked. */
  public Sorting sorting(String file) {
    return Lookup.in(sortings, file);
  }

  /** How a file stands to the deliveries before; new if it was refused. */
  public DeliveryComparison.Against against(String file) {
    return comparison
        .states()
        .getOrDefault(file, new DeliveryComparison.Against(DeliveryComparison.State.NEW, null));
  }

  /** Names of the delivery before that did not come again. */
  public List<String> missing() {
    return comparison.missing();
  }

  /** Everything that could be done to a file on its way to a seat. */
  public List<ConformStep> steps(String file) {
    return isMeasured(item(file)) ? conforming.steps(file) : List.of();
  }

  /** What is cut away of a file when it is seated, in its own frames. */
  public List<Stretch> cuts(String file) {
    return isMeasured(item(file)) ? conforming.cuts(file) : List.of();
  }

  /** The microphone that a file was compared with, and what came of it. */
  public Optional<ConformStep.Beside> beside(String file) {
    Item item = item(file);
    PairFinding pair = item.pair();
    Item other = item.beside() == null ? null : items.get(item.beside());
    return pair == null || other == null
        ? Optional.empty()
        : Optional.of(new ConformStep.Beside(other.id(), FileName.baseOf(other.name()), pair));
  }

  /** Name of the recording that a file's sides stand the other way round than. */
  public Optional<String> swappedAgainst(String file) {
    return clearlySwapped(file).map(swapped -> FileName.baseOf(item(swapped.beside()).name()));
  }

  private Optional<SwappedSides> clearlySwapped(String file) {
    return Optional.ofNullable(item(file).swapped())
        .filter(swapped -> swapped.isClear() && items.containsKey(swapped.beside()));
  }

  /** Name of the file of this delivery that a file is a copy of. */
  public Optional<String> copyOf(String file) {
    Item original = originals.get(item(file).audio().sha256());
    return original == null || original.id().equals(file)
        ? Optional.empty()
        : Optional.of(FileName.baseOf(original.name()));
  }

  /** Name of the seat that holds a file now. */
  public Optional<String> seatedOn(String file) {
    return Optional.ofNullable(seatedOn.get(file));
  }

  /** How many files are still to be measured. */
  public int measuring() {
    return (int)
        items.values().stream()
            .filter(file -> file.fault() == null && file.found() == null)
            .count();
  }

  /** Whether a person should look where a file goes: what is settled needs nobody to say. */
  public boolean isDoubtful(String file) {
    Item item = item(file);
    boolean settled =
        item.isSortedByHand()
            || item.fault() != null
            || seatedOn.containsKey(file)
            || (item.found() != null && item.found().silent())
            || against(file).state() == DeliveryComparison.State.SAME;
    return !settled && sorting(file).confidence() < Sorting.SURE;
  }

  /** What is to know of a file's audio, in words. */
  public List<String> notes(String file) {
    Item item = item(file);
    Inspection found = item.found();
    if (item.fault() != null || found == null) {
      return List.of();
    }
    List<String> notes = new ArrayList<>(FileNotes.of(found, mix.sampleRate()));
    beside(file).ifPresent(other -> notes.addAll(FileNotes.ofPair(other.name(), other.finding())));
    if (!found.silent()) {
      copyOf(file).ifPresent(original -> notes.add("the same, bit for bit, as “" + original + "”"));
    }
    clearlySwapped(file)
        .ifPresent(
            swapped ->
                notes.add(
                    FileNotes.ofSwapped(FileName.baseOf(item(swapped.beside()).name()), swapped)));
    return notes;
  }

  /** What the files say of the session. */
  public SessionFacts facts() {
    return SessionFacts.of(
        items.values().stream()
            .filter(this::isMeasured)
            .map(
                file ->
                    new SessionFacts.Measured(
                        FileName.baseOf(file.name()), sorting(file.id()).category(), found(file)))
            .toList());
  }

  public SeatingPlan plan() {
    return plan;
  }

  /** Where the plan puts each file that it speaks of, by id. */
  public Map<String, SeatingPlan.Place> places() {
    return places;
  }

  /** Every seat as the plan leaves it. */
  public List<SeatPicture.Seat> seats() {
    return SeatPicture.of(mix, plan, seated);
  }

  /** Start, end and tempo that the files ask for; empty if nothing is seated. */
  public Optional<SessionTimes> times() {
    return SessionTimes.of(seated, facts());
  }

  /**
   * The edit that carries the plan out, every file that it places played from where the player has
   * it; what is left out need not be conformed.
   *
   * @param originals where the delivered audio is
   */
  public SeatDelivery seating(AudioLocator originals, Player player) throws IOException {
    Set<String> placed =
        plan.places().stream()
            .filter(place -> place.seat() != null)
            .map(SeatingPlan.Place::file)
            .collect(Collectors.toSet());
    ConformedCopy copies = new ConformedCopy(conforming, originals, mix.sampleRate());
    List<DeliveredFile> played = new ArrayList<>();
    for (DeliveredFile file : open) {
      played.add(placed.contains(file.id()) ? player.played(file, copies) : file);
    }
    return plan(played).toEdit(name, deliveredBy);
  }

  /** What the delivery was, to be sent back to whom it came from. */
  public DeliveryReport report(List<String> from, String date) {
    return new DeliveryReport(
        name,
        from,
        date,
        items.values().stream().map(this::reportLine).toList(),
        missing(),
        plan.stow().stream().map(SeatingPlan.Stowed::name).toList());
  }

  private DeliveryReport.Line reportLine(Item file) {
    return new DeliveryReport.Line(
        file.name(),
        file.fault() == null ? file.found() : null,
        sorting(file.id()).category(),
        file.fault() == null ? notes(file.id()) : List.of(file.fault()),
        goesTo(file));
  }

  private String goesTo(Item file) {
    SeatingPlan.Place place = places.get(file.id());
    return seatedOn(file.id())
        .orElseGet(
            () ->
                place == null
                    ? ""
                    : place.seatName() != null
                        ? place.seatName()
                        : place.act() + ": " + place.because());
  }
}
