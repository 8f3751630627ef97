package levelember.app.shoot;

import java.util.ArrayList;
import levelember.demo.DemoShoots;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Puts the demo shoots into an empty database, before the first page can ask. */
@Component
class FirstStart implements SmartInitializingSingleton {
  private final Shoots shoots;
  private final boolean demo;

  FirstStart(Shoots shoots, @Value("${ember.demo}") boolean demo) {
    this.shoots = shoots;
    this.demo = demo;
  }

  @Override
  public void afterSingletonsInstantiated() {
    if (demo && shoots.titles().isEmpty()) {
      // The one added last is listed first, and is what the page opens.
      new ArrayList<>(DemoShoots.names())
          .reversed()
          .forEach(name -> shoots.add(DemoShoots.make(name)));
    }
  }
}
