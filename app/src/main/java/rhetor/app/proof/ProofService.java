package rhetor.app.proof;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.finding.Findings;
import rhetor.app.grammar.Grammar;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.template.Templates;
import rhetor.app.web.Refused;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.check.LetBe;
import rhetor.core.check.Mark;
import rhetor.core.check.Mending;
import rhetor.core.check.Substitution;
import rhetor.core.compose.Composer;
import rhetor.core.compose.LeftOut;
import rhetor.core.compose.SupportFinder;
import rhetor.core.exchange.Html;
import rhetor.core.exchange.PlainLines;
import rhetor.core.fact.Fact;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.plan.Telling;
import rhetor.core.plan.Untold;
import rhetor.core.reading.CellText;
import rhetor.core.say.en.EnglishProse;
import rhetor.core.say.en.ValueText;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/**
 * Keeps texts, takes changes by hand, and lets them go once somebody has put their word to them.
 */
@Service
public class ProofService {
  private static final int LONGEST_INPUT = 40_000;

  private static final int LONGEST_KEYWORD = 100;
  private static final int DEEDS = 50;
  private static final int LONGEST_OVERRULED = 1_000;

  /** Takes of a field among which one is looked for that mends it. */
  private static final int TAKES = 3;

  private static final Predicate<Mark> MUST_FIX = m -> m.weight() == Mark.Weight.MUST_FIX;

  private final TextStore texts;
  private final LetBeStore letBe;
  private final CommentStore comments;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final HouseTexts house;
  private final Templates templates;
  private final Findings findings;
  private final Grammar grammar;
  private final FreshTexts fresh;
  private final Lessons lessons;
  private final ActStore acts;
  private final HouseLog log;

  ProofService(
      TextStore texts,
      LetBeStore letBe,
      CommentStore comments,
      ProductService products,
      HouseTexts house,
      HouseKnowledge knowledge,
      Templates templates,
      Findings findings,
      Grammar grammar,
      FreshTexts fresh,
      Lessons lessons,
      ActStore acts,
      HouseLog log) {
    this.acts = acts;
    this.lessons = lessons;
    this.log = log;
    this.letBe = letBe;
    this.comments = comments;
    this.fresh = fresh;
    this.grammar = grammar;
    this.house = house;
    this.templates = templates;
    this.findings = findings;
    this.texts = texts;
    this.products = products;
    this.knowledge = knowledge;
  }

  /**
   * Keeps what a run wrote as the text that counts.
   *
   * @param origin who wrote it
   * @param author what the one who wrote it is called
   */
  @Transactional
  public void keep(Product product, Draft draft, long runId, Origin origin, String author) {
    Audit audit = audit(product, draft, product.keyword());
    long id =
        texts.add(
            product.id(),
            product.textId(),
            runId,
            author,
            origin,
            "Written in run " + runId,
            draft,
            audit);
    makeCount(product, id, Stage.DRAFTED, audit);
    house.changed(product.id(), draft);
  }

  /** A text by its id. */
  public Text text(long id) {
    return texts.find(id).orElseThrow(() -> Refused.notFound("There is no such text."));
  }

  Text current(Product product) {
    if (product.textId() == 0) {
      throw Refused.notFound("Nothing has been written for this product yet. Start a run with it.");
    }
    return text(product.textId());
  }

  /** The texts of a product that counted before the one that does, the latest first. */
  public Iterable<Text> earlier(Product product) {
    return () ->
        texts.history(product.id()).stream()
            .filter(r -> r.id() != product.textId())
            .map(r -> text(r.id()))
            .iterator();
  }

  List<TextStore.Revision> history(long product) {
    return texts.history(product);
  }

  /**
   * Changes one field by hand, as a new revision.
   *
   * @param revision the revision that the person saw
   * @param input HTML for the description, plain text for the rest
   */
  @Transactional
  public void change(long productId, Field field, String input, long revision, String author) {
    Product product = products.get(productId);
    Text before = current(product);
    requireSeen(before, revision);
    Draft draft = before.draft().with(field, blocks(product, before.draft(), field, input));
    keepChange(product, before, draft, author, Origin.HAND, field.label() + " changed by hand");
    lessons.note(product, before.draft(), draft, author);
  }

  /**
   * A mark of a field that somebody is writing.
   *
   * @param sentence the sentence that it is in, as it is typed; empty where the field is meant
   */
  record TypedMark(Mark mark, String sentence) {}

  /**
   * What the checks say of a field as it is typed; nothing is kept.
   *
   * @param input HTML for the description, plain text for the rest
   * @throws Refused if it is too long, or the product has no text
   */
  List<TypedMark> look(long productId, Field field, String input) {
    Product product = products.get(productId);
    Text text = current(product);
    Draft draft = text.draft().with(field, blocks(product, text.draft(), field, input));
    List<Sentence> sentences = draft.sentences(field);
    return audit(product, draft, product.keyword()).marks().stream()
        .filter(m -> m.field() == field)
        .map(m -> new TypedMark(m, m.sentence() < 0 ? "" : sentences.get(m.sentence()).text()))
        .toList();
  }

  /**
   * Takes fields over as somebody else wrote them, as one new revision; none leaves the text as it
   * is.
   *
   * @param inputs by field, HTML for the description, plain text for the rest
   * @param revision the revision that the person saw
   */
  @Transactional
  public void takeOver(
      long productId, Map<Field, String> inputs, long revision, String author, String note) {
    Product product = products.get(productId);
    Text before = current(product);
    requireSeen(before, revision);
    Draft draft = before.draft();
    for (var input : inputs.entrySet()) {
      draft = draft.with(input.getKey(), blocks(product, draft, input.getKey(), input.getValue()));
    }
    keepChange(product, before, draft, author, Origin.HAND, note);
  }

  /**
   * Corrects fields as a table's cells say, as one new revision of an act.
   *
   * @param cells by field, in the lines that {@link PlainLines} makes
   * @param seen the revision that the person saw
   * @return whether anything reads otherwise now
   */
  @Transactional
  public boolean correct(
      long act, long productId, Map<Field, String> cells, long seen, String author) {
    Product product = products.get(productId);
    Text before = current(product);
    requireSeen(before, seen);
    Draft draft = before.draft();
    for (var cell : cells.entrySet()) {
      requireBearable(cell.getValue());
      List<Block> blocks =
          PlainLines.blocks(draft.blocks(cell.getKey()), cell.getKey(), cell.getValue());
      draft = draft.with(cell.getKey(), attach(product, draft, cell.getKey(), blocks));
    }
    String fields = cells.keySet().stream().map(Field::label).collect(Collectors.joining(", "));
    keepChange(product, before, draft, author, Origin.HAND, fields + " corrected in a table");
    lessons.note(product, before.draft(), draft, author);
    return isMadeBy(act, product);
  }

  private List<Block> blocks(Product product, Draft before, Field field, String input) {
    requireBearable(input);
    return attach(product, before, field, Html.parse(field, input));
  }

  private static void requireBearable(String input) {
    if (input.length() > LONGEST_INPUT) {
      throw Refused.invalid("The text has more than %,d characters.".formatted(LONGEST_INPUT));
    }
  }

  private List<Block> attach(Product product, Draft before, Field field, List<Block> blocks) {
    return new SupportFinder(knowledge.current())
        .attach(blocks, before.sentences(field), product.facts(), product.keyword());
  }

  /**
   * Puts words for others in the text that counts, as a new revision of an act.
   *
   * @param seen the text that was seen
   * @return whether it did; not if the text has none of the words, or is another by now, or
   *     somebody has signed it off
   */
  @Transactional
  public boolean substitute(
      long act, long productId, long seen, Substitution substitution, String note, String by) {
    Product product = products.get(productId);
    boolean isUnsigned = product.stage() == Stage.DRAFTED || product.stage() == Stage.IN_PROOF;
    if (product.textId() != seen || !isUnsigned) {
      return false;
    }
    Text before = current(product);
    keepChange(
        product,
        before,
        substitution.in(before.draft(), product.facts().name()),
        by,
        Origin.HAND,
        note);
    return isMadeBy(act, product);
  }

  /** Whether a product's text is another than before; then it is noted as made by the act. */
  private boolean isMadeBy(long act, Product before) {
    long made = products.get(before.id()).textId();
    if (made == before.textId()) {
      return false;
    }
    acts.goOn(act, List.of(new ActStore.Candidate(before.id(), made, before.stage())));
    return true;
  }

  /** Keeps a changed draft as a new revision; nothing if it is as before. */
  private void keepChange(
      Product product, Text before, Draft draft, String author, Origin origin, String note) {
    if (draft.equals(before.draft())) {
      return;
    }
    Audit audit = audit(product, draft, product.keyword());
    long id = texts.add(product.id(), before.id(), null, author, origin, note, draft, audit);
    makeCount(product, id, Stage.IN_PROOF, audit);
    house.changed(product.id(), draft);
  }

  /**
   * Keeps a draft that the composer wrote at a person's wish.
   *
   * @param revision the revision that the person saw
   * @param note what was done, for the history
   */
  @Transactional
  public void keepComposed(long productId, long revision, Draft draft, String author, String note) {
    Product product = products.get(productId);
    Text before = current(product);
    requireSeen(before, revision);
    keepChange(product, before, draft, author, Origin.COMPOSER, note);
  }

  /**
   * Makes a text the one that counts, with what was found in it.
   *
   * @param seen the product with the text that counted when this one was made
   * @throws Refused if another counts by now, or somebody has put their word to it
   */
  private void makeCount(Product seen, long text, Stage stage, Audit audit) {
    if (!products.setText(seen, text, stage, audit)) {
      throw changedMeanwhile(seen);
    }
    findings.put(seen.id(), audit);
  }

  private Refused changedMeanwhile(Product seen) {
    Product product = products.get(seen.id());
    if (product.textId() == seen.textId()) {
      return Refused.changedMeanwhile(
          "Somebody signed this text off, or sent it back, at this moment. Look at it again before you go on; what you typed is still here.");
    }
    return changedMeanwhile(current(product));
  }

  private static Refused changedMeanwhile(Text now) {
    return Refused.changedMeanwhile(
        "%s changed this text meanwhile (%s). Look at it again before you go on; what you typed is still here."
            .formatted(now.author(), now.note().toLowerCase(Locale.ROOT)));
  }

  /**
   * Holds the text that counts to what the house has decided by now; it is stale if it no longer
   * obeys the style. Nothing for a product without text.
   */
  @Transactional
  public void recheck(long productId) {
    Product product = products.get(productId);
    if (product.textId() == 0) {
      return;
    }
    Audit audit = audit(product, text(product.textId()));
    products.setAudit(
        productId, product.textId(), audit, audit.marks().stream().anyMatch(Mark::concernsStyle));
    findings.put(productId, audit);
  }

  /** What would be mended in a product's text. */
  public record Mended(Draft before, Draft after, List<Mark> marks) {}

  /**
   * The text that counts with what can be mended of some marks mended; nothing is kept.
   *
   * @param which the marks that are meant
   */
  public Mended mended(Product product, Predicate<Mark> which) {
    Text text = current(product);
    List<Mark> marks = audit(product, text).marks().stream().filter(which).toList();
    Draft mended = Mending.of(text.draft(), marks);
    Set<Field> anew = EnumSet.noneOf(Field.class);
    marks.stream().filter(Mark::isComposedAway).forEach(m -> anew.add(m.field()));
    return new Mended(
        text.draft(), anew.isEmpty() ? mended : anew(product, mended, anew, which), marks);
  }

  /**
   * The draft with those fields written again that are the better for it: they lose the marks that
   * are meant and gain none that must be fixed.
   */
  private Draft anew(Product product, Draft draft, Set<Field> fields, Predicate<Mark> which) {
    List<Draft> takes = fresh.takes(product, TAKES);
    Draft best = draft;
    for (Field field : fields) {
      for (Draft take : takes) {
        Draft other = best.with(field, take.blocks(field));
        if (marks(product, other, field, which.or(MUST_FIX))
            < marks(product, best, field, which.or(MUST_FIX))) {
          best = other;
          break;
        }
      }
    }
    return best;
  }

  private long marks(Product product, Draft draft, Field field, Predicate<Mark> which) {
    return audit(product, draft, product.keyword()).marks().stream()
        .filter(m -> m.field() == field)
        .filter(which)
        .count();
  }

  /**
   * Mends what can be mended of some marks, as a new revision.
   *
   * @param note what was done, for the history
   * @return whether there was anything to mend
   */
  @Transactional
  public boolean mend(long productId, Predicate<Mark> which, String note, String author) {
    Product product = products.get(productId);
    Mended mended = mended(product, which);
    keepChange(product, current(product), mended.after(), author, Origin.HAND, note);
    return !mended.after().equals(mended.before());
  }

  /** The checks of one product's texts, and which other text of the house is too like. */
  private Audit audit(Product product, Draft draft, String keyword) {
    Style style = templates.style(product.id());
    List<Mark> found = new ArrayList<>(house.likeness(product.id(), draft).stream().toList());
    found.addAll(grammar.marks(draft, style.spelling()));
    return new Checker(knowledge.current(), style, Nearness.SHIPPED)
        .check(draft, product.facts(), keyword, found, letBe.letBe(product.id(), product.facts()));
  }

  /** What the checks say of a text now: claims may have been withdrawn since it was written. */
  Audit audit(Product product, Text text) {
    return audit(product, text.draft(), product.keyword());
  }

  /**
   * A mark as the person saw it.
   *
   * @param sentence index in the field, from 0
   */
  record Seen(Field field, int sentence, String check, String words) {}

  /** The mark of the text that counts which a person saw. */
  private Mark mark(Product product, Text text, Seen seen) {
    return audit(product, text).marks().stream()
        .filter(m -> m.field() == seen.field && m.sentence() == seen.sentence)
        .filter(m -> m.check().equals(seen.check) && m.words().equals(seen.words))
        .findFirst()
        .orElseThrow(() -> Refused.notFound("This text has no such mark any more."));
  }

  /**
   * Overrules a mark: it isn't raised again for that sentence.
   *
   * @param revision the revision that the person saw
   * @throws Refused if the text has no such mark, or it can't be overruled
   */
  @Transactional
  public void letBe(long productId, Seen seen, long revision, String by) {
    Product product = products.get(productId);
    Text text = current(product);
    requireSeen(text, revision);
    Mark mark = mark(product, text, seen);
    if (!mark.mayBeOverruled()) {
      throw Refused.conflict(
          "This mark follows from the house's rules: change the rule, or the text.");
    }
    letBe.add(productId, overruled(mark, text), by);
    recheck(productId);
    note(Event.MARK_OVERRULED, product, by);
  }

  /**
   * The sentences of the text that counts of which some words stand in no cell and nothing else is
   * held against them, each with its marks.
   */
  Map<String, List<LetBe>> open(Product product) {
    Map<String, List<LetBe>> open = new LinkedHashMap<>();
    if (product.textId() == 0) {
      return open;
    }
    Text text = text(product.textId());
    List<Mark> marks = audit(product, text).marks().stream().filter(Mark::mayBeStated).toList();
    for (Mark mark : marks) {
      boolean isOpen =
          marks.stream()
              .filter(m -> m.field() == mark.field() && m.sentence() == mark.sentence())
              .allMatch(Mark::isOpen);
      LetBe of = mark.of(text.draft());
      if (isOpen && of.sentence().length() <= LONGEST_OVERRULED) {
        open.computeIfAbsent(of.sentence(), s -> new ArrayList<>()).add(of);
      }
    }
    return open;
  }

  /** Lets marks be that cells answer, by the opinion of a text model that a person asked. */
  @Transactional
  public void settle(long productId, Map<LetBe, Fact> answered, String model, String by) {
    if (answered.isEmpty()) {
      return;
    }
    answered.forEach((mark, cell) -> letBe.add(productId, mark, cell, model, by));
    recheck(productId);
    note(Event.SECOND_OPINION, products.get(productId), by);
  }

  private static LetBe overruled(Mark mark, Text text) {
    LetBe overruled = mark.of(text.draft());
    if (overruled.sentence().length() > LONGEST_OVERRULED
        || overruled.words().length() > LONGEST_OVERRULED / 2) {
      throw Refused.invalid(
          "The sentence has more than %,d characters. Cut it into shorter ones first."
              .formatted(LONGEST_OVERRULED));
    }
    return overruled;
  }

  /**
   * Answers a mark with a fact that no source had, under the name of who states it. The mark isn't
   * raised again for that sentence.
   *
   * @param label what the fact is of: "Material", or a heading of one's own
   * @param revision the revision that the person saw
   * @throws Refused if the text has no such mark, or no fact answers it
   */
  @Transactional
  public void thisIsSo(
      long productId, Seen seen, String label, String value, long revision, String by) {
    Product product = products.get(productId);
    Text text = current(product);
    requireSeen(text, revision);
    Mark mark = mark(product, text, seen);
    if (!mark.mayBeStated()) {
      throw Refused.conflict(
          "No fact answers this mark: change the rule that it follows from, or the text.");
    }
    if (label.isBlank() || value.isBlank()) {
      throw Refused.invalid(
          "Say what is so: a name for the fact, such as Material, and its value.");
    }
    LetBe stated = overruled(mark, text);
    products.state(productId, label.strip(), value.strip(), by);
    Product now = products.get(productId);
    boolean isAnswered =
        audit(now, text).marks().stream()
            .noneMatch(m -> m.mayBeStated() && m.of(text.draft()).equals(stated));
    if (!isAnswered) {
      letBe.add(productId, stated, by);
    }
    recheck(productId);
    note(Event.FACT_STATED, product, by);
  }

  /** Raises a mark again that was overruled. */
  @Transactional
  public void raiseAgain(long productId, long id, String by) {
    if (!letBe.remove(productId, id)) {
      throw Refused.notFound("That mark is raised already.");
    }
    recheck(productId);
    note(Event.MARK_RAISED_AGAIN, products.get(productId), by);
  }

  List<LetBeStore.Overruled> overruled(Product product) {
    return letBe.of(product.id(), product.facts());
  }

  /**
   * What stands in no sentence, why, and what would bring it in.
   *
   * @param cell what its cell says
   * @param isOfHeading whether it is no known kind of fact, but stands under its own heading
   * @param wantsWords whether a sentence that somebody types would
   * @param wantsCellInWords whether its cell put in other words would
   */
  record LeftOutFact(
      String fact,
      boolean isOfHeading,
      String label,
      String value,
      String cell,
      String why,
      String remedy,
      boolean wantsWords,
      boolean wantsCellInWords) {}

  List<LeftOutFact> leftOut(Product product) {
    Knowledge known = knowledge.current();
    ValueText values = new ValueText(known);
    EnglishProse prose = new EnglishProse(known);
    List<LeftOutFact> left = new ArrayList<>();
    for (Telling telling :
        new LeftOut(known).of(product.facts(), templates.style(product.id()).ownVoice())) {
      Fact fact = telling.fact();
      Untold untold = telling.untold().orElseThrow();
      // No words help a value that nobody could read aloud.
      Untold cause =
          untold.cause() == Untold.Cause.NO_WORDING
              ? prose.inTheWay(fact, known.own(fact.label())).orElse(untold)
              : untold;
      left.add(
          new LeftOutFact(
              fact.id(),
              fact.concept().isEmpty(),
              fact.label(),
              values.spec(fact.value()),
              fact.source().raw(),
              cause.why(),
              cause.cause().remedy(),
              cause.cause().wantsWords(),
              cause.cause().wantsCellInWords() && fact.source().row() > 0));
    }
    return left;
  }

  /** How a fact would be told by a sentence that somebody types for it; nothing is kept. */
  Lessons.Typed typed(long productId, String heading, String sentence) {
    return lessons.typed(products.get(productId), heading, sentence);
  }

  /** A composer that knows the house's range, and writes unlike all its texts. */
  public Composer composer(long seed) {
    return house.composer(seed);
  }

  /** Changes the keyword a text is checked for; the text stays as it is, as a new revision. */
  @Transactional
  public void changeKeyword(long productId, String keyword, long revision, String author) {
    Product product = products.get(productId);
    Text before = current(product);
    requireSeen(before, revision);
    String clean = CellText.clean(keyword);
    if (clean.length() > LONGEST_KEYWORD) {
      throw Refused.invalid(
          "The keyword has "
              + clean.length()
              + " characters; up to "
              + LONGEST_KEYWORD
              + " are kept.");
    }
    products.setKeyword(productId, clean);
    Audit audit = audit(product, before.draft(), clean);
    String note = clean.isEmpty() ? "Keyword taken away" : "Keyword changed to " + clean;
    long id =
        texts.add(productId, before.id(), null, author, Origin.HAND, note, before.draft(), audit);
    makeCount(product, id, Stage.IN_PROOF, audit);
  }

  private static void requireSeen(Text current, long revision) {
    if (current.id() != revision) {
      throw changedMeanwhile(current);
    }
  }

  /** Goes back to the revision before; the one left stays in the history. */
  @Transactional
  public void undo(long productId, long revision) {
    Product product = products.get(productId);
    Text now = current(product);
    requireSeen(now, revision);
    if (now.parentId() == 0) {
      throw Refused.conflict("This is the first text; there is nothing before it.");
    }
    restore(product, now.parentId());
  }

  /** Makes any revision of the history the text that counts. */
  @Transactional
  public void restore(long productId, long target, long revision) {
    Product product = products.get(productId);
    requireSeen(current(product), revision);
    restore(product, target);
  }

  /** A revision of a product's texts. */
  Text revision(long product, long id) {
    Text text = text(id);
    if (text.productId() != product) {
      throw Refused.invalid("That revision belongs to another product.");
    }
    return text;
  }

  private void restore(Product product, long target) {
    Text text = revision(product.id(), target);
    makeCount(product, target, Stage.IN_PROOF, audit(product, text));
    house.changed(product.id(), text.draft());
  }

  /** Puts a person's word to a text: it may go out now. */
  @Transactional
  public void signOff(long productId, long revision, String by) {
    Product product = products.get(productId);
    Text text = current(product);
    requireSeen(text, revision);
    List<Mark> mustFix = audit(product, text).mustFix();
    if (!mustFix.isEmpty()) {
      throw Refused.conflict(
          "There is something that must be fixed first: " + mustFix.getFirst().why());
    }
    if (!products.signOff(productId, text.id())) {
      throw changedMeanwhile(product);
    }
    note(Event.SIGNED_OFF, product, by);
  }

  /**
   * Signs several off that were read.
   *
   * @param revisions by product, the revision that the person saw
   * @return how many were signed off; those with must-fix marks or changed meanwhile are not
   */
  @Transactional
  public int signOff(Map<Long, Long> revisions, String by) {
    int signed = 0;
    for (var entry : revisions.entrySet()) {
      Product product = products.get(entry.getKey());
      boolean open = product.stage() == Stage.DRAFTED || product.stage() == Stage.IN_PROOF;
      if (open
          && product.textId() == entry.getValue()
          && audit(product, text(product.textId())).mustFix().isEmpty()
          && products.signOff(product.id(), product.textId())) {
        note(Event.SIGNED_OFF, product, by);
        signed++;
      }
    }
    return signed;
  }

  private void note(Event event, Product product, String by) {
    log.note(by, event, product.facts().sku(), "revision " + product.textId(), product.id());
  }

  /** What people did to a product's text besides changing it, the last first. */
  List<HouseLog.LogEntry> deeds(long product) {
    return Stream.concat(
            log.ofProduct(product, DEEDS).stream(),
            acts.ofProduct(product, DEEDS).stream().map(ProofService::entry))
        .sorted(Comparator.comparing(HouseLog.LogEntry::at).reversed())
        .limit(DEEDS)
        .toList();
  }

  private static HouseLog.LogEntry entry(ActStore.Act act) {
    String back = act.takenBackBy().isEmpty() ? "" : ", taken back by " + act.takenBackBy();
    return new HouseLog.LogEntry(
        -act.id(),
        act.at(),
        act.by(),
        "%s with %,d others%s".formatted(act.deed().event().label(), act.texts() - 1, back),
        "",
        "",
        "");
  }

  /**
   * Takes a sign-off back.
   *
   * @param reason what is to be changed, kept as a comment; empty if that need not be said
   */
  @Transactional
  public void sendBack(long productId, long revision, String reason, String by) {
    Product product = products.get(productId);
    requireSeen(current(product), revision);
    if (!products.sendBack(productId, revision)) {
      throw changedMeanwhile(product);
    }
    note(Event.SENT_BACK, product, by);
    if (!reason.isEmpty()) {
      comments.add(productId, revision, "", "", reason, by);
    }
  }

  List<CommentStore.Comment> comments(long productId) {
    return comments.of(productId);
  }

  /** Says something about a text, or a passage of it; see {@link CommentStore.Comment}. */
  void comment(
      long productId, long revision, String field, String passage, String said, String by) {
    products.get(productId);
    comments.add(productId, revision, field, passage, said, by);
  }

  /** Says that what a comment asks for is done. */
  void settle(long productId, long comment, String by) {
    if (!comments.settle(productId, comment, by)) {
      throw Refused.notFound("There is no such comment of this text.");
    }
  }
}
