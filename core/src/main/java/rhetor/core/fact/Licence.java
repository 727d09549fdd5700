package rhetor.core.fact;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.MadeThing;
import rhetor.core.knowledge.Unit;

/** Tells which claims a fact licenses. Safe for several threads. */
public final class Licence {
  /** Words shortly before a term that take it back. */
  private static final Set<String> DENYING =
      Set.of(
          "no",
          "not",
          "never",
          "non",
          "without",
          "avoid",
          "don't",
          "cannot",
          "free",
          "faux",
          "imitation",
          "artificial",
          "mock",
          "fake");

  /** Words right after a term that make it a likeness, a thin layer or an absence. */
  private static final Set<String> LIKENESS =
      Set.of(
          "look",
          "effect",
          "coloured",
          "colored",
          "colour",
          "color",
          "style",
          "free",
          "plated",
          "tone",
          "tones",
          "imitation",
          "like",
          "optional",
          "available",
          "excluded");

  /** Letters and digits alike: "IPX4" is not "IPX7". */
  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}]+(?:['’.][\\p{L}\\p{N}]+)*");

  private static final int BEFORE = 2;

  private static final int REMEMBERED = 20_000;

  private final Knowledge knowledge;
  private final Map<String, List<Asked>> byConcept = new HashMap<>();

  /** Values come again with the products of a range. */
  private final Map<Question, List<Claim>> answered = new ConcurrentHashMap<>();

  /** A claim with the phrases that it asks for, each as its words. */
  private record Asked(Claim claim, List<List<String>> phrases) {}

  /** The licence by this knowledge; made once for each. */
  public static Licence in(Knowledge knowledge) {
    return knowledge.index(Licence.class, Licence::new);
  }

  private Licence(Knowledge knowledge) {
    this.knowledge = knowledge;
    for (Claim claim : knowledge.claims()) {
      byConcept
          .computeIfAbsent(claim.concept(), c -> new ArrayList<>())
          .add(new Asked(claim, claim.contains().stream().map(Licence::words).toList()));
    }
  }

  private record Question(String concept, Value value, String productClass) {}

  /** The claims that a fact of a product of this class licenses, in the order of the data. */
  public List<Claim> of(Fact fact, String productClass) {
    if (!byConcept.containsKey(fact.concept())) {
      return List.of();
    }
    if (answered.size() > REMEMBERED) {
      answered.clear();
    }
    return answered.computeIfAbsent(
        new Question(fact.concept(), fact.value(), productClass), q -> answer(fact, productClass));
  }

  private List<Claim> answer(Fact fact, String productClass) {
    List<Asked> asked = byConcept.get(fact.concept());
    if (fact.value() instanceof Value.YesNo(boolean yes) && !yes) {
      return List.of();
    }
    // What is true of one thread need not be true of a blend, nor what is of a part of the whole.
    boolean blend =
        fact.value() instanceof Value.Terms(List<String> items)
            && (items.size() > 1 || MadeThing.isOne(items.getFirst(), knowledge))
            && knowledge
                .concept(fact.concept())
                .map(c -> c.terms().equals("material"))
                .orElse(false);
    if (blend) {
      return List.of();
    }
    boolean otherwise =
        !(fact.value() instanceof Value.YesNo)
            && knowledge
                .concept(fact.concept())
                .map(c -> c.kind() == Concept.Kind.FLAG)
                .orElse(false);
    List<String> said = null;
    List<Claim> licensed = new ArrayList<>(2);
    for (Asked a : asked) {
      if (!a.claim.classes().isEmpty() && !knowledge.isOf(productClass, a.claim.classes())) {
        continue;
      }
      // An answer other than yes licenses only what its words say.
      if (otherwise && a.phrases.isEmpty()) {
        continue;
      }
      if (!a.phrases.isEmpty()) {
        said = said == null ? words(text(fact.value())) : said;
        List<String> all = said;
        if (a.phrases.stream().noneMatch(p -> says(all, p))) {
          continue;
        }
      }
      if (isWithin(fact, a.claim)) {
        licensed.add(a.claim);
      }
    }
    return List.copyOf(licensed);
  }

  private static List<String> words(String text) {
    // "USB-C" says "USB", and "non stick" is "non-stick".
    List<String> words = new ArrayList<>();
    Matcher m = WORD.matcher(text.toLowerCase(Locale.ROOT));
    while (m.find()) {
      words.add(m.group());
    }
    return words;
  }

  private static String text(Value value) {
    return switch (value) {
      case Value.Terms(List<String> items) -> String.join(" ; ", items);
      case Value.Words(String text) -> text;
      case Value.Rating(String code) -> code;
      default -> "";
    };
  }

  /** Whether the words say the phrase, as words of their own, and don't take it back. */
  private static boolean says(List<String> said, List<String> phrase) {
    for (int at = 0; at + phrase.size() <= said.size(); at++) {
      if (isAt(said, at, phrase)
          && said.subList(Math.max(0, at - BEFORE), at).stream().noneMatch(DENYING::contains)
          && (at + phrase.size() == said.size()
              || !LIKENESS.contains(said.get(at + phrase.size())))) {
        return true;
      }
    }
    return false;
  }

  private static boolean isAt(List<String> said, int at, List<String> phrase) {
    for (int i = 0; i < phrase.size(); i++) {
      if (!said.get(at + i).equals(phrase.get(i))) {
        return false;
      }
    }
    return true;
  }

  private boolean isWithin(Fact fact, Claim claim) {
    if (claim.atLeast() == null && claim.atMost() == null) {
      return true;
    }
    OptionalDouble least = amount(fact.value(), claim, true);
    OptionalDouble most = amount(fact.value(), claim, false);
    return (claim.atLeast() == null || least.isPresent() && least.getAsDouble() >= claim.atLeast())
        && (claim.atMost() == null || most.isPresent() && most.getAsDouble() <= claim.atMost());
  }

  /**
   * The least or the most that a value says, in the claim's unit; nothing if it leaves that open.
   */
  private OptionalDouble amount(Value value, Claim claim, boolean least) {
    return switch (value) {
      case Value.Quantity(BigDecimal amount, String unit, String qualifier) ->
          isOpen(qualifier, least) ? OptionalDouble.empty() : in(amount, unit, claim);
      case Value.Range(BigDecimal from, BigDecimal to, String unit) ->
          in(least ? from : to, unit, claim);
      case Value.Rating(String code) -> waterDigit(code);
      default -> OptionalDouble.empty();
    };
  }

  /** "Up to 12 h" says nothing of the least, "at least 12 h" nothing of the most. */
  private static boolean isOpen(String qualifier, boolean least) {
    return !qualifier.isEmpty() && least == qualifier.equals("up to");
  }

  private OptionalDouble in(BigDecimal amount, String unit, Claim claim) {
    String wanted =
        claim.unit().isEmpty()
            ? knowledge.concept(claim.concept()).map(Concept::unit).orElse("")
            : claim.unit();
    if (wanted.equals(unit)) {
      return OptionalDouble.of(amount.doubleValue());
    }
    Optional<Unit> from = knowledge.unit(unit);
    Optional<Unit> to = knowledge.unit(wanted);
    if (from.isEmpty() || to.isEmpty() || !from.get().dimension().equals(to.get().dimension())) {
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(
        amount.doubleValue() * from.get().factor().doubleValue() / to.get().factor().doubleValue());
  }

  /** The second digit of an IP code (IEC 60529), which grades protection against water. */
  private static OptionalDouble waterDigit(String code) {
    boolean graded =
        code.length() >= 4 && code.startsWith("IP") && Character.isDigit(code.charAt(3));
    return graded ? OptionalDouble.of(code.charAt(3) - '0') : OptionalDouble.empty();
  }
}
