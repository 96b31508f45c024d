package drevik.mix;

/**
 * A tap that a processor listens to and nobody hears.
 *
 * @param source a channel's id
 */
public record Key(String source, Tap tap) {}
