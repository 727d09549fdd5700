package rhetor.core.reading;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import rhetor.core.fact.Fact;
import rhetor.core.fact.FactMerge;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;

/**
 * Reads a product from a text that somebody pasted: an old description, a web page, a document.
 * Lines such as "Weight: 940 g", tables and the prose itself are read for facts; the text is kept
 * as the base of a rewrite.
 */
public final class TextReader {
  private static final Pattern LABELLED =
      Pattern.compile(
          "^\\s*(?:[-•*]\\s+)?(?<label>\\p{L}[\\p{L}\\p{N} /()-]{1,38}?)\\s*[:=\\t]\\s*(?<value>\\S.{0,300})$");
  private static final int LONGEST_LINE_OF_FACT = 120;

  private final Knowledge knowledge;
  private final ReadingProposer proposer;
  private final FactAssembler assembler;
  private final KindFinder kinds;

  public TextReader(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.proposer = new ReadingProposer(knowledge);
    this.assembler = new FactAssembler(knowledge);
    this.kinds = new KindFinder(knowledge);
  }

  /**
   * Reads a text.
   *
   * @param text plain text or HTML, never run or fetched
   * @param origin where it comes from, for the facts' sources: "pasted by wren"
   */
  public ProductFacts read(String sku, String name, String text, String origin) {
    return read(sku, name, "", text, origin);
  }

  /**
   * Reads the text of a product that stands in a category.
   *
   * @param category what the category is called, or empty
   */
  public ProductFacts read(String sku, String name, String category, String text, String origin) {
    boolean html = text.matches("(?is).*<(?:p|br|li|table|div|h[1-6]|ul|img|span)\\b.*");
    String plain = CellText.lines(html ? tables(text) : text);
    FactMerge merge = new FactMerge(knowledge);
    merge.add(fact("name", "name", "Name", new Value.Words(name), origin, name));
    if (!category.isBlank()) {
      labelled("Category", category, origin, merge);
    }
    StringBuilder prose = new StringBuilder();
    for (String line : plain.split("\\n")) {
      Matcher labelled = LABELLED.matcher(line);
      if (line.length() <= LONGEST_LINE_OF_FACT && labelled.matches()) {
        labelled(labelled.group("label"), labelled.group("value"), origin, merge);
      } else if (!line.isBlank()) {
        prose.append(line).append('\n');
      }
    }
    KindFinder.Kind kind = kinds.find(name, words(merge.facts(), "category"), merge.ids());
    for (ProseMiner.Find find :
        new ProseMiner(knowledge, NumberStyle.POINT).mine(prose.toString())) {
      Concept concept = find.concept();
      if (knowledge.takes(concept, kind.productClass())) {
        merge.add(
            fact(
                concept.id(), concept.id(), concept.label(), find.value(), origin, find.snippet()));
      }
    }
    return new ProductFacts(
        sku,
        name,
        kind.productClass(),
        kind.noun(),
        merge.facts(),
        merge.contradictions(),
        prose.toString().strip(),
        "",
        PictureLinks.ofMarkup(text));
  }

  private void labelled(String label, String text, String origin, FactMerge merge) {
    ColumnReading column =
        proposer.propose(List.of("SKU", label.strip()), List.of()).columns().get(1);
    String factId =
        column.asks()
            ? Fact.ownId(label)
            : switch (column.meaning().role()) {
              case CONCEPT -> column.meaning().concept();
              case EXTRA, PROSE -> Fact.ownId(label);
              case SKU, NAME, KEYWORD, PICTURE, KEEP -> "";
            };
    if (factId.isEmpty() || CellText.saysNothing(CellText.clean(text))) {
      return;
    }
    try {
      Fact read = assembler.typed(factId, label.strip(), text, "");
      merge.add(fact(read.id(), read.concept(), read.label(), read.value(), origin, text.strip()));
    } catch (IllegalArgumentException e) {
      merge.add(
          fact(
              Fact.ownId(label),
              "",
              label.strip(),
              new Value.Words(CellText.clean(text)),
              origin,
              text.strip()));
    }
  }

  private static Fact fact(
      String id, String concept, String label, Value value, String origin, String raw) {
    return new Fact(id, concept, label, value, List.of(new Source("", 0, origin, raw)), false);
  }

  private static String words(List<Fact> facts, String concept) {
    return facts.stream()
        .filter(f -> f.concept().equals(concept) && f.value() instanceof Value.Words)
        .map(f -> ((Value.Words) f.value()).text())
        .findFirst()
        .orElse("");
  }

  /** Rows of two cells as "label: value" lines, so that a specification table reads like a list. */
  private static String tables(String html) {
    var document = Jsoup.parseBodyFragment(html);
    document.select("script, style, noscript, iframe, template").remove();
    for (Element row : document.select("tr")) {
      List<Element> cells = row.select("> td, > th");
      if (cells.size() == 2) {
        Element line = new Element("p").text(cells.get(0).text() + ": " + cells.get(1).text());
        row.replaceWith(line);
      }
    }
    for (Element term : document.select("dt")) {
      Element next = term.nextElementSibling();
      if (next != null && next.normalName().equals("dd")) {
        term.replaceWith(new Element("p").text(term.text() + ": " + next.text()));
        next.remove();
      }
    }
    return document.body().html();
  }
}
