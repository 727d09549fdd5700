package rhetor.core.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.check.Readiness.Factor;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.language.English;
import rhetor.core.style.Aspect;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;

/**
 * Works out how ready texts are. Its weights were chosen so that what editors publish and what they
 * send back lie apart; {@code ./rhetor bench judge} prints how far.
 */
final class ReadinessFinder {
  private static final Set<String> NAMING = Set.of("name", "brand", "category", "season");

  /** From this share of the facts on, a text tells enough. */
  private static final double ENOUGH = 0.5;

  /** A text that tells so many facts tells enough, however many there are. */
  private static final int PLENTY = 8;

  /**
   * What is left of it in a single sentence: no shopper is helped by one, however little is known.
   */
  private static final double THIN = 0.3;

  /** What is left of it where nobody knows what the thing is. */
  private static final double UNKNOWN_KIND = 0.6;

  private static final int FEW_ESSENTIALS = 5;

  /** The least that it costs if something is said that can't stand, however much else is. */
  private static final double ONE_FALSE = 0.6;

  /** Sentences' worth that a statement costs which rests on nothing or is contradicted. */
  private static final double HELD = 1.5;

  /** The same for what may be so. */
  private static final double OPEN = 0.4;

  /** The same for a passage that an editor would send back. */
  private static final double FAULTY = 2;

  /** Of fewer sentences each weighs no more. */
  private static final int SHORT_TEXT = 3;

  private static final Pattern TOKEN = Pattern.compile("\\p{L}+|\\d+(?:[.,]\\d+)*");

  private final Knowledge knowledge;
  private final StyleCheck style;

  ReadinessFinder(Knowledge knowledge, StyleCheck style) {
    this.knowledge = knowledge;
    this.style = style;
  }

  /**
   * What was looked at.
   *
   * @param texts each field as plain text
   * @param marks what the checks found
   */
  record Checked(
      Draft draft,
      Map<Field, String> texts,
      ProductFacts product,
      String keyword,
      List<Mark> marks) {
    /** How many sentences are read as prose. */
    int sentences() {
      int sentences = 0;
      for (Field field :
          List.of(Field.DESCRIPTION, Field.SHORT_DESCRIPTION, Field.META_DESCRIPTION)) {
        for (Block block : draft.blocks(field)) {
          sentences += block.kind() == Block.Kind.PARAGRAPH ? block.sentences().size() : 0;
        }
      }
      return Math.max(SHORT_TEXT, sentences);
    }

    long count(String check) {
      return marks.stream().filter(m -> m.check().equals(check)).count();
    }

    long count(String check, Mark.Weight weight) {
      return marks.stream().filter(m -> m.check().equals(check) && m.weight() == weight).count();
    }
  }

  /** A share of what could be had, and why it isn't all. */
  private record Part(double share, String why) {
    static Part less(double loss, String why) {
      return new Part(Math.max(0, 1 - loss), loss > 0 ? why : "");
    }
  }

  Readiness of(Checked checked) {
    List<Factor> factors = new ArrayList<>();
    for (Aspect aspect : Aspect.values()) {
      Part part = part(aspect, checked);
      int most = style.weight(aspect);
      factors.add(new Factor(aspect.label(), (int) Math.round(part.share * most), most, part.why));
    }
    return Readiness.of(factors);
  }

  private Part part(Aspect aspect, Checked checked) {
    return switch (aspect) {
      case FIELDS -> fields(checked);
      case SUPPORT -> support(checked);
      case LANGUAGE -> language(checked);
      case TOLD -> told(checked);
      case LENGTHS -> {
        long fields = checked.count(Mark.LENGTH);
        long sentences = checked.count("sentence length");
        yield Part.less(
            fields * 0.5 + sentences * 0.25,
            "%s too long or too short."
                .formatted(counted(fields + sentences, "text is", "texts are")));
      }
      case ESSENTIALS -> essentials(checked.product());
      case KEYWORD ->
          checked.keyword().isBlank()
              ? new Part(1, "")
              : Part.less(
                  checked.count("keyword") * 0.3 + checked.count("keyword conflict"),
                  "The keyword is missing in places, or in conflict.");
      case WORDING -> wording(checked);
    };
  }

  private static String counted(long number, String one, String many) {
    return number + " " + (number == 1 ? one : many);
  }

  private static Part fields(Checked checked) {
    int wanted = 0;
    int present = 0;
    for (Field field : Field.values()) {
      wanted += field.isList() ? 0 : 1;
      present += field.isList() || checked.texts().get(field).isBlank() ? 0 : 1;
    }
    return new Part(
        (double) present / wanted,
        present == wanted ? "" : "%d of %d texts are written.".formatted(present, wanted));
  }

  private static Part support(Checked checked) {
    long held = checked.count("support") + checked.count("claim");
    long open = checked.count("no source");
    return Part.less(
        Math.max(held > 0 ? ONE_FALSE : 0, (held * HELD + open * OPEN) / checked.sentences()),
        "%s on no fact.".formatted(counted(held + open, "statement rests", "statements rest")));
  }

  private static Part language(Checked checked) {
    long held = checked.count(Mark.PLAIN, Mark.Weight.MUST_FIX);
    long other = checked.count(Mark.PLAIN, Mark.Weight.WEIGH);
    return Part.less(
        (held * FAULTY + other * OPEN) / checked.sentences(),
        "%s to be put otherwise.".formatted(counted(held + other, "passage has", "passages have")));
  }

  /** How much of what a buyer wants to know the prose tells. */
  private static Part told(Checked checked) {
    Set<String> words = new HashSet<>();
    for (Field field : List.of(Field.DESCRIPTION, Field.SHORT_DESCRIPTION)) {
      for (Block block : checked.draft().blocks(field)) {
        if (block.kind() == Block.Kind.PARAGRAPH) {
          block.sentences().forEach(s -> words.addAll(stems(s.text())));
        }
      }
    }
    List<Fact> facts =
        checked.product().facts().stream()
            .filter(f -> !NAMING.contains(f.concept()) && !f.foreign())
            .toList();
    long told = facts.stream().filter(f -> isTold(f, words)).count();
    double wanted = Math.max(1, Math.min(PLENTY, facts.size() * ENOUGH));
    double share = Math.min(1, told / wanted);
    boolean isKnown = !checked.product().kindNoun().isEmpty();
    String why = share < 1 ? "%d of %d facts are told.".formatted(told, facts.size()) : "";
    if (isOneSentence(checked.draft())) {
      share *= THIN;
      why = (why + " The description is a single sentence.").strip();
    }
    return isKnown
        ? new Part(share, why)
        : new Part(share * UNKNOWN_KIND, (why + " Nobody has said what it is.").strip());
  }

  private static boolean isOneSentence(Draft draft) {
    return draft.blocks(Field.DESCRIPTION).stream()
            .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
            .mapToInt(b -> b.sentences().size())
            .sum()
        < 2;
  }

  /** Whether a text has half of what a fact's value says. */
  private static boolean isTold(Fact fact, Set<String> words) {
    if (fact.value() instanceof Value.YesNo) {
      return stems(fact.label()).stream().anyMatch(words::contains);
    }
    Set<String> said = stems(fact.source().raw());
    long found = said.stream().filter(words::contains).count();
    return !said.isEmpty() && found * 2 >= said.size();
  }

  private static Set<String> stems(String text) {
    Set<String> stems = new HashSet<>();
    Matcher m = TOKEN.matcher(text.toLowerCase(Locale.ROOT));
    while (m.find()) {
      boolean isNumber = Character.isDigit(m.group().charAt(0));
      if (isNumber) {
        stems.add(m.group().replace(',', '.'));
      } else if (m.group().length() > 2) {
        stems.add(English.stem(m.group()));
      }
    }
    return stems;
  }

  private static Part wording(Checked checked) {
    double loss =
        checked.count("likeness") * 0.6
            + checked.count("empty phrase") * 0.4
            + checked.count("markup") * 0.4
            + checked.count("house likeness") * 0.4
            + checked.count("repetition") * 0.2
            + checked.count("grammar") * 0.2
            + checked.marks().stream().filter(Mark::concernsStyle).count() * 0.2;
    return Part.less(loss, "Wording and style have marks.");
  }

  /** In proportion to the class's essential facts; by number of facts for unknown classes. */
  private Part essentials(ProductFacts product) {
    List<String> essential =
        knowledge
            .productClass(product.productClass())
            .map(ProductClass::essential)
            .orElse(List.of());
    if (essential.isEmpty()) {
      long known =
          product.facts().stream()
              .filter(f -> !f.concept().isEmpty() && !NAMING.contains(f.concept()))
              .count();
      return known >= FEW_ESSENTIALS
          ? new Part(1, "")
          : new Part((double) known / FEW_ESSENTIALS, "Only %d facts are known.".formatted(known));
    }
    List<String> missing =
        essential.stream()
            .filter(e -> product.fact(e).isEmpty())
            .map(e -> knowledge.concept(e).map(c -> c.label()).orElse(e))
            .toList();
    return new Part(
        1 - (double) missing.size() / essential.size(),
        missing.isEmpty() ? "" : "Not known: " + String.join(", ", missing) + ".");
  }
}
