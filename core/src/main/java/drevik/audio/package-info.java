/**
 * Audio as it stands in files and memory: layouts and speakers, WAVE read and written, decoding by
 * {@code ffmpeg}, sample rates, dither, hashes. Audio is {@code float[channel][frame]}, full scale
 * 1. Knows nothing of a Mix; every room may see it.
 */
package drevik.audio;
