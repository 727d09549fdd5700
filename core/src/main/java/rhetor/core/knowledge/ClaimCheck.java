package rhetor.core.knowledge;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.language.Words;

/** Finds what keeps a claim from being one that a careful shop can make. */
public final class ClaimCheck {
  private static final Pattern ID = Pattern.compile("[a-z0-9]+(?:-[a-z0-9]+)*");
  private static final Pattern SLOT = Pattern.compile("\\{(?!it\\}|them\\})[^}]*\\}?|<[^>]*>");
  private static final int MOST_PHRASES = 40;
  private static final int LONGEST = 120;

  /** Words that no fact of a product can bear out. */
  private static final Set<String> UNPROVABLE =
      Set.of(
          "best",
          "perfect",
          "ultimate",
          "unique",
          "always",
          "never",
          "forever",
          "guaranteed",
          "guarantee",
          "unbreakable",
          "indestructible",
          "unbeatable",
          "leading",
          "cheapest",
          "cures",
          "heals",
          "safest");

  private ClaimCheck() {}

  /** What is wrong with it, each with what to do; nothing if it can stand. */
  public static List<String> problems(Claim claim, Knowledge knowledge) {
    List<String> problems = new ArrayList<>();
    if (!ID.matcher(claim.id()).matches() || claim.id().length() > 60) {
      problems.add(
          "The claim's short name may have small letters, digits and hyphens, such as dries-fast.");
    }
    Concept concept = knowledge.concept(claim.concept()).orElse(null);
    if (concept == null) {
      problems.add("There is no kind of fact called \"" + claim.concept() + "\".");
    }
    boolean bounded = claim.atLeast() != null || claim.atMost() != null;
    if (claim.contains().isEmpty()
        && !bounded
        && concept != null
        && (concept.kind() == Concept.Kind.WORDS || concept.kind() == Concept.Kind.TERMS)) {
      // An amount or a yes says enough by being there; words may say anything.
      problems.add(
          "Say when it holds: words that the fact has to say, or a least or greatest amount.");
    }
    if (claim.atLeast() != null && claim.atMost() != null && claim.atLeast() > claim.atMost()) {
      problems.add("The least amount is more than the greatest, so it would never hold.");
    }
    if (!claim.unit().isEmpty() && knowledge.unit(claim.unit()).isEmpty()) {
      problems.add("There is no unit called \"" + claim.unit() + "\".");
    }
    for (String productClass : claim.classes()) {
      if (knowledge.productClass(productClass).isEmpty()) {
        problems.add("There is no class of products called \"" + productClass + "\".");
      }
    }
    if (claim.text().isBlank()) {
      problems.add("Say in a sentence why it is so; it stands among the sources of every text.");
    }
    if (claim.adj().isEmpty() && claim.so().isEmpty()) {
      problems.add("Give it words: an adjective, or a clause that follows after \"so\".");
    }
    List<String> words = new ArrayList<>(claim.adj());
    words.addAll(claim.so());
    if (words.size() + claim.contains().size() > MOST_PHRASES) {
      problems.add("More than " + MOST_PHRASES + " phrases are too many for one claim.");
    }
    words.forEach(phrase -> phrase(phrase, problems));
    return problems;
  }

  /** Words of a phrase that no fact of a product can bear out. */
  public static List<String> unprovable(String phrase) {
    return Words.of(phrase).stream()
        .map(w -> w.text().toLowerCase(Locale.ROOT))
        .filter(UNPROVABLE::contains)
        .toList();
  }

  private static void phrase(String phrase, List<String> problems) {
    if (phrase.isBlank() || phrase.length() > LONGEST) {
      problems.add("A phrase has to have 1 to " + LONGEST + " characters: \"" + phrase + "\".");
    }
    if (SLOT.matcher(phrase).find()) {
      problems.add("\"" + phrase + "\" has a slot or markup; only {it} and {them} are filled in.");
    }
    if (phrase.matches(".*[.!?]\\s*")) {
      problems.add("\"" + phrase + "\" ends like a sentence; it is a part of one.");
    }
    for (String word : unprovable(phrase)) {
      problems.add("\"" + word + "\" is more than any fact of a product can bear out.");
    }
  }
}
