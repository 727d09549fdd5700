package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Value;
import rhetor.core.language.English;
import rhetor.core.language.Memo;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.style.SentenceFrame;
import rhetor.core.style.Voice;

/** Puts a group of messages into the frames of sentences; the words only, without choosing. */
public final class Framing {

  /** Stands between the items of a list until the sentence it is in is known. */
  public static final String ITEM = "\u0001";

  /** Other ways to put a fact that are tried so as not to repeat a verb. */
  private static final int TURNS = 3;

  private static final char LISTED = ITEM.charAt(0);

  /** What clauses about growing are about. */
  public static final String SHARED = "plants ";

  /** What a thing does with what it weighs or costs in watts. */
  private static final Set<String> BEARING = Set.of("hold", "take", "carry", "bear");

  /** Verbs that are said once for all that follows them. */
  private static final Set<String> MERGED = Set.of("be", "have");

  /** Themes whose facts are things that a product comes with, rather than measures it has. */
  private static final Set<String> THINGS = Set.of("features", "handling");

  private static final Pattern MEASURE =
      Pattern.compile("(?:an? )?((?:\\p{L}+ ){0,2}\\p{L}+) of ((?=.*\\d)[^\u0001]+)");

  /** "A weight of 940 g". */
  private record Measure(String what, String value) {
    static Optional<Measure> of(String phrase) {
      Matcher m = MEASURE.matcher(phrase);
      return m.matches() ? Optional.of(new Measure(m.group(1), m.group(2))) : Optional.empty();
    }
  }

  private static final Memo<Optional<Measure>> MEASURES_OF = new Memo<>(Measure::of);

  private static final Pattern AFTER = Pattern.compile(" (?:for|from|with|to|that) ");

  /** Whether a noun phrase goes on after its noun. */
  private static final Memo<Boolean> GOES_ON = new Memo<>(p -> AFTER.matcher(p).find());

  /** What was done, and by, with, for, in or of what. */
  private static final Pattern DEED =
      Pattern.compile("(\\p{Ll}+(?:ed|en|de|nt))(?= (by|with|for|from|in|of) )");

  private static final Pattern CHOICE = Pattern.compile("^(?:come|be (?:available|offered)) in ");

  private static final Pattern SIDE = Pattern.compile("[\\d.,]+ .*(?:long|wide|high|deep|thick)");

  private static final Set<String> MEASURES =
      Set.of(
          "weight",
          "mass",
          "capacity",
          "volume",
          "length",
          "width",
          "height",
          "depth",
          "thickness",
          "diameter",
          "output",
          "time",
          "dimensions",
          "distance",
          "rating",
          "count",
          "rate",
          "strain",
          "column");

  private final Subject subject;
  private final ValueText values;

  /** The messages that have a verb, those that are clauses of their own, and the things. */
  private final List<Message> verbs = new ArrayList<>();

  private final List<Message> clauses = new ArrayList<>();
  private final List<Message> withs = new ArrayList<>();

  public Framing(Subject subject, ValueText values, List<Message> group) {
    this.subject = subject;
    this.values = values;
    for (Message m : group) {
      if (m.verb() == null) {
        clauses.add(m);
      } else {
        verbs.add(m);
        if (m.has(Form.WITH) && !m.has(Form.VERB)) {
          withs.add(m);
        }
      }
    }
  }

  /** Whether nothing of it is about the product itself: "plants reach 30 cm". */
  public boolean isOnlyClauses() {
    return verbs.isEmpty();
  }

  /** The messages of the sentence at an index: of two sentences the first tells the first fact. */
  public List<Message> toldBy(int sentence, int sentences) {
    if (sentences == 1) {
      List<Message> all = new ArrayList<>(verbs);
      all.addAll(clauses);
      return all;
    }
    return sentence == 0 ? verbs.subList(0, 1) : verbs.subList(1, verbs.size());
  }

  /** The first verb, in its base form. */
  public String firstVerb() {
    return verbs.getFirst().verb();
  }

  /**
   * The words of a sentence or two, without full stops; null if the messages don't fit the frame.
   *
   * @param who how the product is referred to
   */
  public List<String> put(SentenceFrame frame, String who, boolean startsParagraph) {
    if (verbs.isEmpty()) {
      return frame == SentenceFrame.PLAIN ? List.of(joinedClauses()) : null;
    }
    List<String> texts = framed(frame, who, startsParagraph);
    if (texts == null || clauses.isEmpty()) {
      return texts;
    }
    if (texts.size() > 1 || frame == SentenceFrame.FRAGMENT || frame == SentenceFrame.QUESTION) {
      return null;
    }
    String main = texts.getFirst();
    // Two "and" in a row are hard to read; a semicolon keeps the clauses apart.
    String joint = clauses.size() == 1 && !main.contains(" and ") ? ", and " : "; ";
    return List.of(main + joint + joinedClauses());
  }

  private List<String> framed(SentenceFrame frame, String who, boolean startsParagraph) {
    boolean two = verbs.size() >= 2;
    Message first = verbs.getFirst();
    List<Message> rest = verbs.subList(1, verbs.size());
    return switch (frame) {
      case PLAIN -> List.of(who + " " + said(verbs));
      case PART_FIRST -> {
        Message front = firstWith(Form.PART);
        // "Up to 90 cm high, it weighs 4.2 kg" pairs what doesn't belong together.
        yield front != null
                && two
                && !front.theme().equals("size")
                && !isNegated(front)
                && !isOfChoice(without(verbs, front))
                && !sharesDeed(front, without(verbs, front))
                && front.get(Form.PART).contains(" ")
            ? List.of(front.get(Form.PART) + ", " + who + " " + said(without(verbs, front)))
            : null;
      }
      case WITH_LAST ->
          isRelated() && !withs.isEmpty()
              ? List.of(
                  who
                      + " "
                      + said(without(verbs, withs))
                      + (verbs.size() - withs.size() > 1 ? ", with " : " with ")
                      + nouns(withs))
              : null;
      case WITH_FIRST ->
          isRelated()
              ? List.of("with " + nouns(withs) + ", " + who + " " + said(without(verbs, withs)))
              : null;
      case DOING_FIRST ->
          two && first.has(Form.VERB) && isGerundive(first)
              ? List.of(doing(first.get(Form.VERB)) + ", " + who + " " + said(rest))
              : null;
      case AT_FIRST -> {
        Message front = firstWith(Form.FRONT);
        yield front != null && two && without(verbs, front).stream().allMatch(Framing::isSetAgainst)
            ? List.of(front.get(Form.FRONT) + ", " + who + " " + said(without(verbs, front)))
            : null;
      }
      case WHICH ->
          two && !who.equals(subject.pronoun())
              ? List.of(who + ", which " + said(List.of(first)) + ", " + said(rest))
              : null;
      case PART_MIDDLE -> {
        Message part = firstWith(Form.PART);
        yield part != null
                && two
                && !isOfChoice(without(verbs, part))
                && !sharesDeed(part, without(verbs, part))
                && !who.equals(subject.pronoun())
            ? List.of(who + ", " + part.get(Form.PART) + ", " + said(without(verbs, part)))
            : null;
      }
      case DOING_LAST -> {
        Message last = verbs.getLast();
        // "It smells of tea, weighing 90 g": one has nothing to do with the other.
        yield verbs.size() == 2
                && !first.theme().equals(last.theme())
                && !first.verb().startsWith("have ")
                && !first.verb().startsWith("come ")
                && last.has(Form.VERB)
                && isGerundive(last)
                && !isBareMeasure(last)
            ? List.of(who + " " + said(List.of(first)) + ", " + doing(last.get(Form.VERB)))
            : null;
      }
      case SEMICOLON ->
          two && !isSameVerb(first, rest.getFirst())
              ? List.of(
                  who + " " + said(List.of(first)) + "; " + subject.pronoun() + " " + said(rest))
              : null;
      case TWO ->
          two && !isSameVerb(first, rest.getFirst())
              ? List.of(who + " " + said(List.of(first)), subject.pronoun() + " " + said(rest))
              : null;
      case FRAGMENT -> isOnlyThings() ? List.of(nouns(withs)) : null;
      case BARE ->
          // "Have a zip" would tell somebody to.
          verbs.size() <= 2 && clauses.isEmpty() && !subject.plural() && isAllBeOrNone()
              ? List.of(said(verbs).replaceFirst("^is ", ""))
              : null;
      case LEAD -> List.of(who + " " + said(verbs));
      case QUESTION -> question(first, rest);
      case ITS -> its(first, rest, startsParagraph);
      case YOU -> isOnlyThings() ? List.of("you get " + nouns(withs)) : null;
      case THERE ->
          isOnlyThings() && isOneNumber(withs)
              ? List.of("there " + (isSeveral(withs) ? "are " : "is ") + nouns(withs))
              : null;
    };
  }

  private Message firstWith(Form form) {
    for (Message m : verbs) {
      if (m.has(form)) {
        return m;
      }
    }
    return null;
  }

  private boolean isOnlyThings() {
    return withs.size() == verbs.size() && verbs.stream().allMatch(Framing::isThing);
  }

  /** "Dishwasher-safe and has a handle" lacks its "is". */
  private boolean isAllBeOrNone() {
    long be = verbs.stream().filter(m -> m.verb().startsWith("be ")).count();
    return be == 0 || be == verbs.size();
  }

  /** "There is one pocket and reflective details" agrees with neither. */
  private static boolean isOneNumber(List<Message> withs) {
    return isSeveral(withs) || withs.stream().noneMatch(w -> isSeveral(List.of(w)));
  }

  /** "There are two pockets and a zip": the verb agrees with what stands next to it. */
  private static boolean isSeveral(List<Message> withs) {
    String first = withs.getFirst().get(Form.WITH).split(ITEM)[0];
    String head = ItemPhrase.HEAD.matcher(first).replaceFirst("");
    return English.isPlural(head);
  }

  private List<String> question(Message first, List<Message> rest) {
    String label = first.fact().label().toLowerCase(Locale.ROOT);
    String answer = values.prose(first.fact().value());
    boolean asked =
        English.isNoun(label)
            && !label.equals(subject.noun())
            && label.split(" ").length <= 2
            && answer.length() <= 30
            && !(first.fact().value() instanceof Value.YesNo)
            && !(first.fact().value() instanceof Value.Quantity q && q.unit().isEmpty())
            && !first.fact().concept().isEmpty();
    if (!asked) {
      return null;
    }
    String words = "and the " + label + "? " + English.capitalise(answer);
    return rest.isEmpty() ? List.of(words) : List.of(words, subject.pronoun() + " " + said(rest));
  }

  /** "Its weight is 940 g", but not "its cable is 2 metres". */
  private static boolean isMeasure(String noun) {
    return MEASURES.contains(English.lastWord(noun));
  }

  /** Whether its heading is what is measured: "weight: 940 g", but not "fits: 28 inch". */
  private static boolean isNamedMeasure(Message m) {
    boolean measured =
        switch (m.fact().value()) {
          case Value.Quantity q -> !q.unit().isEmpty();
          case Value.Sides s -> !s.unit().isEmpty();
          case Value.Range r -> !r.unit().isEmpty();
          default -> false;
        };
    String label = m.fact().label().toLowerCase(Locale.ROOT);
    return measured && isMeasure(label);
  }

  /** "The weight is 940 g": the measure itself as the subject. */
  private List<String> its(Message first, List<Message> rest, boolean startsParagraph) {
    Optional<Measure> measure =
        first.has(Form.WITH) ? MEASURES_OF.of(first.get(Form.WITH)) : Optional.empty();
    String what;
    String value;
    if (measure.isPresent() && isMeasure(measure.get().what)) {
      what = measure.get().what;
      value = measure.get().value;
    } else if (isNamedMeasure(first)) {
      what = first.fact().label().toLowerCase(Locale.ROOT);
      value = values.prose(first.fact().value());
    } else {
      return null;
    }
    String whose = subject.plural() ? "their " : "its ";
    String is = English.isPlural(what) ? " are " : " is ";
    String main = (startsParagraph ? "the " : whose) + what + is + value;
    return List.of(rest.isEmpty() ? main : main + ", and " + subject.pronoun() + " " + said(rest));
  }

  /** Whether it is a measure that the thing has: "a cloth weight of 240 gsm". */
  static boolean isMeasure(Message m) {
    return MEASURES_OF.of(m.get(Form.WITH)).isPresent();
  }

  /** Whether it is a thing that one gets, and not a measure. */
  static boolean isThing(Message m) {
    return !m.has(Form.VERB)
        && THINGS.contains(m.theme())
        && !isMeasure(m)
        // Of a heading that somebody taught nobody knows that it is a thing: "45% fat" is none.
        && !m.fact().concept().isEmpty();
  }

  /**
   * "At 940 g, it holds 20 litres", but not "at 940 g, it closes with a zip", "is 9 cm high" or "is
   * rated IPX7".
   */
  static boolean isSetAgainst(Message m) {
    return m.has(Form.VERB)
        && (m.fact().value() instanceof Value.Quantity || m.fact().value() instanceof Value.Range)
        && (m.theme().equals("performance")
            // What a maker stands for is no load: "at 560 g, it carries a warranty".
            || BEARING.contains(English.firstWord(m.verb())) && !m.theme().equals("origin"));
  }

  /** "It has two pockets. It has a zip." is a list in disguise. */
  private static boolean isSameVerb(Message one, Message other) {
    return one.verb().split(" ", 2)[0].equals(other.verb().split(" ", 2)[0]);
  }

  private static boolean isNegated(Message m) {
    return m.get(Form.PART).startsWith("not ") || m.get(Form.PART).startsWith("free ");
  }

  /** "Rated IPX6, it is available in black": what there is to choose from follows from nothing. */
  static boolean isOfChoice(List<Message> rest) {
    return rest.size() == 1 && isOffer(rest.getFirst().verb());
  }

  /** Whether a verb phrase says what there is to choose from. */
  static boolean isOffer(String verbPhrase) {
    return CHOICE.matcher(verbPhrase).find();
  }

  /** Whether a verb phrase can stand in front: "weighing 940 g", but not "coming in navy". */
  public static boolean isGerundive(Message m) {
    String phrase = m.get(Form.VERB);
    return phrase.startsWith("weigh ")
        || phrase.startsWith("measure ")
        || phrase.startsWith("hold ")
        || phrase.startsWith("run for ")
        || phrase.startsWith("contain ");
  }

  /** Whether it says how heavy or large the thing is, which goes with nothing else it is. */
  static boolean isBareMeasure(Message m) {
    return m.get(Form.VERB).startsWith("weigh ") || m.get(Form.VERB).startsWith("measure ");
  }

  public static String doing(String verbPhrase) {
    String[] parts = verbPhrase.split(" ", 2);
    return English.participle(parts[0]) + " " + parts[1];
  }

  /** "It measures 18 × 29 cm with a pump" pairs what doesn't belong together. */
  private boolean isRelated() {
    return !withs.isEmpty()
        && withs.stream().noneMatch(Framing::isMeasure)
        && withs.size() < verbs.size()
        && verbs.stream().allMatch(m -> m.theme().equals(verbs.getFirst().theme()))
        // What somebody taught for a heading has no theme that is known.
        && verbs.stream().noneMatch(m -> m.fact().concept().isEmpty())
        && !verbs.getFirst().theme().equals("size")
        // "It has a zip closure with a plain weave."
        && verbs.stream().noneMatch(m -> !withs.contains(m) && m.verb().startsWith("have "))
        && verbs.stream()
            .noneMatch(
                m ->
                    m.verb().contains(" with ")
                        // "It sleeps two people with one bedroom."
                        || m.verb().endsWith(" people")
                        // "It is sold in sizes M and L with a regular fit."
                        || m.verb().contains(" in sizes ")
                        || m.verb().startsWith("come ")
                        || m.verb().startsWith("take ")
                        || m.verb().contains(" for "));
  }

  public static String nouns(List<Message> withs) {
    List<String> phrases = new ArrayList<>(withs.size());
    withs.forEach(m -> phrases.add(m.get(Form.WITH)));
    return things(phrases);
  }

  /** Noun phrases as one list; a phrase that is a list itself is taken apart. */
  public static String things(List<String> phrases) {
    if (phrases.size() == 1 && phrases.getFirst().indexOf(LISTED) < 0) {
      return phrases.getFirst();
    }
    // "Two pockets and hooks for rails", not "hooks for rails and two pockets": what goes on
    // after its noun stands last (the principle of end weight).
    List<String> things = new ArrayList<>();
    for (boolean goesOn : new boolean[] {false, true}) {
      for (String phrase : phrases) {
        if (GOES_ON.of(phrase) == goesOn) {
          things.addAll(List.of(phrase.split(ITEM)));
        }
      }
    }
    return English.list(things);
  }

  private static List<Message> without(List<Message> all, List<Message> some) {
    List<Message> without = new ArrayList<>(all);
    without.removeAll(some);
    return without;
  }

  private static List<Message> without(List<Message> all, Message one) {
    return without(all, List.of(one));
  }

  private String said(List<Message> messages) {
    return said(messages, subject.plural());
  }

  /** What the messages say of a subject, joined; the same verb doesn't come twice. */
  public static String said(List<Message> messages, boolean plural) {
    if (messages.size() == 1) {
      return predicate(List.of(messages.getFirst().verb()), plural);
    }
    List<String> verbs = new ArrayList<>();
    for (Message m : messages) {
      String verb = fresh(m, verbs);
      // "It comes in at 380 g, and comes in sizes S and M": where this can't give way, that does.
      for (int i = 0; i < verbs.size() && stutters(verb, verbs); i++) {
        List<String> others = new ArrayList<>(verbs);
        others.remove(i);
        others.add(verb);
        String other = fresh(messages.get(i), others);
        others.removeLast();
        others.add(i, other);
        if (!stutters(other, List.of(verb)) && !stutters(verb, others)) {
          verbs = others;
        }
      }
      verbs.add(verb);
    }
    return predicate(verbs, plural);
  }

  /** The message's verb phrase, turned where it would stutter after others. */
  private static String fresh(Message m, List<String> before) {
    String verb = m.verb();
    for (int turn = 1; turn <= TURNS && isOff(verb, before); turn++) {
      String other = m.turned(turn).verb();
      verb = isOff(other, before) ? verb : other;
    }
    return verb;
  }

  private static boolean isOff(String verb, List<String> before) {
    return stutters(verb, before) || limps(verb, before);
  }

  /** "It is offered in grey and 22 cm in size": a measure doesn't follow on what is done to it. */
  private static boolean limps(String verb, List<String> before) {
    if (!isSize(verb)) {
      return false;
    }
    for (String other : before) {
      if (other.startsWith("be ") && !isSize(other)) {
        return true;
      }
    }
    return false;
  }

  private static boolean isSize(String verb) {
    return verb.length() > 3 && verb.startsWith("be ") && Character.isDigit(verb.charAt(3));
  }

  /** Whether a verb comes again that isn't said once for both. */
  private static boolean stutters(String verb, List<String> before) {
    boolean again = false;
    for (String other : before) {
      if (joint(other).equals(joint(verb))) {
        return false;
      }
      again |= English.firstWord(other).equals(English.firstWord(verb));
    }
    return again;
  }

  /** What a verb phrase shares with others that are joined to it, else the phrase itself. */
  private static String joint(String phrase) {
    String verb = English.firstWord(phrase);
    // "Is made of canvas and rated IPX6", but not "grows in sun and to 35 cm".
    boolean joins =
        MERGED.contains(verb) && !phrase.startsWith("be available ") && !phrase.endsWith(" in size")
            || phrase.startsWith("come in ");
    return joins ? verb : phrase;
  }

  /** Verb phrases made to agree with the subject and joined; a verb that repeats is said once. */
  public static String predicate(List<String> verbPhrases, boolean plural) {
    if (verbPhrases.size() == 1 && verbPhrases.getFirst().indexOf(LISTED) < 0) {
      return English.agree(verbPhrases.getFirst(), plural);
    }
    List<String> agreed = new ArrayList<>();
    Set<String> joints = new HashSet<>();
    for (String phrase : verbPhrases) {
      if (phrase.indexOf(LISTED) < 0 && joints.add(joint(phrase))) {
        agreed.add(English.agree(phrase, plural));
      }
    }
    return English.list(
        agreed.size() == verbPhrases.size() ? agreed : joinedVerbs(verbPhrases, plural));
  }

  private static List<String> joinedVerbs(List<String> verbPhrases, boolean plural) {
    Map<String, List<String>> byVerb = new LinkedHashMap<>();
    for (String phrase : verbPhrases) {
      String key = joint(phrase);
      byVerb
          .computeIfAbsent(key, v -> new ArrayList<>())
          .add(key.equals(phrase) ? "" : phrase.substring(key.length() + 1));
    }
    List<String> joined = new ArrayList<>();
    // "3 mm wide and made of gold", not "made of gold and 3 mm wide".
    byVerb
        .getOrDefault("be", new ArrayList<>())
        .sort(Comparator.comparing(r -> !SIDE.matcher(r).matches()));
    byVerb.forEach(
        (verb, rests) ->
            joined.add(English.agree(verb, plural) + " " + things(withoutRepeatedDeed(rests))));
    return joined.stream().map(String::strip).toList();
  }

  /** "Made with rennet, it is made from milk" says what was done twice. */
  private static boolean sharesDeed(Message front, List<Message> rest) {
    Matcher deed = DEED.matcher(front.get(Form.PART));
    return deed.lookingAt()
        && rest.stream().anyMatch(m -> m.verb().startsWith("be " + deed.group(1) + " "));
  }

  /** "Made by Ollan with calf rennet", not "made by Ollan and made with calf rennet". */
  private static List<String> withoutRepeatedDeed(List<String> rests) {
    Map<String, String> byDeed = new LinkedHashMap<>();
    for (String rest : rests) {
      Matcher deed = DEED.matcher(rest);
      boolean joins = deed.lookingAt() && rest.indexOf(LISTED) < 0;
      String before = joins ? byDeed.getOrDefault(deed.group(1), "") : "";
      // Two of one kind are listed: "made of steel and made of oak".
      if (joins && !before.contains(" " + deed.group(2) + " ")) {
        byDeed.merge(
            deed.group(1), rest, (one, more) -> one + more.substring(deed.group(1).length()));
      } else {
        byDeed.put(rest, rest);
      }
    }
    return List.copyOf(byDeed.values());
  }

  private String joinedClauses() {
    List<String> joined =
        withoutRepeatedSubject(clauses.stream().map(m -> m.get(Form.CLAUSE)).toList());
    return joined.size() == 1
        ? joined.getFirst()
        : String.join(", ", joined.subList(0, joined.size() - 1)) + ", and " + joined.getLast();
  }

  /**
   * "Plants reach 30 cm and stand 10 cm apart": a subject that several clauses share is said once.
   */
  private static List<String> withoutRepeatedSubject(List<String> clauses) {
    Map<String, List<String>> bySubject = new LinkedHashMap<>();
    for (String clause : clauses) {
      boolean shared = clause.startsWith(SHARED) && clause.indexOf(ITEM) < 0;
      bySubject
          .computeIfAbsent(shared ? SHARED : clause, s -> new ArrayList<>())
          .add(shared ? clause.substring(SHARED.length()) : "");
    }
    List<String> joined = new ArrayList<>();
    bySubject.forEach(
        (subject, rests) ->
            joined.add(rests.equals(List.of("")) ? subject : subject + English.list(rests)));
    return joined;
  }

  /** Resolves a list inside a clause: "included are a harness, a helmet and ropes". */
  private static String listed(String words) {
    int last = words.lastIndexOf(ITEM);
    return last < 0
        ? words
        : (words.substring(0, last) + " and " + words.substring(last + 1)).replace(ITEM, ", ");
  }

  /** The words as a sentence: capital, full stop, and the voice's contractions. */
  public static String finish(String words, Voice voice) {
    String text = English.capitalise(listed(words.strip()));
    while (text.contains("  ")) {
      text = text.replace("  ", " ");
    }
    char last = text.charAt(text.length() - 1);
    String whole = last == '.' || last == '!' || last == '?' ? text : text + ".";
    return voice.contractions() ? English.contract(whole) : whole;
  }
}
