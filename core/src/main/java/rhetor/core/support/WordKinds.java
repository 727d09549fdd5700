package rhetor.core.support;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;
import rhetor.core.support.Assertion.Kind;

/** Tells by a word alone what a shop is held to who says it. Safe for several threads. */
final class WordKinds {
  /** Materials are kinds of these. */
  private static final List<String> MATERIALS =
      List.of(
          "metal", "alloy", "wood", "fabric", "plastic", "leather", "rubber", "fiber", "stone",
          "glass", "ceramic", "paper", "wool");

  private static final List<String> STUFF = List.of("material");

  private static final List<String> COLOURS = List.of("chromatic color");
  private static final List<String> PLACES =
      List.of("location", "region", "country", "city", "geographical area");
  private static final List<String> ILLS =
      List.of("disease", "ill health", "symptom", "injury", "mental illness");
  private static final List<String> SUBSTANCES = List.of("material", "substance");
  private static final double MOSTLY = 0.5;
  private static final String MATERIAL = "material";

  /** What has more kinds below it, such as "material" itself, says nothing. */
  private static final int MANY_KINDS = 400;

  private static final int SEVERAL = 3;

  private final Knowledge knowledge;
  private final JudgeWords words = JudgeWords.shipped();
  private final Lexicon lexicon = Lexicon.shipped();
  private final Memo<Optional<Kind>> closed = new Memo<>(this::findClosed);
  private final Memo<Optional<Kind>> made = new Memo<>(this::findMade);

  WordKinds(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** A guarantee, health, the environment, a certificate or a comparison. */
  Optional<Kind> closed(String word) {
    return closed.of(word);
  }

  private Optional<Kind> findClosed(String word) {
    if (words.is("guarantee", word)) {
      return Optional.of(Kind.GUARANTEE);
    }
    boolean isIll = lexicon.shareOfSenses(word, ILLS) >= MOSTLY;
    // "Adds" is no disorder.
    boolean isDone = English.tags(word).stream().anyMatch(t -> t.startsWith("VB"));
    if (words.is("health", word) || isIll && !isDone) {
      return Optional.of(Kind.HEALTH);
    }
    if (words.is("environment", word)) {
      return Optional.of(Kind.ENVIRONMENT);
    }
    if (words.of("certificate").contains(word)
        || words.of("certificate").contains(word.substring(word.indexOf('-') + 1))) {
      return Optional.of(Kind.CERTIFICATE);
    }
    if (words.of("property").contains(word)) {
      return Optional.of(Kind.PROPERTY);
    }
    if (words.of("absolute").contains(word)) {
      return Optional.of(Kind.ABSOLUTE);
    }
    return words.of("comparison").contains(word) ? Optional.of(Kind.COMPARATIVE) : Optional.empty();
  }

  /** A material or a colour. */
  Optional<Kind> made(String word) {
    return made.of(word);
  }

  private Optional<Kind> findMade(String word) {
    boolean isStuff = lexicon.shareKindOf(word, STUFF) >= MOSTLY;
    boolean isTree = lexicon.shareOfSenses(word, List.of("tree")) >= MOSTLY;
    // A driver is a wood among golf clubs, and no material; a stuff that is never counted is one.
    boolean isMaterial =
        lexicon.shareKindOf(word, MATERIALS) >= MOSTLY || English.tags(word).equals(Set.of("NN:U"));
    if (knowledge.term(MATERIAL, word).isPresent()
        || isTree
        || isStuff && isMaterial
        || isKindOfMaterials(word)) {
      return Optional.of(Kind.MATERIAL);
    }
    return knowledge.term("colour", word).isPresent()
            || lexicon.shareOfSenses(word, COLOURS) > MOSTLY
        ? Optional.of(Kind.COLOUR)
        : Optional.empty();
  }

  /** Whether words are what a material is called: "cast iron". */
  boolean isMaterial(String words) {
    return knowledge.term(MATERIAL, words).isPresent();
  }

  /** "Metal": a substance, and several materials are kinds of it. */
  private boolean isKindOfMaterials(String word) {
    int below = lexicon.kinds(word);
    return below > 0
        && below < MANY_KINDS
        && lexicon.shareOfSenses(word, SUBSTANCES) >= MOSTLY
        && knowledge.termsByName(MATERIAL).keySet().stream()
                .filter(t -> !t.equals(word) && lexicon.isKindOf(t, word))
                .limit(SEVERAL)
                .count()
            == SEVERAL;
  }

  /** What a name that the row hasn't may be: a place, somebody, or a scheme in capitals. */
  Kind proper(String word) {
    if (word.length() > 1 && word.equals(word.toUpperCase(Locale.ROOT))) {
      return Kind.CERTIFICATE;
    }
    return PLACES.stream().anyMatch(p -> lexicon.isKindOf(word, p)) ? Kind.ORIGIN : Kind.MAKER;
  }
}
