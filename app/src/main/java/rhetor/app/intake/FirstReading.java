package rhetor.app.intake;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.sheet.SheetRow;

/**
 * Reads a small sheet of no supplier's when the house opens, behind everything else: the lexicon
 * and the sentence model are loaded then, and the first real sheet needn't wait for them.
 */
@Component
class FirstReading {
  private static final List<String> HEADINGS =
      List.of("SKU", "Name", "Material", "Weight g", "Colour", "Size", "Made in", "Notes", "Extra");
  private static final List<String> CELLS =
      List.of("A-%d", "Thing %d", "steel", "%d", "red", "%d x 20 cm", "Wales", "ask Bo", "part %d");
  private static final int ROWS = 20;

  /** So often is the same enough to make it quick. */
  private static final int TIMES = 20;

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
        .start(this::read);
  }

  private void read() {
    List<SheetRow> rows = new ArrayList<>();
    for (int i = 1; i <= ROWS; i++) {
      int number = i;
      rows.add(
          new SheetRow(i + 1, CELLS.stream().map(c -> c.formatted(number)).toList(), new BitSet()));
    }
    ReadingProposer proposer =
        knowledge.current().index(ReadingProposer.class, ReadingProposer::new);
    for (int i = 0; i < TIMES; i++) {
      proposer.propose(HEADINGS, rows);
    }
  }
}
