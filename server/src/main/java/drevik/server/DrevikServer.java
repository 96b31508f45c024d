package drevik.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** The application: HTTP, persistence, jobs and the audio store over the core. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class DrevikServer {
  private static final int CONFIGURATION = 78;

  public static void main(String[] args) {
    try {
      SpringApplication.run(DrevikServer.class, args);
    } catch (RuntimeException e) {
      for (Throwable cause = e; cause != null; cause = cause.getCause()) {
        if (cause instanceof CannotStart why) {
          // In these words for the script that watches, and by it for a person.
          System.err.println("drevik: " + why.getMessage());
          System.exit(CONFIGURATION);
        }
      }
      throw e;
    }
  }
}
