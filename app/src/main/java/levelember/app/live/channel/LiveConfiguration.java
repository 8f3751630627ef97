package levelember.app.live.channel;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.server.standard.ServletServerContainerFactoryBean;

/** Puts the live channel at its address; other origins are refused by the framework's check. */
@Configuration
@EnableWebSocket
class LiveConfiguration implements WebSocketConfigurer {
  /** Characters, held for every page. */
  private static final int MOST_PART = 8 << 10;

  private final LiveSocket socket;

  LiveConfiguration(LiveSocket socket) {
    this.socket = socket;
  }

  @Override
  public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
    registry.addHandler(socket, "/api/shoots/*/live");
  }

  /** Messages are taken in parts: {@link MessageParts} joins them. */
  @Bean
  ServletServerContainerFactoryBean webSocketContainer() {
    ServletServerContainerFactoryBean container = new ServletServerContainerFactoryBean();
    container.setMaxTextMessageBufferSize(MOST_PART);
    return container;
  }
}
