package rhetor.app.template;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.channel.Channel;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.style.HouseStyle;
import rhetor.app.style.StyleChanged;
import rhetor.app.web.Refused;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Slots;
import rhetor.core.fact.Fact;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;
import rhetor.core.style.LayeredStyle;
import rhetor.core.style.Setting;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;
import rhetor.core.template.Template;
import rhetor.core.template.TemplateCheck;
import rhetor.core.template.TemplateProblem;

/** The house's templates, and what a text obeys that was built after one. */
@Service
public class Templates {
  private static final int LONGEST_NAME = 80;

  /** Products whose sheets are looked through for further slots. */
  private static final int LOOKED_AT = 200;

  private final TemplateStore store;
  private final HouseStyle house;
  private final HouseKnowledge knowledge;
  private final ProductService products;
  private final ApplicationEventPublisher events;
  private final HouseLog log;

  Templates(
      TemplateStore store,
      HouseStyle house,
      HouseKnowledge knowledge,
      ProductService products,
      ApplicationEventPublisher events,
      HouseLog log) {
    this.log = log;
    this.store = store;
    this.house = house;
    this.knowledge = knowledge;
    this.products = products;
    this.events = events;
  }

  List<HouseTemplate> all() {
    return store.all();
  }

  /** A template by its id. */
  public HouseTemplate get(long id) {
    return store.find(id).orElseThrow(() -> Refused.notFound("There is no such template."));
  }

  List<TemplateStore.TemplateVersion> versions(long id) {
    return store.versions(id);
  }

  Template version(long id, int version) {
    return store
        .version(id, version)
        .orElseThrow(() -> Refused.notFound("There is no version " + version + " of it."));
  }

  /** How many products' texts were built after it. */
  int texts(long id) {
    return store.texts(id);
  }

  /** What a product's text obeys now: house, range, and the template that it was built after. */
  public Style style(long product) {
    Style under = house.of(product);
    return store.of(product).map(t -> t.obeyed().style().over(under)).orElse(under);
  }

  /**
   * The same in words, each setting with what decided it.
   *
   * @param channel where the texts go, 0 for the house's own shop
   */
  List<Setting> settings(long product, long channel) {
    products.line(product);
    LayeredStyle under = house.layered(product, channel);
    return store
        .of(product)
        .map(t -> under.under("the template “" + t.name() + "”", t.obeyed().style()))
        .orElse(under)
        .settings();
  }

  /** The template that a product's texts were built after; the one that leaves all if none. */
  public Template of(long product) {
    return store.of(product).map(HouseTemplate::obeyed).orElse(Template.NONE);
  }

  /**
   * What is written for a product.
   *
   * @param template id of the template, 0 for none
   */
  public Brief brief(Product product, long template) {
    Template built = template == 0 ? Template.NONE : get(template).obeyed();
    return brief(product, built);
  }

  Brief brief(Product product, Template built) {
    return brief(product, built, 0);
  }

  /**
   * What is written for a product that goes elsewhere than to the house's own shop: after the
   * template that its texts there were built after.
   */
  public Brief brief(Product product, Channel channel) {
    return brief(product, of(product.id()), channel.id());
  }

  private Brief brief(Product product, Template built, long channel) {
    Style style = built.style().over(house.layered(product.id(), channel).style());
    return Brief.of(product.facts(), product.keyword())
        .under(style)
        .after(built)
        .apartBy(products.apart(product));
  }

  /** Notes which template a product's texts are built after, 0 for none. */
  public void builtAfter(long product, long template) {
    store.builtAfter(product, template);
  }

  /**
   * Keeps a new template.
   *
   * @param editor whether an editor keeps it, who may allow more than the house does
   */
  @Transactional
  public long add(String name, Template template, boolean editor, String by) {
    require(template);
    return store.add(clean(name), template, editor || looser(template).isEmpty(), by);
  }

  /** What a template allows that the house doesn't, in words. */
  List<String> looser(Template template) {
    return template.style().looserThan(house.current());
  }

  /** Lets a template allow more than the house does. */
  @Transactional
  public void approve(long id, int seen, String by) {
    HouseTemplate template = get(id);
    if (!store.approve(id, seen)) {
      throw Refused.changedMeanwhile(
          "Somebody changed this template meanwhile. Look at it again before you approve it.");
    }
    log.note(by, Event.STYLE_CHANGED, "template " + template.name(), "approved");
    events.publishEvent(new StyleChanged("template " + id + " approved " + seen));
  }

  /**
   * Keeps a new version.
   *
   * @param seen the version that the person saw
   * @param editor whether an editor keeps it, who may allow more than the house does
   */
  @Transactional
  public void put(long id, String name, int seen, Template template, boolean editor, String by) {
    HouseTemplate before = get(id);
    require(template);
    boolean approved = editor || looser(template).isEmpty();
    if (before.version() != seen || !store.put(id, clean(name), seen + 1, template, approved, by)) {
      throw Refused.changedMeanwhile(
          "Somebody changed this template meanwhile. Look at it again before you go on; what you typed is still here.");
    }
    if (!before.obeyed().style().equals(approved ? template.style() : StyleLayer.NOTHING)) {
      events.publishEvent(new StyleChanged("template " + id + " " + (seen + 1)));
    }
  }

  /** Takes a template away; texts that were built after it stay. */
  @Transactional
  public void remove(long id) {
    get(id);
    store.remove(id);
  }

  private static String clean(String name) {
    String clean = name.strip();
    if (clean.isEmpty() || clean.length() > LONGEST_NAME) {
      throw Refused.invalid(
          "A template needs a name of up to %d characters.".formatted(LONGEST_NAME));
    }
    return clean;
  }

  private void require(Template template) {
    List<TemplateProblem> problems = problems(template);
    if (!problems.isEmpty()) {
      throw Refused.invalid(
          String.join(
              " ", problems.stream().limit(5).map(p -> p.where() + ": " + p.why()).toList()));
    }
  }

  List<TemplateProblem> problems(Template template) {
    return TemplateCheck.problems(template, knowledge.current(), house.current(), further());
  }

  /** Slots that the house's sheets fill besides the known concepts. */
  private Set<String> further() {
    Set<String> names = new TreeSet<>();
    // One product whose stored facts are damaged keeps nobody from working on templates.
    products.eachSource(
        "",
        0,
        LOOKED_AT,
        (id, text, facts) -> facts.facts().forEach(f -> names.add(Slots.name(f))));
    return names;
  }

  /**
   * A slot that words can have.
   *
   * @param label what it is, as a person reads it
   * @param value what stands in it for the product looked at; empty if nothing does
   */
  record SlotView(String name, String label, String value) {}

  /** The slots, those first that a product fills. */
  List<SlotView> slots(long productId) {
    Knowledge now = knowledge.current();
    Map<String, SlotView> slots = new LinkedHashMap<>();
    if (productId != 0) {
      Product product = products.get(productId);
      Map<String, String> labels = new LinkedHashMap<>();
      product.facts().facts().forEach((Fact f) -> labels.putIfAbsent(Slots.name(f), f.label()));
      Slots.of(product.facts(), product.keyword(), new ValueText(now), List.of())
          .forEach(
              (name, slot) ->
                  slots.put(
                      name, new SlotView(name, labels.getOrDefault(name, name), slot.value())));
    }
    TemplateCheck.ALWAYS.forEach(n -> slots.putIfAbsent(n, new SlotView(n, n, "")));
    for (Concept concept : now.concepts()) {
      slots.putIfAbsent(concept.id(), new SlotView(concept.id(), concept.label(), ""));
    }
    return List.copyOf(slots.values());
  }
}
