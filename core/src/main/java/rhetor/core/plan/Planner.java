package rhetor.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.language.English;
import rhetor.core.plan.Message.Form;

/**
 * Decides what to say of a product: which facts, how much each matters, and which belong together.
 */
public final class Planner {
  /** Themes in the order in which a description takes them up. */
  private static final String SIZE = "size";

  private static final List<String> THEMES =
      List.of(
          "course",
          "use",
          "performance",
          "power",
          "growing",
          "build",
          "looks",
          "size",
          "fit",
          "handling",
          "features",
          "place",
          "pack",
          "included",
          "origin",
          "care");

  private static final Set<String> CLOSING = Set.of("place", "pack", "included", "origin", "care");
  private static final String INCLUDED = "included";
  private static final Set<String> ALONE = Set.of("care", INCLUDED);
  private static final Set<String> NEVER_SAID = Set.of("name", "brand", "category", "season");
  private static final int MOST_SAID = 18;

  /** Fewer facts don't make a description. */
  private static final int LEAST_TOLD = 5;

  /** The lower, the more often what matters most comes first. */
  private static final double STEEP = 40;

  private static final Pattern NUMBER_OF = Pattern.compile("^\\d+ (?:[x×] )?");

  private final Knowledge knowledge;
  private final Phrasebook phrasebook;

  /**
   * A planner for texts of one language.
   *
   * @param phrasebook its wordings
   */
  public Planner(Knowledge knowledge, Phrasebook phrasebook) {
    this.knowledge = knowledge;
    this.phrasebook = phrasebook;
  }

  /** The facts that can be said, the most salient first. */
  public List<Message> messages(ProductFacts product, Choice choice) {
    List<Message> messages = new ArrayList<>();
    if (PageFacts.isPage(product)) {
      // What is so of several products is nothing that one of them has.
      return messages;
    }
    Optional<ProductClass> productClass = knowledge.productClass(product.productClass());
    for (Fact each : product.facts()) {
      Fact fact = withoutItself(each, product.kindNoun());
      Optional<Concept> known = knowledge.toldAs(fact.concept(), fact.label());
      if (known.isEmpty() || NEVER_SAID.contains(fact.concept())) {
        continue;
      }
      Concept concept = known.get();
      double weight =
          productClass
              .map(c -> c.matters().get(fact.concept()))
              .map(Integer::doubleValue)
              .orElse((double) concept.weight());
      // Of facts that matter alike, the supplier's order decides: the telling columns come first.
      double salience =
          weight
              - messages.size() * 0.01
              + choice.range().distinctiveness(fact, product.productClass());
      Map<Form, List<String>> phrases =
          phrasebook.phrases(fact, product.productClass(), choice.voice());
      Message message =
          new Message(
              fact,
              concept.theme(),
              salience,
              Message.Phrases.of(fact, phrases),
              choice.rotation().turn(fact.concept()),
              0,
              claims(fact, product),
              choice.range().contrast(fact, product.productClass()),
              List.of());
      if (message.sayable() || message.has(Form.PP) || message.has(Form.ADJ)) {
        messages.add(message);
      }
    }
    messages = new PartsTogether(knowledge, phrasebook).of(messages);
    messages.sort(Comparator.comparingDouble(Message::salience).reversed());
    return messages.size() > MOST_SAID ? messages.subList(0, MOST_SAID) : messages;
  }

  /** "Bank, cable" in the box of a power bank: it comes with a cable, and not with itself. */
  private Fact withoutItself(Fact fact, String noun) {
    boolean isContents =
        knowledge.concept(fact.concept()).filter(c -> c.theme().equals(INCLUDED)).isPresent();
    if (!isContents
        || noun.isEmpty()
        || !(fact.value() instanceof Value.Terms(List<String> items))) {
      return fact;
    }
    List<String> others = items.stream().filter(i -> !isItself(i, noun)).toList();
    return others.isEmpty() || others.size() == items.size()
        ? fact
        : fact.withValue(new Value.Terms(others));
  }

  /** "Bank" of a power bank, "2 lights" of a set of bike lights. */
  private static boolean isItself(String item, String noun) {
    String one = NUMBER_OF.matcher(item.toLowerCase(Locale.ROOT)).replaceFirst("");
    return Stream.of(one, English.singular(one)).anyMatch(i -> (" " + noun).endsWith(" " + i));
  }

  /**
   * The messages without those that say what nearly all of the range's class say: they tell nobody
   * which to choose, and stand in the specification. All of them if too little would be left.
   */
  public List<Message> telling(List<Message> messages, ProductFacts product, Choice choice) {
    List<Message> telling =
        messages.stream()
            .filter(m -> !choice.range().isCommon(m.fact(), product.productClass()))
            .toList();
    return telling.stream().filter(Message::sayable).count() >= LEAST_TOLD ? telling : messages;
  }

  /** What one of several things licenses doesn't follow from all of them. */
  private List<Claim> claims(Fact fact, ProductFacts product) {
    if (fact.value() instanceof Value.Terms(List<String> items) && items.size() > 1) {
      return List.of();
    }
    return Licence.in(knowledge).of(fact, product.productClass());
  }

  /** Messages grouped into sentences, and the sentences into the body and the closing paragraph. */
  public record Outline(List<List<Message>> body, List<List<Message>> closing) {}

  /**
   * Facts to tell together with what they are good for; they are kept out of the opening. There are
   * none if the opening would have nothing left to say.
   *
   * @param noun what the opening will call the product; what stands in it needs no telling
   */
  public Set<Message> benefits(List<Message> messages, String noun, Choice choice) {
    Map<Message, Integer> claimed = new LinkedHashMap<>();
    for (Message m : messages) {
      // What gives the opening an adjective ("waterproof") is of more use there.
      boolean tells =
          m.verb() != null
              && m.hasBenefit()
              && m.claims().stream().allMatch(c -> c.adj().isEmpty());
      if (tells && !m.isNamedBy(noun)) {
        // What sets a product apart is worth more than what is true of its kind.
        claimed.put(m, (int) Math.max(1, m.salience() * (m.contrast().isPresent() ? 8 : 1)));
      }
    }
    int most = Math.min(choice.voice().benefits(), messages.size() / 2);
    List<Message> drawn = choice.rotation().ordered(claimed);
    return new LinkedHashSet<>(drawn.subList(0, Math.min(most, drawn.size())));
  }

  /** Groups what is left to say after the opening, as large as the voice likes its sentences. */
  public Outline outline(List<Message> messages, Set<Message> benefits, Choice choice) {
    Map<String, List<Message>> byTheme = new LinkedHashMap<>();
    THEMES.forEach(t -> byTheme.put(t, new ArrayList<>(2)));
    for (Message m : messages) {
      if (m.sayable()) {
        byTheme.computeIfAbsent(m.theme(), t -> new ArrayList<>(2)).add(m);
      }
    }
    List<List<Message>> body = new ArrayList<>();
    List<List<Message>> closing = new ArrayList<>();
    for (String theme : ordered(byTheme, choice)) {
      List<Message> list =
          theme.equals("stay")
              ? new ArrayList<>(byTheme.get(theme))
              : shuffled(byTheme.get(theme), choice);
      List<List<Message>> groups = CLOSING.contains(theme) ? closing : body;
      // What a fact is good for needs a sentence of its own.
      for (Message m : List.copyOf(list)) {
        if (benefits.contains(m)) {
          groups.add(new ArrayList<>(List.of(m)));
          list.remove(m);
        }
      }
      // "It has two bedrooms and a bathroom. Arrival is from 3 pm, and departure is by 10 am."
      List<Message> clauses = new ArrayList<>(list);
      list.removeIf(m -> m.verb() == null);
      clauses.removeAll(list);
      groups.addAll(chunks(list, choice.voice().facts()));
      groups.addAll(chunks(clauses, choice.voice().facts()));
    }
    int most = choice.voice().facts();
    List<List<Message>> told = joinSingles(body, benefits, most);
    List<List<Message>> last = joinSingles(closing, benefits, most);
    settle(told, told, benefits, most);
    settle(told, last, benefits, most);
    return new Outline(told, last);
  }

  /**
   * Facts that are still alone go to the shortest sentence, wherever it stands: one fact more than
   * the voice likes reads better than a sentence of one.
   */
  private static void settle(
      List<List<Message>> from, List<List<Message>> to, Set<Message> benefits, int most) {
    for (List<Message> lone : List.copyOf(from)) {
      if (lone.size() > 1 || benefits.contains(lone.getFirst())) {
        continue;
      }
      to.stream()
          // A measure beside a warranty reads as two rows of a list.
          .filter(g -> from == to || !lone.getFirst().theme().equals(SIZE))
          .filter(g -> g != lone && !benefits.contains(g.getFirst()))
          .filter(g -> mayJoin(g, lone, most + 1) || goesBeside(g, lone))
          .min(Comparator.comparingInt(List::size))
          .ifPresent(
              g -> {
                g.addAll(lone);
                from.removeIf(other -> other == lone);
              });
    }
  }

  /**
   * The themes of the body in a random order in which what matters tends to come first; those of
   * the closing in their own.
   */
  private static List<String> ordered(Map<String, List<Message>> byTheme, Choice choice) {
    Map<String, Integer> weights = new LinkedHashMap<>();
    List<String> closing = new ArrayList<>();
    byTheme.forEach(
        (theme, list) -> {
          if (list.isEmpty()) {
            return;
          }
          if (CLOSING.contains(theme)) {
            closing.add(theme);
          } else {
            double most = list.stream().mapToDouble(Message::salience).max().orElse(1);
            weights.put(theme, (int) Math.max(1, most * most / STEEP));
          }
        });
    List<String> themes = choice.rotation().ordered(weights);
    themes.addAll(closing);
    return themes;
  }

  private static List<Message> shuffled(List<Message> messages, Choice choice) {
    Map<Message, Integer> weights = new LinkedHashMap<>();
    messages.forEach(m -> weights.put(m, (int) Math.max(1, m.salience())));
    return choice.rotation().ordered(weights);
  }

  private static List<List<Message>> chunks(List<Message> list, int most) {
    List<List<Message>> chunks = new ArrayList<>();
    int sentences = (list.size() + most - 1) / most;
    int from = 0;
    for (int i = 0; i < sentences; i++) {
      int to = from + (list.size() - from + sentences - i - 1) / (sentences - i);
      chunks.add(new ArrayList<>(list.subList(from, to)));
      from = to;
    }
    return chunks;
  }

  /** Whether a fact is told at a text's end. */
  public static boolean isClosing(Message m) {
    return CLOSING.contains(m.theme());
  }

  /** Whether a fact needs a sentence of its own. */
  public static boolean isAlone(Message m) {
    return ALONE.contains(m.theme());
  }

  /**
   * A lone fact joins its neighbour, or else another that is lone, so that a text isn't a row of
   * one-fact sentences.
   */
  private static List<List<Message>> joinSingles(
      List<List<Message>> groups, Set<Message> benefits, int most) {
    List<List<Message>> joined = new ArrayList<>();
    for (List<Message> group : groups) {
      List<List<Message>> open =
          joined.stream()
              .filter(g -> !benefits.contains(g.getFirst()) && !benefits.contains(group.getFirst()))
              .filter(g -> mayJoin(g, group, most))
              .collect(Collectors.toList());
      boolean isNext = !open.isEmpty() && open.getLast() == joined.getLast();
      open.removeIf(g -> !isNext && (g.size() > 1 || group.size() > 1));
      if (open.isEmpty()) {
        joined.add(new ArrayList<>(group));
      } else {
        open.getLast().addAll(group);
      }
    }
    return joined;
  }

  /** "It has a fringe, and the cloth weighs 350 gsm." */
  private static boolean goesBeside(List<Message> one, List<Message> other) {
    return one.size() == 1
        && !isAlone(one.getFirst())
        && !isAlone(other.getFirst())
        && (one.getFirst().verb() == null) != (other.getFirst().verb() == null);
  }

  private static boolean mayJoin(List<Message> one, List<Message> other, int most) {
    return !isAlone(one.getFirst())
        && !isAlone(other.getFirst())
        && (one.getFirst().verb() == null) == (other.getFirst().verb() == null)
        && one.size() + other.size() <= most;
  }
}
