package drevik.server.web;

import drevik.server.DrevikProperties;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets in Drevik's own pages, and nobody else's. A page of another origin can have a browser send
 * requests here; it is told by its origin, by the name that it called this machine by (which a name
 * server can point anywhere), and by kinds of content that a browser sends without asking first.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class OwnPagesOnly extends OncePerRequestFilter {
  private static final List<String> LOCAL = List.of("127.0.0.1", "localhost", "[::1]");
  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

  /** Everything comes from here; styles are set on elements as they are placed. */
  private static final String CONTENT_POLICY =
      "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline';"
          + " img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self';"
          + " frame-ancestors 'none'";

  private final Set<String> hosts = new LinkedHashSet<>(LOCAL);

  OwnPagesOnly(DrevikProperties properties) {
    properties.hosts().forEach(host -> hosts.add(host.strip().toLowerCase(Locale.ROOT)));
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    secure(response);
    String host = request.getHeader(HttpHeaders.HOST);
    if (!isOwn(host)) {
      Problem.answer(
          response,
          HttpStatus.MISDIRECTED_REQUEST,
          "Not this machine's name",
          "Drevik is not called “%s” here. Name it in DREVIK_HOSTS if it is to be reached by that."
              .formatted(host));
      return;
    }
    if (!READING.contains(request.getMethod())) {
      if (isForeign(request, String.valueOf(host))) {
        Problem.answer(
            response,
            HttpStatus.FORBIDDEN,
            "Not one of Drevik's pages",
            "Only Drevik's own pages may change anything.");
        return;
      }
      if (!isAskedFirst(request)) {
        Problem.answer(
            response,
            HttpStatus.UNSUPPORTED_MEDIA_TYPE,
            "Not understood",
            "Send JSON (Content-Type application/json), or a file as application/octet-stream.");
        return;
      }
    }
    if (holdsNul(request)) {
      Problem.answer(
          response,
          HttpStatus.BAD_REQUEST,
          "Not understood",
          "The address holds the character U+0000; take it out.");
      return;
    }
    chain.doFilter(request, response);
  }

  private static void secure(HttpServletResponse response) {
    response.setHeader("Content-Security-Policy", CONTENT_POLICY);
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("X-Frame-Options", "DENY");
    response.setHeader("Referrer-Policy", "no-referrer");
    response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
    response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
  }

  private boolean isOwn(@Nullable String authority) {
    if (authority == null) {
      return false;
    }
    String host = authority.replaceFirst(":\\d*$", "").toLowerCase(Locale.ROOT);
    return hosts.contains(host);
  }

  /** True if a browser says that a page of another origin sends this. */
  private static boolean isForeign(HttpServletRequest request, String host) {
    String origin = request.getHeader(HttpHeaders.ORIGIN);
    if (origin != null) {
      try {
        return !host.equalsIgnoreCase(URI.create(origin).getRawAuthority());
      } catch (IllegalArgumentException e) {
        return true;
      }
    }
    String site = request.getHeader("Sec-Fetch-Site");
    return site != null && !site.equals("same-origin") && !site.equals("none");
  }

  /** True for nothing at all, and for what no page can send without being allowed to first. */
  private static boolean isAskedFirst(HttpServletRequest request) {
    String type = request.getContentType();
    if (type == null) {
      return request.getContentLengthLong() <= 0;
    }
    try {
      MediaType media = MediaType.parseMediaType(type);
      return MediaType.APPLICATION_JSON.isCompatibleWith(media)
          || MediaType.APPLICATION_OCTET_STREAM.isCompatibleWith(media);
    } catch (InvalidMediaTypeException e) {
      return false;
    }
  }

  /** No database keeps that character, and no name has it. */
  private static boolean holdsNul(HttpServletRequest request) {
    return holdsNul(request.getServletPath())
        || request.getParameterMap().values().stream()
            .flatMap(java.util.Arrays::stream)
            .anyMatch(OwnPagesOnly::holdsNul);
  }

  private static boolean holdsNul(String text) {
    return text.indexOf(0) >= 0;
  }
}
