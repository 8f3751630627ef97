package levelember.app.shoot;

import java.util.ArrayList;
import levelember.demo.DemoShoots;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;

/** Puts the demo shoots into an empty database, before the first page can ask. */
@Component
class FirstStart implements SmartInitializingSingleton {
  private final Shoots shoots;

  FirstStart(Shoots shoots) {
    this.shoots = shoots;
  }

  @Override
  public void afterSingletonsInstantiated() {
    if (shoots.titles().isEmpty()) {
      // The one added last is listed first, and is what the page opens.
      new ArrayList<>(DemoShoots.names())
          .reversed()
          .forEach(name -> shoots.add(DemoShoots.make(name)));
    }
  }
}
