package rhetor.core.say.en;

import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;

/**
 * What would bring a return or do harm if a buyer missed it: what isn't included, what else is
 * needed, what it isn't for, what it contains.
 */
public final class Caution {
  private static final Pattern SAYS =
      Pattern.compile(
          "(?i)\\b(?:not included|not incl|excl|excluded|sold separately|separately|singly|not for|not suitable|unsuitable|do not use|requires?|required|needs|needed separately|may contain|contains|warning|choking|harmful|flammable|optional)\\b");

  private static final Pattern ASKS_OF_PARTS =
      Pattern.compile("(?i)\\b(?:incl|included|includes|with|supplied|batter(?:y|ies))\\b");

  private static final Pattern HEADS =
      Pattern.compile("(?i)\\b(?:warning|caution|allergens?|not included|not for)\\b");

  private Caution() {}

  /** Whether a fact is to stand where nobody misses it. */
  public static boolean isOne(Fact fact) {
    boolean isMissing =
        fact.value() instanceof Value.YesNo(boolean yes)
            && !yes
            && ASKS_OF_PARTS.matcher(fact.label()).find();
    boolean isTold = fact.value() instanceof Value.Words || fact.value() instanceof Value.Terms;
    return isMissing
        || HEADS.matcher(fact.label()).find()
        || isTold && SAYS.matcher(fact.source().raw()).find();
  }
}
