package drevik.mix;

/**
 * Names an audio file by its content, so that it is found wherever it is kept.
 *
 * @param sha256 of the whole file, lower-case hex
 * @param name the file's name as delivered
 */
public record AudioRef(String sha256, String name) {}
