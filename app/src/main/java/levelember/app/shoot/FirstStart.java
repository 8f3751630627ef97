package levelember.app.shoot;

import java.util.ArrayList;
import levelember.demo.DemoShoots;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Puts the demo shoots into an empty database, before the first page can ask. */
@Component
public class FirstStart implements SmartInitializingSingleton {
  private final Shoots shoots;
  private final boolean demo;
  private volatile boolean first;

  FirstStart(Shoots shoots, @Value("${ember.demo}") boolean demo) {
    this.shoots = shoots;
    this.demo = demo;
  }

  /** Whether this start is the one that put the demo shoots in. */
  public boolean first() {
    return first;
  }

  @Override
  public void afterSingletonsInstantiated() {
    if (demo && shoots.titles().isEmpty()) {
      // The one added last is listed first, and is what the page opens.
      new ArrayList<>(DemoShoots.names())
          .reversed()
          .forEach(name -> shoots.add(DemoShoots.make(name)));
      first = true;
    }
  }
}
