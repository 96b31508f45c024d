/**
 * Loudness (ITU-R BS.1770, EBU R 128), true peak and the shape of a file, measured as blocks go by.
 * Mutable, one for each stream.
 */
package drevik.meter;
