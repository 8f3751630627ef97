package levelember.app.storage;

import org.springframework.boot.tomcat.TomcatWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Has the server take no body for a form: files are bodies here, whatever a client calls them, and
 * parameters stand in the address.
 */
@Component
class PlainBodies implements WebServerFactoryCustomizer<TomcatWebServerFactory> {
  @Override
  public void customize(TomcatWebServerFactory factory) {
    factory.addConnectorCustomizers(connector -> connector.setParseBodyMethods(""));
  }
}
