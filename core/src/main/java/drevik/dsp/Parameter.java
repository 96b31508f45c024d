package drevik.dsp;

/**
 * Something that can be set on a processor.
 *
 * @param unit such as dB, Hz, ms, %; empty for plain numbers
 */
public record Parameter(
    String id, String label, String unit, double least, double most, double standard) {}
