package drevik.preview;

import org.jspecify.annotations.Nullable;

/**
 * One changed thing of one channel.
 *
 * @param channel its id
 * @param name of the channel, as it is now
 * @param field the channel's field, as documents call it
 * @param slot by which the line can be left out, see {@link drevik.mix.Slot}; null where the map
 *     does not decide it
 * @param label of the field
 * @param from the value now, as documents have it; null for none
 * @param to the value then
 * @param before the value now, in words
 * @param after the value then, in words
 * @param why where the new value comes from
 */
public record FieldLine(
    String channel,
    String name,
    String field,
    @Nullable String slot,
    String label,
    @Nullable Object from,
    @Nullable Object to,
    String before,
    String after,
    String why) {}
