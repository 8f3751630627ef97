package levelember.app.live.channel;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets no page ask for packed messages: frames never leave the machine, and packing one takes
 * longer than making it. The server has no setting for this.
 */
@Component
class UnpackedFrames extends OncePerRequestFilter {
  private static final String EXTENSIONS = "Sec-WebSocket-Extensions";

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return request.getHeader(EXTENSIONS) == null;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    chain.doFilter(new Plain(request), response);
  }

  private static final class Plain extends HttpServletRequestWrapper {
    Plain(HttpServletRequest request) {
      super(request);
    }

    @Override
    public String getHeader(String name) {
      return EXTENSIONS.equalsIgnoreCase(name) ? null : super.getHeader(name);
    }

    @Override
    public Enumeration<String> getHeaders(String name) {
      return EXTENSIONS.equalsIgnoreCase(name)
          ? Collections.emptyEnumeration()
          : super.getHeaders(name);
    }
  }
}
