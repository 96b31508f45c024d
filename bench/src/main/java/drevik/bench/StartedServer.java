package drevik.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import drevik.codec.Documents;
import drevik.mix.Mix;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;

/** An application that runs, to be measured over HTTP and in a browser. */
record StartedServer(URI application) {
  private static final HttpClient HTTP = HttpClient.newHttpClient();

  String url(String path) {
    return application.resolve(path).toString();
  }

  /** The id of a new Mix on the shelf. */
  String create(Mix mix) throws IOException, InterruptedException {
    return made("/api/mixes/files", Documents.writeMix(mix));
  }

  /** The id of what was made. */
  String made(String path, String body) throws IOException, InterruptedException {
    return post(path, body).replaceAll("^[^}]*?\"id\":\"([^\"]*)\".*", "$1");
  }

  /** Sends a file to a delivery. */
  void upload(String delivery, String name, Path file) throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(
                application.resolve("/api/deliveries/" + delivery + "/files?name=" + name))
            .header("Content-Type", "application/octet-stream")
            .PUT(BodyPublishers.ofFile(file))
            .build();
    var answer = HTTP.send(request, BodyHandlers.ofString());
    if (answer.statusCode() != 200) {
      throw new IOException(name + " was answered " + answer.statusCode() + ": " + answer.body());
    }
  }

  String post(String path, String body) throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(application.resolve(path))
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(body))
            .build();
    var answer = HTTP.send(request, BodyHandlers.ofString());
    if (answer.statusCode() != 200) {
      throw new IOException(path + " was answered " + answer.statusCode() + ": " + answer.body());
    }
    return answer.body();
  }

  static Browser chromium(Playwright playwright) {
    return playwright
        .chromium()
        .launch(
            new BrowserType.LaunchOptions()
                .setExecutablePath(Path.of("/usr/bin/chromium"))
                .setArgs(
                    List.of("--no-sandbox", "--disable-gpu", "--disable-background-networking")));
  }

  static double median(double[] times) {
    Arrays.sort(times);
    return times[times.length / 2];
  }
}
