package rhetor.app.proof;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductLine;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.web.Refused;
import rhetor.core.style.Field;

/** Does one thing to many texts as one act, says before what it would do, and takes it back. */
@Service
public class ManyTexts {
  private static final int EXAMPLES = 3;
  private static final int LATEST = 20;

  private final ActStore acts;
  private final TextStore texts;
  private final ProductService products;
  private final RunUndo undo;
  private final HouseLog log;

  ManyTexts(ActStore acts, TextStore texts, ProductService products, RunUndo undo, HouseLog log) {
    this.undo = undo;
    this.acts = acts;
    this.texts = texts;
    this.products = products;
    this.log = log;
  }

  /**
   * A product that it would be done to.
   *
   * @param opening how its description begins
   * @param then how it would begin; empty if it stays so
   */
  record ActExample(ProductLine product, String opening, String then) {}

  /**
   * What a deed would do.
   *
   * @param texts how many texts it would be done to
   * @param left how many it leaves as they are, by reason
   */
  record ActForecast(int texts, Map<ActStore.Left, Integer> left, List<ActExample> examples) {}

  /**
   * Says what would happen; nothing does.
   *
   * @param named the products meant; all that match the filter if there are none
   */
  ActForecast forecast(ActStore.Deed deed, List<Long> named, ProductFilter filter) {
    List<Long> asked = asked(named, filter);
    List<ActStore.Candidate> candidates = acts.candidates(deed, asked);
    List<ActExample> examples = new ArrayList<>();
    // The least ready, one in the middle and the readiest.
    int most = Math.min(EXAMPLES, candidates.size());
    for (int i = 0; i < most; i++) {
      int at = most == 1 ? 0 : i * (candidates.size() - 1) / (most - 1);
      examples.add(example(deed, candidates.get(at)));
    }
    return new ActForecast(candidates.size(), acts.left(deed, asked), examples);
  }

  private ActExample example(ActStore.Deed deed, ActStore.Candidate candidate) {
    String then =
        deed == ActStore.Deed.KEEP_OLD
            ? texts.withOlder(List.of(candidate.textId())).stream()
                .findFirst()
                .map(t -> opening(t.parentId()))
                .orElse("")
            : "";
    return new ActExample(products.line(candidate.id()), opening(candidate.textId()), then);
  }

  /** How the description of a text begins; empty if it has none. */
  private String opening(long text) {
    return texts
        .find(text)
        .map(t -> t.draft().sentences(Field.DESCRIPTION))
        .flatMap(s -> s.stream().findFirst())
        .map(s -> s.text())
        .orElse("");
  }

  private List<Long> asked(List<Long> named, ProductFilter filter) {
    return named.isEmpty() ? products.ids(filter) : named;
  }

  /**
   * Does it, to just as many texts as were forecast.
   *
   * @param seen how many texts the person saw that it would be done to
   * @throws Refused if there are more or fewer by now, or none
   */
  @Transactional
  public ActStore.Act act(
      ActStore.Deed deed, List<Long> named, ProductFilter filter, int seen, String by) {
    if (deed.makesRevisions()) {
      throw Refused.invalid("Say what the texts are to say instead.");
    }
    List<ActStore.Candidate> candidates = acts.candidates(deed, asked(named, filter));
    if (candidates.isEmpty()) {
      throw Refused.conflict("There is no text to do this to. Choose others in the sentence.");
    }
    if (candidates.size() != seen) {
      throw Refused.changedMeanwhile(
          "There are %,d such texts now, not the %,d that you saw. Look at the numbers again."
              .formatted(candidates.size(), seen));
    }
    List<ActStore.Candidate> done = new ArrayList<>();
    if (deed == ActStore.Deed.KEEP_OLD) {
      done.addAll(older(candidates));
    } else {
      byStage(candidates).forEach((stage, some) -> done.addAll(moved(some, stage, deed.to())));
    }
    if (done.size() != seen) {
      throw Refused.changedMeanwhile(
          "Somebody changed one of these texts at this moment. Nothing was done; look at the numbers again.");
    }
    long id = acts.add(deed, done, by);
    log.note(by, deed.event(), done.size() + " texts", "act " + id);
    return acts.find(id).orElseThrow();
  }

  /**
   * Takes an act back, but for texts that were changed, published, signed off or sent back since.
   *
   * @return how many have the stage again that they had before
   * @throws Refused if it is taken back already
   */
  @Transactional
  public int takeBack(long id, String by) {
    ActStore.Act act = acts.find(id).orElseThrow(() -> Refused.notFound("There is no such act."));
    if (!acts.takeBack(id, by)) {
      throw Refused.conflict("This has been taken back already.");
    }
    int back =
        act.deed().makesRevisions()
            ? unmade(id)
            : act.deed() == ActStore.Deed.KEEP_OLD ? broughtBack(id) : movedBack(act);
    log.note(by, Event.ACT_TAKEN_BACK, back + " texts", "act " + id);
    return back;
  }

  /** Makes the texts before those of runs count again; those of which they did. */
  private List<ActStore.Candidate> older(List<ActStore.Candidate> candidates) {
    Map<Long, ActStore.Candidate> byText =
        candidates.stream().collect(Collectors.toMap(ActStore.Candidate::textId, c -> c));
    return texts.withOlder(List.copyOf(byText.keySet())).stream()
        .filter(undo::takeBack)
        .map(t -> byText.get(t.id()))
        .toList();
  }

  /** Makes the texts of runs count again, where the ones before them still do. */
  private int broughtBack(long act) {
    Map<Long, ActStore.Candidate> byText =
        acts.texts(act).stream().collect(Collectors.toMap(ActStore.Candidate::textId, c -> c));
    return (int)
        texts.withOlder(List.copyOf(byText.keySet())).stream()
            .filter(t -> undo.bringBack(t, byText.get(t.id()).stage()))
            .count();
  }

  private int movedBack(ActStore.Act act) {
    List<ActStore.Candidate> back = new ArrayList<>();
    byStage(acts.texts(act.id()))
        .forEach((before, some) -> back.addAll(moved(some, act.deed().to(), before)));
    return back.size();
  }

  /** Makes the revisions count again that were there before those of an act. */
  private int unmade(long act) {
    int back = 0;
    for (TextStore.Undoable made : texts.made(act)) {
      back += undo.takeBack(made) ? 1 : 0;
    }
    return back;
  }

  private static Map<Stage, List<ActStore.Candidate>> byStage(List<ActStore.Candidate> texts) {
    return texts.stream().collect(Collectors.groupingBy(ActStore.Candidate::stage));
  }

  /** Gives texts another stage; those that still count and are at the stage they were at. */
  private List<ActStore.Candidate> moved(List<ActStore.Candidate> texts, Stage from, Stage to) {
    Map<Long, Long> counting =
        texts.stream()
            .collect(Collectors.toMap(ActStore.Candidate::id, ActStore.Candidate::textId));
    Set<Long> moved = new HashSet<>(products.move(counting, from, to));
    return texts.stream().filter(t -> moved.contains(t.id())).toList();
  }

  /** The latest acts, the last first. */
  List<ActStore.Act> latest() {
    return acts.latest(LATEST);
  }
}
