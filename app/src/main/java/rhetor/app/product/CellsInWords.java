package rhetor.app.product;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.web.Refused;
import rhetor.core.fact.CellInWords;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Source;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.Teller;
import rhetor.core.plan.Untold;
import rhetor.core.reading.CellText;
import rhetor.core.reading.FactAssembler;
import rhetor.core.say.en.EnglishProse;

/** What the house says that cells mean: a column of shorthand is read once for all its products. */
@Service
class CellsInWords {
  private static final int MOST_SHOWN = 200;
  private static final int MOST_AT_ONCE = 500;
  private static final int LONGEST_CELL = 1_000;
  private static final int LONGEST_WORDS = 400;

  private final FactStore facts;
  private final ProductStore products;
  private final ProductLists lists;
  private final HouseNameService names;
  private final HouseKnowledge house;

  CellsInWords(
      FactStore facts,
      ProductStore products,
      ProductLists lists,
      HouseNameService names,
      HouseKnowledge house) {
    this.facts = facts;
    this.products = products;
    this.lists = lists;
    this.names = names;
    this.house = house;
  }

  /**
   * A cell that products have.
   *
   * @param written what it says
   * @param products how many products have it, of as many sources
   * @param words what the house says that it means; empty if it says nothing
   * @param why what keeps it out of a sentence; empty if nothing does
   */
  record CellLine(String written, int products, String words, String why) {}

  private static final class Counted {
    private final Fact first;
    private int products;

    private Counted(Fact first) {
      this.first = first;
    }
  }

  /**
   * The cells that are read as one kind of fact: first those that no sentence can take, then by how
   * many products have them.
   */
  List<CellLine> of(String factId) {
    Map<String, Counted> cells = new LinkedHashMap<>();
    products.eachSource(
        (product, sources) ->
            sources.facts().stream()
                .filter(f -> f.id().equals(factId))
                .findFirst()
                .ifPresent(
                    f -> cells.computeIfAbsent(key(raw(f)), k -> new Counted(f)).products++));
    Map<String, String> said = said(factId);
    Knowledge knowledge = house.current();
    EnglishProse prose = new EnglishProse(knowledge);
    Teller teller = new Teller(knowledge, prose);
    return cells.values().stream()
        .map(
            c ->
                new CellLine(
                    raw(c.first),
                    c.products,
                    said.getOrDefault(key(raw(c.first)), ""),
                    inTheWay(names.names().apply(c.first), teller, prose, knowledge)
                        .map(Untold::why)
                        .orElse("")))
        .sorted(
            Comparator.comparing((CellLine c) -> c.why.isEmpty())
                .thenComparing(Comparator.comparingInt(CellLine::products).reversed())
                .thenComparing(CellLine::written))
        .limit(MOST_SHOWN)
        .toList();
  }

  /** What keeps a cell out of a sentence that has words for its heading. */
  private static Optional<Untold> inTheWay(
      Fact fact, Teller teller, EnglishProse prose, Knowledge knowledge) {
    return teller
        .telling(fact)
        .untold()
        .flatMap(
            u ->
                u.cause() == Untold.Cause.NO_WORDING
                    ? prose.inTheWay(fact, knowledge.own(fact.label()))
                    : Optional.of(u));
  }

  private Map<String, String> said(String factId) {
    return facts.cellsInWords().stream()
        .filter(c -> c.factId().equals(factId))
        .collect(Collectors.toMap(CellInWords::written, CellInWords::words));
  }

  /**
   * What was done.
   *
   * @param texts how many texts are stale now
   * @param products those of them that nobody has changed by hand
   * @param before what the house said of the same cells before; empty words for nothing
   */
  record Done(int texts, List<Long> products, List<CellsOfFact> before) {}

  /** A cell and what it means; empty words take them away. */
  record CellWord(String written, String words) {}

  /** Cells that are read as one kind of fact, and what they mean. */
  record CellsOfFact(String fact, List<CellWord> cells) {}

  /**
   * Keeps what cells mean, all of them or none.
   *
   * @throws Refused if words can't be read as such a fact
   */
  @Transactional
  Done put(List<CellsOfFact> all, String by) {
    int number = all.stream().mapToInt(f -> f.cells.size()).sum();
    if (number == 0 || number > MOST_AT_ONCE) {
      throw Refused.invalid("Put 1 to %d cells in words at a time.".formatted(MOST_AT_ONCE));
    }
    Map<String, Map<String, CellWord>> before = new LinkedHashMap<>();
    for (CellsOfFact of : all) {
      // Of a cell that is said twice counts what was said before both.
      Map<String, CellWord> first = before.computeIfAbsent(of.fact, f -> new LinkedHashMap<>());
      put(of.fact, of.cells, by).forEach(first::putIfAbsent);
    }
    names.forget();
    List<Long> touched = having(before);
    products.markStale(touched);
    Set<Long> drafted = new HashSet<>(lists.ids(new ProductFilter("", Stage.DRAFTED.name(), 0)));
    return new Done(
        touched.size(),
        touched.stream().filter(drafted::contains).toList(),
        before.entrySet().stream()
            .map(e -> new CellsOfFact(e.getKey(), List.copyOf(e.getValue().values())))
            .toList());
  }

  /** Keeps what cells of one kind of fact mean; returns what was said of them before. */
  private Map<String, CellWord> put(String factId, List<CellWord> cells, String by) {
    Map<String, String> said = said(factId);
    Map<String, CellWord> before = new LinkedHashMap<>();
    for (CellWord cell : cells) {
      String written = key(cell.written());
      String words = CellText.clean(cell.words());
      if (written.isEmpty()
          || written.length() > LONGEST_CELL
          || words.length() > LONGEST_WORDS
          || factId.isBlank()) {
        throw Refused.invalid(
            "A cell of up to %,d characters can be put in up to %d."
                .formatted(LONGEST_CELL, LONGEST_WORDS));
      }
      before.putIfAbsent(written, new CellWord(written, said.getOrDefault(written, "")));
      if (words.isEmpty()) {
        facts.removeWords(factId, written);
      } else {
        require(factId, cell.written(), words, by);
        facts.putInWords(new CellInWords(factId, written, words), by);
      }
    }
    return before;
  }

  private void require(String factId, String written, String words, String by) {
    FactAssembler assembler = house.current().index(FactAssembler.class, FactAssembler::new);
    String label = house.current().concept(factId).map(Concept::label).orElse(Fact.labelOf(factId));
    try {
      assembler.typed(factId, label, words, by);
    } catch (IllegalArgumentException e) {
      throw Refused.invalid("\"" + written.strip() + "\": " + e.getMessage());
    }
  }

  /**
   * The products with a text that have one of some cells.
   *
   * @param cells what they say, by the id of the fact that they are read as
   */
  private List<Long> having(Map<String, Map<String, CellWord>> cells) {
    List<Long> having = new ArrayList<>();
    products.eachSource(
        (product, sources) -> {
          boolean has =
              product.textId() != 0
                  && sources.facts().stream()
                      .anyMatch(f -> hasOneOf(f, cells.getOrDefault(f.id(), Map.of()).keySet()));
          if (has && (having.isEmpty() || having.getLast() != product.id())) {
            having.add(product.id());
          }
        });
    return having;
  }

  private static boolean hasOneOf(Fact fact, Set<String> written) {
    return !written.isEmpty()
        && fact.sources().stream().map(Source::raw).anyMatch(raw -> written.contains(key(raw)));
  }

  private static String raw(Fact fact) {
    return fact.source().raw().strip();
  }

  private static String key(String cell) {
    return cell.strip().toLowerCase(Locale.ROOT);
  }
}
