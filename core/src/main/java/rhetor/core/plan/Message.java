package rhetor.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Claim;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.text.Support;

/**
 * A fact that is going to be said, with all the ways to put it.
 *
 * @param theme messages of one theme share a sentence
 * @param salience how much it matters to a buyer, 0 to 100
 * @param phrases how it can be put
 * @param turn which of a form's phrases is meant, counted round
 * @param shift how far to go on from there, beyond a form's phrases to other forms
 * @param claims claims that the fact licenses
 * @param contrast what sets its amount apart from the range, if anything does
 * @param also facts that the same words tell: "the frame and the legs are of steel"
 */
public record Message(
    Fact fact,
    String theme,
    double salience,
    Phrases phrases,
    int turn,
    int shift,
    List<Claim> claims,
    Optional<RangeFigures.Contrast> contrast,
    List<Fact> also) {

  /** "Sleep two people", "have three drawers". */
  private static final Pattern HOW_MANY = Pattern.compile("(\\S+) (\\p{L}+)$");

  private static final Set<String> PEOPLE = Set.of("person", "people");

  /** The place in a sentence that a phrase fits. */
  public enum Form {
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
    CLAUSE,
    /** In front of the sentence: <i>at 940 g</i>. */
    FRONT
  }

  /**
   * The phrases of a fact.
   *
   * @param byForm phrases by form, never an empty list; see {@link Form}
   * @param be those after "is" as verb phrases, made once: they are asked for time and again
   * @param have those after "has" as verb phrases
   */
  public record Phrases(Map<Form, List<String>> byForm, List<String> be, List<String> have) {
    /** The phrases of a fact by form, without such as only name its heading where others don't. */
    public static Phrases of(Fact fact, Map<Form, List<String>> byForm) {
      List<String> have = after("have ", byForm.get(Form.WITH));
      boolean isSaidOtherwise =
          byForm.containsKey(Form.VERB)
              || byForm.containsKey(Form.PART)
              || byForm.containsKey(Form.CLAUSE);
      return new Phrases(
          byForm,
          after("be ", byForm.get(Form.PART)),
          isSaidOtherwise && have.stream().allMatch(p -> isHeaded(p, fact)) ? List.of() : have);
    }

    /** "Have a weight of 940 g": a heading and its amount, and no sentence of its own. */
    private static boolean isHeaded(String phrase, Fact fact) {
      boolean isAmount =
          switch (fact.value()) {
            case Value.Quantity q -> true;
            case Value.Range r -> true;
            case Value.Sides s -> true;
            default -> false;
          };
      return isAmount && Words.find(fact.label(), phrase) >= 0;
    }

    private static List<String> after(String verb, List<String> phrases) {
      return phrases == null ? List.of() : phrases.stream().map(p -> verb + p).toList();
    }
  }

  /** Two messages are the same if they tell the same fact, however they put it. */
  @Override
  public boolean equals(Object other) {
    return other instanceof Message m && m.fact == fact;
  }

  @Override
  public int hashCode() {
    return System.identityHashCode(fact);
  }

  public boolean has(Form form) {
    return phrases.byForm.containsKey(form);
  }

  /** The phrase of a form whose turn it is; null if there is none. */
  public String get(Form form) {
    List<String> of = phrases.byForm.get(form);
    return of == null ? null : current(of);
  }

  private String current(List<String> wordings) {
    return wordings.get(Math.floorMod(turn + shift, wordings.size()));
  }

  /** The same message with another wording's turn. */
  public Message withTurn(int other) {
    return new Message(fact, theme, salience, phrases, other, shift, claims, contrast, also);
  }

  /** The same message put another way, where there is one. */
  public Message turned(int by) {
    return by == 0
        ? this
        : new Message(fact, theme, salience, phrases, turn, shift + by, claims, contrast, also);
  }

  /**
   * The fact as a verb phrase in its base form, made from whichever form there is; null if none.
   * Shifted messages go on from verbs to "be" and "have".
   */
  public String verb() {
    boolean verb = has(Form.VERB);
    boolean part = !phrases.be.isEmpty();
    boolean with = !phrases.have.isEmpty();
    int forms = (verb ? 1 : 0) + (part ? 1 : 0) + (with ? 1 : 0);
    if (forms == 0) {
      return null;
    }
    int skip = shift % forms;
    if (verb && skip-- == 0) {
      return get(Form.VERB);
    }
    if (part && skip-- == 0) {
      return current(phrases.be);
    }
    return current(phrases.have);
  }

  /** Whether there is more to tell of it than itself: what it is good for, or how it compares. */
  public boolean hasBenefit() {
    if (contrast.isPresent()) {
      return true;
    }
    for (Claim claim : claims) {
      if (!claim.so().isEmpty()) {
        return true;
      }
    }
    return false;
  }

  public boolean sayable() {
    return has(Form.VERB) || has(Form.PART) || has(Form.WITH) || has(Form.CLAUSE);
  }

  public Support support() {
    return Support.fact(fact.id());
  }

  /** What all of its words rest on. */
  public List<Support> supports() {
    List<Support> all = new ArrayList<>(1 + also.size());
    all.add(support());
    also.forEach(f -> all.add(Support.fact(f.id())));
    return all;
  }

  /** The same message told together with other facts, in words for all of them. */
  Message together(List<Fact> others, Map<Form, List<String>> words) {
    return new Message(
        fact,
        theme,
        salience,
        Phrases.of(fact, words),
        turn,
        shift,
        List.of(),
        Optional.empty(),
        List.copyOf(others));
  }

  /** Whether a noun has said the fact: "a black pannier" has said its colour. */
  public boolean isNamedBy(String noun) {
    String value =
        switch (fact.value()) {
          case Value.Words(String text) -> text;
          case Value.Terms(List<String> items) when items.size() == 1 -> items.getFirst();
          case Value.YesNo(boolean yes) when yes -> fact.label();
          default -> "";
        };
    // "Navy socks" are navy blue.
    String shade = fact.concept().equals("colour") ? value.split(" ", 2)[0] : value;
    return shade.length() > 2 && Words.find(shade, noun) >= 0 || saysHowMany(noun);
  }

  /**
   * "A two-man tent" has said that it "sleeps two people", and a "three drawer chest" that it "has
   * three drawers".
   */
  private boolean saysHowMany(String noun) {
    String verb = verb();
    Matcher many = HOW_MANY.matcher(verb == null ? "" : verb);
    if (!many.find()) {
      return false;
    }
    String counted = English.singular(many.group(2));
    Matcher called =
        Pattern.compile("\\b" + Pattern.quote(many.group(1)) + "[ -](\\p{L}+)").matcher(noun);
    return called.find()
        && (English.singular(called.group(1)).equals(counted)
            || PEOPLE.contains(counted) && Lexicon.shipped().isKindOf(called.group(1), "person"));
  }
}
