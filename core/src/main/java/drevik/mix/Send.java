package drevik.mix;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * A tap from one channel to another.
 *
 * @param destination a channel's id
 * @param levelDb dB; −144 and below is silence: ready, not open
 * @param pan −1 to 1, used instead of the channel's own
 */
@RecordBuilder
public record Send(String id, String destination, Tap tap, double levelDb, double pan, boolean on)
    implements SendBuilder.With {}
