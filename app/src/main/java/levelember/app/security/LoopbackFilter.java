package levelember.app.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets only pages of this application on this machine in: the Host is a loopback name, and a
 * request that a browser sends for another site is refused. Sets the content security policy.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class LoopbackFilter extends OncePerRequestFilter {
  private static final Set<String> HOSTS = Set.of("localhost", "127.0.0.1", "[::1]");
  private static final String POLICY =
      "default-src 'self'; img-src 'self' blob: data:; style-src 'self' 'unsafe-inline'; "
          + "connect-src 'self'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'";

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String origin = request.getHeader("Origin");
    if (!HOSTS.contains(name(request.getHeader("Host")))
        || origin != null && !own(origin, request)
        || !ownSite(request)) {
      response.sendError(HttpServletResponse.SC_FORBIDDEN);
      return;
    }
    response.setHeader("Content-Security-Policy", POLICY);
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("Referrer-Policy", "no-referrer");
    chain.doFilter(request, response);
  }

  /**
   * What the browser says of who asks (Fetch Metadata): this page, or the person by an address or a
   * link. Another site may link to the page, but not use anything of it.
   */
  private static boolean ownSite(HttpServletRequest request) {
    String site = request.getHeader("Sec-Fetch-Site");
    return site == null
        || site.equals("same-origin")
        || site.equals("none")
        || "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
            && "GET".equals(request.getMethod())
            && !request.getRequestURI().startsWith("/api");
  }

  private static String name(String host) {
    if (host == null) {
      return "";
    }
    int port = host.lastIndexOf(':');
    return port > host.lastIndexOf(']') ? host.substring(0, port) : host;
  }

  private static boolean own(String origin, HttpServletRequest request) {
    try {
      URI from = URI.create(origin);
      return request.getScheme().equalsIgnoreCase(from.getScheme())
          && request.getHeader("Host").equals(from.getAuthority());
    } catch (IllegalArgumentException e) {
      return false;
    }
  }
}
