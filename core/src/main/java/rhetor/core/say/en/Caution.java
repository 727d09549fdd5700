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

  /** "Not under 12 months", "not near open fire": where, when or for whom it isn't meant. */
  private static final Pattern FORBIDS =
      Pattern.compile(
          "(?i)not (?:above|after|at|before|below|by|for|in|indoors|near|on|outdoors|over|to|under|until|when|while|with)\\b.*");

  /** "Food safe: N". */
  private static final Pattern ASKS_OF_SAFETY = Pattern.compile("(?i)\\bsafe\\b");

  private static final Pattern ASKS_OF_PARTS =
      Pattern.compile("(?i)\\b(?:incl|included|includes|with|supplied|batter(?:y|ies))\\b");

  private static final Pattern HEADS =
      Pattern.compile(
          "(?i)\\b(?:warn(?:ings?)?|caution|hazards?|allergens?|not included)\\b|^not\\b");

  /** What food law has named wherever it is in (EU Regulation 1169/2011, Annex II). */
  private static final Pattern ALLERGENS =
      Pattern.compile(
          "(?i)(?:contains )?(?:gluten|wheat|rye|barley|oats|crustaceans?|shellfish|eggs?|fish|peanuts?|soy(?:a|beans?)?|milk|lactose|dairy|(?:tree )?nuts?|almonds?|hazelnuts?|walnuts?|cashews?|pecans?|pistachios?|celery|mustard|sesame|sul(?:ph|f)ites?|sulphur dioxide|lupins?|mollus[ck]s?)");

  private Caution() {}

  /** Whether a fact is to stand where nobody misses it. */
  public static boolean isOne(Fact fact) {
    boolean isMissing =
        fact.value() instanceof Value.YesNo(boolean yes)
            && !yes
            && (ASKS_OF_PARTS.matcher(fact.label()).find()
                || ASKS_OF_SAFETY.matcher(fact.label()).find());
    boolean isIn =
        fact.value() instanceof Value.YesNo(boolean yes)
            && yes
            && ALLERGENS.matcher(fact.label()).matches();
    boolean isTold = fact.value() instanceof Value.Words || fact.value() instanceof Value.Terms;
    return isMissing
        || isIn
        || HEADS.matcher(fact.label()).find()
        || FORBIDS.matcher(fact.source().raw().strip()).matches()
        || isTold && SAYS.matcher(fact.source().raw()).find();
  }
}
