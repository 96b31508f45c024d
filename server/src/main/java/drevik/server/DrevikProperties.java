package drevik.server;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings.
 *
 * @param data folder for audio and prints
 * @param demo load the demo once
 */
@ConfigurationProperties("drevik")
public record DrevikProperties(Path data, boolean demo) {}
