package rhetor.app.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.template.Templates;
import rhetor.app.web.Refused;
import rhetor.core.compose.Composer;
import rhetor.core.compose.Rewriter;
import rhetor.core.say.en.LineJoiner;
import rhetor.core.style.Field;
import rhetor.core.style.Voice;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/**
 * Composes takes of a product's texts and rewrites what stands, when a person asks for it. Nothing
 * is kept until they say so: the same wish gives the same words, so what was shown is what is kept.
 */
@Service
public class RewriteService {
  private final ProofService proofs;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final Templates templates;
  private final FreshTexts fresh;

  RewriteService(
      ProofService proofs,
      ProductService products,
      HouseKnowledge knowledge,
      Templates templates,
      FreshTexts fresh) {
    this.fresh = fresh;
    this.templates = templates;
    this.proofs = proofs;
    this.products = products;
    this.knowledge = knowledge;
  }

  /**
   * Several texts for a product, which differ from what stands and from one another.
   *
   * @param number 1 to {@link Composer#MOST_TAKES}
   * @throws Refused if there are to be none or too many
   */
  public List<Draft> takes(Product product, Voice voice, int number) {
    if (number < 1 || number > Composer.MOST_TAKES) {
      throw Refused.invalid("Ask for 1 to " + Composer.MOST_TAKES + " takes.");
    }
    return fresh.takes(product, voice, number);
  }

  /**
   * Makes a take's fields the text that counts.
   *
   * @param take number of the take, from 1
   * @param fields which fields; empty for all
   */
  @Transactional
  public void adopt(
      long productId, Voice voice, int take, Set<Field> fields, long revision, String author) {
    Product product = products.get(productId);
    Draft chosen = takes(product, voice, take).get(take - 1);
    Draft draft = proofs.current(product).draft();
    for (Field field : fields.isEmpty() ? Set.of(Field.values()) : fields) {
      draft = draft.with(field, chosen.blocks(field));
    }
    String what =
        fields.isEmpty()
            ? "Take"
            : fields.stream().map(Field::label).sorted().collect(Collectors.joining(", "))
                + " of take";
    proofs.keepComposed(
        productId,
        revision,
        draft,
        author,
        "%s %s, %s"
            .formatted(what, Roman.of(take), voice.label().toLowerCase(java.util.Locale.ROOT)));
  }

  /**
   * A line that was picked.
   *
   * @param take number of the take it stands in, 0 for the text that counts
   * @param sentence its index in the field, from 0
   * @param text its words, to make sure that it is still the same
   */
  public record PickedLine(int take, int sentence, String text) {}

  /** Makes one text of lines of several takes; lists and headings stay as they are. */
  @Transactional
  public void combine(
      long productId,
      Field field,
      Voice voice,
      List<PickedLine> lines,
      long revision,
      String author) {
    if (lines.isEmpty()) {
      throw Refused.invalid("Choose at least one line.");
    }
    Product product = products.get(productId);
    Draft now = proofs.current(product).draft();
    int most = lines.stream().mapToInt(PickedLine::take).max().orElse(0);
    Map<Integer, Draft> drafts = new TreeMap<>(Map.of(0, now));
    if (most > 0) {
      List<Draft> takes = takes(product, voice, most);
      for (int i = 0; i < takes.size(); i++) {
        drafts.put(i + 1, takes.get(i));
      }
    }
    List<Sentence> chosen = lines.stream().map(l -> line(l, drafts, field)).toList();
    List<Block> blocks = new ArrayList<>();
    Block.Kind kind = field.isList() ? Block.Kind.LIST : Block.Kind.PARAGRAPH;
    boolean prose = kind == Block.Kind.PARAGRAPH && field != Field.TAGS;
    blocks.add(
        new Block(kind, prose ? LineJoiner.join(chosen, product.facts()) : distinct(chosen)));
    if (!field.isList()) {
      now.blocks(field).stream().filter(b -> b.kind() != Block.Kind.PARAGRAPH).forEach(blocks::add);
    }
    proofs.keepComposed(
        productId,
        revision,
        now.with(field, blocks),
        author,
        field.label() + " made of " + lines.size() + " chosen lines");
  }

  private static List<Sentence> distinct(List<Sentence> sentences) {
    return sentences.stream().distinct().toList();
  }

  private static Sentence line(PickedLine line, Map<Integer, Draft> drafts, Field field) {
    Draft draft = drafts.get(line.take());
    List<Sentence> sentences = draft == null ? List.of() : draft.sentences(field);
    boolean there = line.sentence() >= 0 && line.sentence() < sentences.size();
    if (!there || !sentences.get(line.sentence()).text().equals(line.text())) {
      throw Refused.changedMeanwhile(
          "The line \"%s\" is written otherwise by now, because the product's facts or the text have changed. Look at the takes again."
              .formatted(line.text()));
    }
    return sentences.get(line.sentence());
  }

  /**
   * The draft with a passage of a field rewritten; nothing is kept.
   *
   * @param selected indexes of sentences of the field; empty for all
   */
  public Draft rewrite(
      Product product, Draft draft, Field field, Set<Integer> selected, Rewriter.Order order) {
    try {
      return draft.with(
          field,
          new Rewriter(
                  knowledge.current(),
                  product.id(),
                  products.figures(product.facts().productClass()),
                  templates.style(product.id()))
              .rewrite(
                  draft.blocks(field), field, selected, product.facts(), product.keyword(), order));
    } catch (IllegalArgumentException e) {
      throw Refused.invalid(e.getMessage());
    }
  }

  /** Rewrites a passage and keeps it as a new revision. */
  @Transactional
  public void keepRewritten(
      long productId,
      Field field,
      Set<Integer> selected,
      Rewriter.Order order,
      long revision,
      String author) {
    Product product = products.get(productId);
    Draft draft = rewrite(product, proofs.current(product).draft(), field, selected, order);
    String passage =
        selected.isEmpty()
            ? field.label()
            : selected.size() == 1
                ? "A sentence of " + field.label().toLowerCase(java.util.Locale.ROOT)
                : selected.size()
                    + " sentences of "
                    + field.label().toLowerCase(java.util.Locale.ROOT);
    proofs.keepComposed(
        productId, revision, draft, author, passage + " rewritten, " + order.way().label());
  }
}
