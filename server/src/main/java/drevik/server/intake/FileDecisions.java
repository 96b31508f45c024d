package drevik.server.intake;

import drevik.category.CategoryTree;
import drevik.category.Sorting;
import drevik.intake.conform.ConformStep;
import drevik.intake.conform.DeadAir;
import drevik.intake.conform.SeatWish;
import drevik.intake.seat.SeatNames;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.server.NotFound;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people decide about delivered files: category, steps, seat, and what is learned of it. */
@Service
class FileDecisions {
  private final DeliveryLoader loader;
  private final DeliveredFileRows files;
  private final LearnedSorting sorting;
  private final Deliveries deliveries;

  FileDecisions(
      DeliveryLoader loader,
      DeliveredFileRows files,
      LearnedSorting sorting,
      Deliveries deliveries) {
    this.loader = loader;
    this.files = files;
    this.sorting = sorting;
    this.deliveries = deliveries;
  }

  /**
   * Files go where a person says; it is learned, and holds at once for the other files of the
   * delivery that are called the same but for numbers and sides.
   */
  @Transactional
  public void setCategory(String deliveryId, List<String> fileIds, String category) {
    requireCategory(category);
    String client = LearnedSorting.clientOf(loader.row(deliveryId));
    List<DeliveredFileRow> rows = files.findByDeliveryIdOrderByName(deliveryId);
    List<DeliveredFileRow> meant = rows.stream().filter(row -> fileIds.contains(row.id)).toList();
    for (DeliveredFileRow row : meant) {
      row.sort(Sorting.byHand(category));
    }
    sorting.learn(client, meant.stream().map(row -> row.name).toList(), category);
    LearnedSorting.Known known = sorting.known(client);
    rows.stream()
        .filter(row -> !row.isSortedByHand())
        .forEach(row -> known.of(row.name).ifPresent(row::sort));
  }

  /** Leaves a step of conforming out, or takes it in again. */
  @Transactional
  public void setStep(String deliveryId, String fileId, String kind, boolean off) {
    boolean optional =
        Arrays.stream(ConformStep.Kind.values())
            .anyMatch(one -> one.isOptional() && one.toString().equals(kind));
    if (!optional) {
      throw new Refused("“" + kind + "” is no step that can be left out.");
    }
    DeliveredFileRow row =
        files
            .findById(fileId)
            .filter(one -> one.deliveryId.equals(deliveryId))
            .orElseThrow(() -> new NotFound("This delivery has no file “" + fileId + "”."));
    List<String> left = new ArrayList<>(row.stepsOff);
    left.remove(kind);
    if (off) {
      left.add(kind);
    }
    row.stepsOff = left;
  }

  @Transactional
  public void forgetRule(String ruleId) {
    sorting.forget(ruleId);
  }

  /** A learned correction says something else, and the files that it is about follow at once. */
  @Transactional
  public void changeRule(String deliveryId, String ruleId, String category) {
    requireCategory(category);
    String client = LearnedSorting.clientOf(loader.row(deliveryId));
    String words = sorting.change(ruleId, category);
    LearnedSorting.Known known = sorting.known(client);
    for (DeliveredFileRow row : files.findByDeliveryIdOrderByName(deliveryId)) {
      if (LearnedSorting.wordsOf(row.name).equals(words)) {
        known.of(row.name).ifPresent(row::sort);
      }
    }
  }

  private static void requireCategory(String category) {
    if (!CategoryTree.has(category)) {
      throw Refused.about(category, CategoryTree.unknownMessage(category));
    }
  }

  /** Files go where a person says, or where the plan puts them again. */
  @Transactional
  public void wish(String deliveryId, List<String> fileIds, @Nullable SeatWish wish) {
    Mix mix = deliveries.mixOf(deliveryId);
    if (wish != null) {
      requireChannel(mix, wish);
    }
    SeatWish seat = wish != null && wish.kind() == SeatWish.Kind.SEAT ? wish : null;
    for (DeliveredFileRow row : files.findByDeliveryIdOrderByName(deliveryId)) {
      if (fileIds.contains(row.id)) {
        row.wish = wish;
      } else if (seat != null && seat.equals(row.wish)) {
        // Two cannot have one seat; who is put there last has it.
        row.wish = null;
      }
    }
  }

  private static void requireChannel(Mix mix, SeatWish wish) {
    if (wish.kind() == SeatWish.Kind.LEFT_OUT) {
      return;
    }
    Channel channel =
        mix.channel(String.valueOf(wish.channel()))
            .orElseThrow(() -> new NotFound("This Mix has no channel “" + wish.channel() + "”."));
    if (wish.kind() == SeatWish.Kind.SEAT && !channel.awaitsAudio()) {
      throw Refused.about(
          channel.id(),
          "“" + channel.name() + "” is no free seat; free it first or choose another.");
    }
    if (wish.kind() == SeatWish.Kind.NEW_SEAT && channel.kind().holdsClips()) {
      throw Refused.about(
          channel.id(), "A seat cannot feed “" + channel.name() + "”, which holds audio itself.");
    }
  }

  /** What counts as dead air in the files of a delivery, from now on. */
  @Transactional
  public void setDeadAir(String deliveryId, DeadAir deadAir) {
    loader.row(deliveryId).deadAir = deadAir.equals(DeadAir.USUAL) ? null : deadAir;
  }

  /** How seats are named after their files; nothing for the usual way. */
  @Transactional
  public void nameSeats(String deliveryId, @Nullable String pattern) {
    String wanted = pattern == null || pattern.isBlank() ? null : pattern.strip();
    if (wanted != null) {
      SeatNames.requireSound(wanted);
    }
    loader.row(deliveryId).seatNames = wanted;
  }
}
