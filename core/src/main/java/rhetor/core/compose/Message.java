package rhetor.core.compose;

import java.util.List;
import java.util.Map;
import rhetor.core.fact.Claim;
import rhetor.core.fact.Fact;

/**
 * A fact that is going to be said, with all the ways to put it.
 *
 * @param theme messages of one theme share a sentence
 * @param salience how much it matters to a buyer, 0 to 100
 * @param forms phrases by form; see {@link Form}
 * @param claims claims that the fact licenses
 */
record Message(
    Fact fact, String theme, double salience, Map<Form, String> forms, List<Claim> claims) {

  /** The place in a sentence that a phrase fits. */
  enum Form {
    /** Before the noun: a <i>20-litre</i> pannier. */
    ADJ,
    /** After the noun: a pannier <i>in moss green</i>. */
    PP,
    /** After "is", or in front of the sentence: <i>made of canvas</i>. */
    PART,
    /** After "has" or "with": <i>a roll-top closure</i>. */
    WITH,
    /** A verb phrase in its base form: <i>weigh 940 g</i>. */
    VERB,
    /** A clause with a subject of its own: <i>the ruling is dotted</i>. */
    CLAUSE
  }

  /** A message is itself only: it is asked for often, and its parts are deep. */
  @Override
  public boolean equals(Object other) {
    return this == other;
  }

  @Override
  public int hashCode() {
    return System.identityHashCode(this);
  }

  boolean has(Form form) {
    return forms.containsKey(form);
  }

  String get(Form form) {
    return forms.get(form);
  }

  /**
   * The fact as a verb phrase in its base form, made from whichever form there is; null if none.
   */
  String verb() {
    return has(Form.VERB)
        ? get(Form.VERB)
        : has(Form.PART)
            ? "be " + get(Form.PART)
            : has(Form.WITH) ? "have " + get(Form.WITH) : null;
  }

  boolean sayable() {
    return verb() != null || has(Form.CLAUSE);
  }

  Support support() {
    return Support.fact(fact.id());
  }
}
