package rhetor.app.intake;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.core.reading.ReadingProposer;

/**
 * Reads a sheet of no supplier's when the house opens, behind everything else: the lexicon and the
 * sentence model are loaded then, and the first real sheet needn't wait for them.
 */
@Component
class FirstReading {
  private final HouseKnowledge knowledge;

  FirstReading(HouseKnowledge knowledge) {
    this.knowledge = knowledge;
  }

  @EventListener(ApplicationReadyEvent.class)
  void readBehindEverythingElse() {
    Thread.ofPlatform()
        .name("first-reading")
        .daemon()
        .priority(Thread.MIN_PRIORITY)
        .start(
            () -> knowledge.current().index(ReadingProposer.class, ReadingProposer::new).warmUp());
  }
}
