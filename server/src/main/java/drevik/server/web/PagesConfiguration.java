package drevik.server.web;

import java.net.InetAddress;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.Compression;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistration;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/** How the pages' own files are handed out, and what the container may say of itself: nothing. */
@Configuration
class PagesConfiguration implements WebMvcConfigurer {
  private static final String FILES = "classpath:/static/";

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    // Their names hold a hash of what is in them.
    packed(registry.addResourceHandler("/assets/**").addResourceLocations(FILES + "assets/"))
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    packed(registry.addResourceHandler("/**").addResourceLocations(FILES))
        .setCacheControl(CacheControl.noCache());
  }

  /** The build packed them once, beside. */
  private static ResourceHandlerRegistration packed(ResourceHandlerRegistration files) {
    files.resourceChain(true).addResolver(new EncodedResourceResolver());
    return files;
  }

  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> container(
      @Value("${server.address}") InetAddress address) {
    return factory -> {
      if (!address.isLoopbackAddress()) {
        // On loopback packing costs more than it saves.
        Compression packing = new Compression();
        packing.setEnabled(true);
        factory.setCompression(packing);
      }
      factory.addContextCustomizers(
          context -> context.getParent().getPipeline().addValve(new ProblemReportValve()));
    };
  }
}
