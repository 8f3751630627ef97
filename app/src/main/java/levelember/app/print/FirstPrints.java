package levelember.app.print;

import levelember.app.shoot.FirstStart;
import levelember.app.shoot.Shoots;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shot;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Orders a small print of every demo shoot at the first start, made in the background. */
@Component
class FirstPrints {
  private static final Logger LOG = LoggerFactory.getLogger(FirstPrints.class);
  private static final int WIDTH = 640, HEIGHT = 360, SAMPLES = 24;

  private final FirstStart start;
  private final Shoots shoots;
  private final Prints prints;
  private final boolean wanted;

  FirstPrints(
      FirstStart start,
      Shoots shoots,
      Prints prints,
      @Value("${ember.demo-prints}") boolean wanted) {
    this.start = start;
    this.shoots = shoots;
    this.prints = prints;
    this.wanted = wanted;
  }

  @EventListener(ApplicationReadyEvent.class)
  void order() {
    if (!wanted || !start.first()) {
      return;
    }
    try {
      for (Shoots.Title title : shoots.titles()) {
        prints.order(title.id(), small(shoots.shoot(title.id()).shots().getFirst()));
      }
    } catch (RuntimeException e) {
      LOG.warn("The demo shoots are not printed", e);
    }
  }

  private static PrintOrder small(Shot shot) {
    return PrintOrder.still(shot.id(), WIDTH, HEIGHT, SAMPLES)
        .with(o -> o.denoise(true).cutOut(shot.cutOut()));
  }
}
