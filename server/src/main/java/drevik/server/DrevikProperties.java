package drevik.server;

import java.nio.file.Path;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Settings.
 *
 * @param data folder for audio and prints
 * @param demo load the demo once
 * @param works takes up prints, files and what else there is to do; without it, only answers
 * @param hosts names that this machine is called by, beside those that every machine has
 */
@ConfigurationProperties("drevik")
public record DrevikProperties(
    Path data,
    boolean demo,
    @DefaultValue("true") boolean works,
    @DefaultValue List<String> hosts) {}
