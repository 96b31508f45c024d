package drevik.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** The application: HTTP, persistence, jobs and the audio store over the core. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class DrevikServer {
  public static void main(String[] args) {
    SpringApplication.run(DrevikServer.class, args);
  }
}
