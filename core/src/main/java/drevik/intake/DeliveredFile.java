package drevik.intake;

import drevik.audio.Layout;
import drevik.mix.AudioRef;

/**
 * A received file, as the seating plan sees it.
 *
 * @param name as delivered
 * @param audio what is played: the original, or the file that was conformed from it
 * @param frames of {@code audio}
 * @param category where it is sorted to
 */
public record DeliveredFile(
    String id,
    String name,
    AudioRef audio,
    Layout layout,
    long frames,
    boolean silent,
    String category) {}
