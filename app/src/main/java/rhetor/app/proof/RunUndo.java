package rhetor.app.proof;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.finding.Findings;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;

/** Takes the texts of a run back as one act: the revisions before them count again. */
@Service
public class RunUndo {
  private final TextStore texts;
  private final ProductService products;
  private final HouseTexts house;
  private final Findings findings;
  private final HouseLog log;

  RunUndo(
      TextStore texts, ProductService products, HouseTexts house, Findings findings, HouseLog log) {
    this.texts = texts;
    this.products = products;
    this.house = house;
    this.findings = findings;
    this.log = log;
  }

  /** How many texts of a run still count and are signed off by nobody, so can be taken back. */
  public int undoable(long run) {
    return texts.undoable(run).size();
  }

  /**
   * Takes a run's texts back, but for those that people have changed or signed off since; products
   * that had none before are unwritten again. All revisions stay in the history.
   *
   * @return how many were taken back
   */
  @Transactional
  public int takeBack(long run, String by) {
    int back = 0;
    for (TextStore.Undoable one : texts.undoable(run)) {
      back += takeBack(one) ? 1 : 0;
    }
    log.note(by, Event.RUN_TAKEN_BACK, "run " + run, back + " texts");
    return back;
  }

  /** Makes the revision before a text count again; false if somebody changes it at this moment. */
  boolean takeBack(TextStore.Undoable one) {
    Optional<Text> before = one.parentId() == 0 ? Optional.empty() : texts.find(one.parentId());
    // Somebody may change the text at this moment; then it stays.
    boolean isBack =
        before
            .map(t -> products.takeTextBack(one.productId(), one.id(), t.id(), stage(t), t.audit()))
            .orElseGet(() -> products.unwrite(one.productId(), one.id()));
    if (isBack) {
      before.ifPresentOrElse(
          t -> {
            findings.put(one.productId(), t.audit());
            house.changed(one.productId(), t.draft());
          },
          () -> {
            findings.forget(one.productId());
            house.gone(one.productId());
          });
    }
    return isBack;
  }

  /** Makes a text count again whose older one does; false if another one counts by now. */
  boolean bringBack(TextStore.Undoable one, Stage stage) {
    Text text = texts.find(one.id()).orElseThrow();
    boolean isBack =
        products.takeTextBack(one.productId(), one.parentId(), one.id(), stage, text.audit());
    if (isBack) {
      findings.put(one.productId(), text.audit());
      house.changed(one.productId(), text.draft());
    }
    return isBack;
  }

  private static Stage stage(Text text) {
    return text.origin() == Origin.HAND ? Stage.IN_PROOF : Stage.DRAFTED;
  }
}
