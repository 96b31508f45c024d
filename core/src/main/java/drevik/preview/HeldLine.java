package drevik.preview;

import org.jspecify.annotations.Nullable;

/**
 * A pin that holds back what the category map now says.
 *
 * @param slot see {@link drevik.mix.Slot}
 * @param keeps what stays, in words
 * @param wanted what the map says, in words
 * @param by the act that pinned it
 */
public record HeldLine(
    String channel,
    String name,
    String slot,
    String label,
    String keeps,
    String wanted,
    @Nullable String by) {}
