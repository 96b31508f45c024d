package drevik.outline;

/**
 * What keeps an outline from being a Mix.
 *
 * @param line from 1; 0 where it is of no line in particular
 * @param from where it begins in the line, in characters from 0
 * @param to behind its last character
 * @param says what is wrong and what to do, in plain words
 */
public record OutlineFault(int line, int from, int to, String says) {}
