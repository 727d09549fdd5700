package rhetor.core.say.en;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.MadeThing;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;
import rhetor.core.plan.Message.Form;
import rhetor.core.plan.Phrasebook;
import rhetor.core.plan.Teller;
import rhetor.core.reading.Measure;
import rhetor.core.style.Voice;

/**
 * Puts a fact into phrases: by its concept's wordings, or by its heading where there is no concept.
 */
public final class Wording implements Phrasebook {
  private static final int REMEMBERED = 5_000;

  /** Orders in which a list is tried. */
  private static final int ORDERS = 3;

  /** The names of what can stand in a wording between braces. */
  public static final Set<String> SLOTS =
      Set.of(
          "v",
          "a",
          "l",
          "bare",
          "several",
          "count",
          "n",
          "np",
          "sides",
          "severalsides",
          "namedsides",
          "madethings",
          "plane",
          "sizes",
          "eachsize",
          "thick",
          "anv",
          "finishing",
          "thing",
          "basic",
          "many",
          "span",
          "when",
          "asis",
          "aged",
          "innoun",
          "learners",
          "place",
          "describing",
          "things",
          "surface",
          "closing",
          "cells",
          "mounting",
          "one",
          "people",
          "qualities",
          "are",
          "care",
          "machine",
          "hand",
          "org",
          "mark",
          "single",
          "norm");

  /** The places whose phrases make a sentence. */
  private static final Set<Form> SENTENCES =
      EnumSet.of(Form.VERB, Form.WITH, Form.PART, Form.CLAUSE);

  /** Slots that take any words, so that what they take has to fit the words around them. */
  private static final Set<String> OPEN_SLOTS = Set.of("v", "a", "bare", "many");

  private static final Pattern SLOT = Pattern.compile("\\{([a-z]+)(?::([a-z ]+))?}");
  private static final Pattern LEARNERS = Pattern.compile("(?i)beginners?|improvers?");
  private static final Set<String> WITH_THE =
      Set.of(
          "uk",
          "usa",
          "eu",
          "netherlands",
          "united kingdom",
          "united states",
          "czech republic",
          "philippines");

  private static final Pattern MANY = Pattern.compile("\\band\\b|,");

  /** Colours that read well before a noun; "a stone jumper" does not. */
  private static final Set<String> BASIC =
      Set.of(
          "black",
          "white",
          "red",
          "blue",
          "green",
          "grey",
          "brown",
          "yellow",
          "pink",
          "navy",
          "purple",
          "clear",
          "transparent");

  /** "EN 166", not "100 %". */
  private static final Pattern NORM = Pattern.compile("(?=.*\\d)(?=.*\\p{L}).*");

  private static final Value NATURAL = new Value.Terms(List.of("natural"));

  private static final Pattern NAMED_SIDE =
      Pattern.compile("\\d[\\d.,]* \\p{L}{1,4} (?:long|wide|high|tall|deep|thick|in diameter)");

  private static final Pattern PLANE = Pattern.compile("[\\d.,]+ × [\\d.,]+ \\p{L}{1,2}");

  private static final Pattern SIDES = Pattern.compile("[\\d.,]+(?: × [\\d.,]+){1,2} \\p{L}{1,2}");

  private static final Pattern MACHINE =
      Pattern.compile("(?i)machine[ -]wash(?:able)?,? (?:at |up to |to )?(\\d+ ?°C)\\.?");

  private static final Pattern HAND = Pattern.compile("(?i)hand[ -]wash(?:ing)?(?: only)?\\.?");

  /** What follows the noun of a phrase. */
  private static final Pattern ECHO = Pattern.compile("-(\\p{L}{3,}) \\1\\b");

  /** "16 cm blade" is one blade. */
  private static final Pattern ONE_MEASURED = Pattern.compile("[\\d.,]+(?: |-)\\p{L}+ .*");

  private static final Map<String, String> THICK =
      Map.of(
          "u_lock",
          "a shackle",
          "chain_lock",
          "links",
          "folding_lock",
          "bars",
          "frame_lock",
          "a shackle");

  private final Knowledge knowledge;
  private final ValueText text;
  private final Teller teller;
  private final SlotFit fit;
  private final PlainLanguage plain;
  private final Map<Filling, Map<Form, List<String>>> fillings =
      new LinkedHashMap<>(256, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Filling, Map<Form, List<String>>> eldest) {
          return size() > REMEMBERED;
        }
      };

  public Wording(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.text = new ValueText(knowledge);
    this.teller = new Teller(knowledge, new EnglishProse(knowledge));
    this.fit = new SlotFit(knowledge);
    this.plain = knowledge.index(PlainLanguage.class, PlainLanguage::new);
  }

  @Override
  public Map<Form, List<String>> phrases(Fact fact, String productClass, Voice voice) {
    if (!teller.telling(fact).isTold()) {
      return Map.of();
    }
    Concept concept = knowledge.toldAs(fact.concept(), fact.label()).orElseThrow();
    Concept weighed = knowledge.verdicts().weighed(concept);
    Map<Form, List<String>> liked = filled(fact, weighed, weighed != concept, productClass, voice);
    // Words that nobody likes are better than none, where no others take the value.
    return weighed == concept || liked.keySet().stream().anyMatch(SENTENCES::contains)
        ? liked
        : filled(fact, concept, false, productClass, voice);
  }

  @Override
  public Map<Form, List<String>> countedParts(String part, int count, List<String> ofStuff) {
    return PartPhrases.counted(part, count, ofStuff);
  }

  @Override
  public Map<Form, List<String>> partsOfOneStuff(List<String> ofStuff) {
    return PartPhrases.ofOneStuff(ofStuff);
  }

  @Override
  public Map<Form, List<String>> comingTogether(List<String> verbs) {
    return PartPhrases.comingTogether(verbs);
  }

  /**
   * The phrases that one wording makes of a fact; none if it takes no such value.
   *
   * @param form the place in a sentence, as concepts have it: {@code verb}
   */
  List<String> phrases(Fact fact, Concept concept, String form, String wording, String ofClass) {
    Map<Form, List<String>> filled = new EnumMap<>(Form.class);
    for (Value value : orders(fact.value(), concept)) {
      fill(Map.of(form, List.of(wording)), value, fact.label(), ofClass, concept, filled);
    }
    return filled.values().stream().flatMap(List::stream).distinct().toList();
  }

  private record Filling(
      String concept,
      boolean isWeighed,
      Value value,
      String label,
      Joined joined,
      String several,
      String productClass,
      String voice) {}

  /** A concept's wordings filled with a value, without those that can't be. Values repeat a lot. */
  private Map<Form, List<String>> filled(
      Fact fact, Concept concept, boolean isWeighed, String productClass, Voice voice) {
    return fillings.computeIfAbsent(
        new Filling(
            concept.id(),
            isWeighed,
            fact.value(),
            fact.label(),
            joined(fact),
            several(fact),
            productClass,
            voice.id()),
        f -> {
          Map<Form, List<String>> filled = new EnumMap<>(Form.class);
          for (Concept.SayOf of : concept.taught()) {
            boolean isSaidOf =
                of.classes().isEmpty()
                    ? productClass.isEmpty()
                    : of.classes().contains(productClass);
            if (isSaidOf && filled.isEmpty()) {
              fill(of.say(), fact.value(), fact.label(), productClass, concept, filled);
            }
          }
          if (!filled.isEmpty()) {
            return readable(filled);
          }
          Optional<String> likePart = knowledge.partLike(concept);
          if (likePart.isPresent()) {
            return PartPhrases.like(likePart.get(), fact.value(), knowledge);
          }
          Map<String, List<String>> own =
              knowledge
                  .verdicts()
                  .weighed(concept.id(), voice.say().getOrDefault(concept.id(), Map.of()), true);
          for (Value value : orders(fact.value(), concept)) {
            fill(own, value, fact.label(), productClass, concept, filled);
            for (Concept.SayOf of : concept.sayOf()) {
              if (knowledge.isOf(productClass, of.classes())) {
                fill(of.say(), value, fact.label(), productClass, concept, filled);
              }
            }
            // Of things of no known kind it is left to whoever said what their column is.
            boolean isTaken = productClass.isEmpty() || knowledge.takes(concept, productClass);
            if (isTaken && !knowledge.isOf(productClass, concept.notOf())) {
              fill(concept.say(), value, fact.label(), productClass, concept, filled);
            }
          }
          if (concept.id().startsWith(Knowledge.OWN)) {
            return readable(filled);
          }
          Map<Form, List<String>> counted = ofSeveral(filled, f.several);
          return switch (f.joined) {
            case CHOICE -> offered(counted, true);
            case WHOLE -> offered(counted, false);
            case EITHER -> counted;
          };
        });
  }

  /**
   * The phrases that read well. Whoever teaches a wording has a few values in mind; one that it
   * makes no sentence of, as in "in kibble of 11", is left to the list.
   */
  private Map<Form, List<String>> readable(Map<Form, List<String>> filled) {
    Map<Form, List<String>> readable = new EnumMap<>(Form.class);
    filled.forEach(
        (form, phrases) -> {
          List<String> well = phrases.stream().filter(p -> plain.isPlain(tried(form, p))).toList();
          if (!well.isEmpty()) {
            readable.put(form, well);
          }
        });
    return readable;
  }

  private static String tried(Form form, String phrase) {
    return switch (form) {
      case VERB -> "It will " + phrase + ".";
      case WITH -> "It has " + phrase + ".";
      case PART, PP -> "It is here, " + phrase + ".";
      case ADJ -> "It is " + English.withArticle(phrase + " thing") + ".";
      case CLAUSE -> English.capitalise(phrase) + ".";
      case FRONT -> English.capitalise(phrase) + ", it is here.";
    };
  }

  /** What the several values of a cell are. */
  private enum Joined {
    /** Under a heading in the plural there is one to choose: "Colours: oat, slate". */
    CHOICE,
    /** A stroke under one in the singular joins them in each: "Livery: black/red". */
    WHOLE,
    EITHER
  }

  private static Joined joined(Fact fact) {
    if (!(fact.value() instanceof Value.Terms(List<String> items)) || items.size() < 2) {
      return Joined.EITHER;
    }
    if (!several(fact).isEmpty()) {
      return Joined.CHOICE;
    }
    return fact.source().raw().split("/").length == items.size() ? Joined.WHOLE : Joined.EITHER;
  }

  /** What the heading of a fact's cell names several of, as one: "handle" of "Handles". */
  private static String several(Fact fact) {
    String heading = fact.source().heading().strip().toLowerCase(Locale.ROOT);
    String one = English.singular(heading);
    return English.isPlural(heading) && English.isNoun(one) ? one : "";
  }

  /** "A handle of ash" under the heading "Handles" is "handles of ash". */
  private static Map<Form, List<String>> ofSeveral(Map<Form, List<String>> filled, String part) {
    List<String> had = filled.getOrDefault(Form.WITH, List.of());
    if (part.isEmpty() || had.isEmpty()) {
      return filled;
    }
    Pattern one = Pattern.compile("^an? ((?:.* )?)" + Pattern.quote(part) + "(?= of |$)");
    String several = Matcher.quoteReplacement(English.plural(part));
    Map<Form, List<String>> counted = new EnumMap<>(filled);
    counted.put(
        Form.WITH,
        had.stream().map(w -> one.matcher(w).replaceFirst("$1" + several)).distinct().toList());
    return counted;
  }

  /**
   * "A sofa in oat and slate" has both; one that is available in oat and slate has either.
   *
   * @param isChoice whether only what offers it may be said, or only what doesn't
   */
  private static Map<Form, List<String>> offered(Map<Form, List<String>> filled, boolean isChoice) {
    List<String> verbs =
        filled.getOrDefault(Form.VERB, List.of()).stream()
            .filter(v -> Framing.isOffer(v) == isChoice)
            .toList();
    Map<Form, List<String>> said = new EnumMap<>(Form.class);
    if (!isChoice) {
      said.putAll(filled);
      said.remove(Form.VERB);
    }
    if (!verbs.isEmpty()) {
      said.put(Form.VERB, verbs);
    }
    return isChoice && verbs.isEmpty() ? filled : said;
  }

  /** A list whose items may stand in any order, with each of the first few of them in front. */
  private static List<Value> orders(Value value, Concept concept) {
    if (!concept.anyOrder()
        || !(value instanceof Value.Terms(List<String> items))
        || items.size() < 2) {
      return List.of(value);
    }
    List<Value> orders = new ArrayList<>();
    for (int first = 0; first < Math.min(ORDERS, items.size()); first++) {
      List<String> turned = new ArrayList<>(items);
      Collections.rotate(turned, -first);
      orders.add(new Value.Terms(turned));
    }
    return orders;
  }

  private void fill(
      Map<String, List<String>> say,
      Value value,
      String label,
      String productClass,
      Concept concept,
      Map<Form, List<String>> filled) {
    say.forEach(
        (form, wordings) -> {
          for (String wording : wordings) {
            Form place = Form.valueOf(form.toUpperCase(Locale.ROOT));
            String phrase = fill(place, wording, value, label, productClass, concept);
            if (phrase != null) {
              filled.computeIfAbsent(place, x -> new ArrayList<>(2)).add(phrase);
            }
          }
        });
  }

  /** Fills a wording's slots; null if one of them has nothing to stand there. */
  private String fill(
      Form place, String wording, Value cell, String label, String productClass, Concept concept) {
    Value value = concept.id().startsWith(Knowledge.OWN) ? withUnit(cell, label, wording) : cell;
    // Of a heading that nobody knows, words without a value are for where its cell says yes.
    if (concept.id().startsWith(Knowledge.OWN)
        && value instanceof Value.YesNo != (wording.indexOf('{') < 0)) {
      return null;
    }
    StringBuilder out = new StringBuilder();
    String before = place == Form.WITH ? "have " : "";
    for (Piece piece : PIECES.of(wording)) {
      out.append(piece.before);
      if (!piece.slot.isEmpty()) {
        String filled =
            beforeNoun(place, piece.slot, value)
                .orElseGet(
                    () -> slot(piece.slot, piece.noun, unlimited(value, out), label, productClass));
        if (filled == null
            || filled.isEmpty()
            || isNoThing(filled, out, piece.following)
            || OPEN_SLOTS.contains(piece.slot)
                && !fit.fits(value, concept, before + out, piece.following.strip())) {
          return null;
        }
        // "a roll-top closure closure": the value may end with the word that follows.
        boolean again =
            !piece.following.isEmpty() && filled.toLowerCase(Locale.ROOT).endsWith(piece.following);
        out.append(
            again ? filled.substring(0, filled.length() - piece.following.length()) : filled);
      }
    }
    return resolveArticles(withoutEcho(out.toString()));
  }

  /** "A 35": whoever had "a 35 mm cartridge" in mind has said nothing of a bare number. */
  private static boolean isNoThing(String filled, CharSequence before, String following) {
    return following.isEmpty()
        && BARE_NUMBER.matcher(filled).matches()
        && ENDS_IN_ARTICLE.matcher(before).find();
  }

  private static final Pattern BARE_NUMBER = Pattern.compile("[\\d.,]+");
  private static final Pattern ENDS_IN_ARTICLE = Pattern.compile("\\ba(?:n|\\(n\\))? $");

  /** A bare number with the unit that its heading gives, unless the wording has it: "45%". */
  private Value withUnit(Value value, String label, String wording) {
    String number =
        switch (value) {
          case Value.Words(String words) -> words;
          case Value.Quantity q when q.unit().isEmpty() && q.qualifier().isEmpty() ->
              q.amount().toPlainString();
          default -> "";
        };
    return Measure.under(label, number, knowledge)
        .filter(m -> !(m instanceof Value.Quantity q && names(wording, q.unit())))
        .orElse(value);
  }

  /** Whether words name a unit of what another one measures. */
  private boolean names(String wording, String unit) {
    String dimension = knowledge.unit(unit).map(Unit::dimension).orElse("");
    return Arrays.stream(SLOT.matcher(wording).replaceAll(" ").split("[^\\p{L}%°\"']+"))
        // "Takes in" speaks of no inches.
        .filter(w -> !English.tags(w).contains("IN"))
        .map(knowledge::unitWritten)
        .flatMap(Optional::stream)
        .anyMatch(u -> u.dimension().equals(dimension));
  }

  /** "10 inches" is "10-inch" before a noun, however it was written. */
  private Optional<String> beforeNoun(Form place, String slot, Value value) {
    return place == Form.ADJ && slot.equals("v") && value instanceof Value.Words(String words)
        ? Measure.of(words, knowledge).map(text::attributive).filter(a -> !a.isEmpty())
        : Optional.empty();
  }

  /** "Takes up to 150 kg" and "the highest pressure is 10 bar" say already that it is a limit. */
  private static Value unlimited(Value value, CharSequence before) {
    return value instanceof Value.Quantity q
            && q.qualifier().equals("up to")
            && LIMIT.matcher(before).find()
        ? new Value.Quantity(q.amount(), q.unit(), "")
        : value;
  }

  private static final Pattern LIMIT =
      Pattern.compile("\\b(?:up to|highest|largest|greatest|most|maximum|below|under)\\b");

  private static final Memo<List<Piece>> PIECES = new Memo<>(Piece::of);

  /**
   * A part of a wording.
   *
   * @param before the words before its slot
   * @param slot the slot's name, empty after the last one
   * @param noun the noun that the slot names, null if it names none
   * @param following the word after the slot, with a space before it; empty if there is none
   */
  private record Piece(String before, String slot, String noun, String following) {
    static List<Piece> of(String wording) {
      List<Piece> pieces = new ArrayList<>();
      Matcher m = SLOT.matcher(wording);
      int from = 0;
      while (m.find()) {
        String following = wording.substring(m.end()).strip().split(" ", 2)[0];
        pieces.add(
            new Piece(
                wording.substring(from, m.start()),
                m.group(1),
                m.group(2),
                following.isEmpty() ? "" : " " + following));
        from = m.end();
      }
      pieces.add(new Piece(wording.substring(from), "", null, ""));
      return List.copyOf(pieces);
    }
  }

  /** "A v-neck neck" as "a v-neck": a compound that ends in the word that follows it. */
  public static String withoutEcho(String phrase) {
    return phrase.indexOf('-') < 0 ? phrase : ECHO.matcher(phrase).replaceAll("-$1");
  }

  private static String resolveArticles(String phrase) {
    int at = phrase.indexOf("a(n) ");
    if (at < 0) {
      return phrase;
    }
    String rest = phrase.substring(at + 5);
    boolean bare =
        ItemPhrase.DETERMINED.matcher(rest).matches() && !ONE_MEASURED.matcher(rest).matches()
            || English.isPlural(rest);
    return phrase.substring(0, at) + (bare ? rest : English.withArticle(rest));
  }

  private String slot(String name, String noun, Value value, String label, String productClass) {
    return switch (name) {
      // "In natural" is no English.
      case "v" ->
          value.equals(NATURAL) && label.equals("Colour")
              ? "a natural colour"
              : measuredOrWords(value);
      case "a" -> text.attributive(value);
      case "l" -> English.lowerCommon(label);
      case "bare" ->
          value instanceof Value.Quantity || cells(value).isPresent() ? null : text.prose(value);
      case "cells" -> cells(value).filter(c -> !c.isEmpty()).orElse(null);
      case "several" -> integer(value).filter(n -> n > 1).map(n -> String.valueOf(n)).orElse(null);
      case "count" -> integer(value).map(n -> String.valueOf(n)).orElse(null);
      case "n" ->
          integer(value)
              .filter(n -> n > 0)
              .map(n -> English.number(n) + " " + (n == 1 ? noun : English.plural(noun)))
              .orElse(null);
      case "np" ->
          value instanceof Value.Terms(List<String> items)
              ? nounPhrases(items)
              // "Has 90 min" says nothing.
              : value instanceof Value.Words(String w) && Measure.of(w, knowledge).isEmpty()
                  ? nounPhrases(List.of(w))
                  : null;
      case "madethings" ->
          value instanceof Value.Terms(List<String> items)
                  && items.stream().allMatch(i -> MadeThing.isOne(i, knowledge))
              ? nounPhrases(items)
              : null;
      case "namedsides" ->
          value instanceof Value.Terms(List<String> items)
                  && items.stream().allMatch(i -> NAMED_SIDE.matcher(i).matches())
              ? text.prose(value)
              : null;
      case "sides" -> value instanceof Value.Sides ? text.prose(value) : null;
      case "severalsides" ->
          value instanceof Value.Terms(List<String> items)
                  && items.stream().allMatch(i -> SIDES.matcher(i).matches())
              ? text.prose(value)
              : null;
      case "plane" ->
          Optional.of(text.prose(value)).filter(p -> PLANE.matcher(p).matches()).orElse(null);
      case "sizes" -> value instanceof Value.Terms(List<String> items) ? sizes(items) : null;
      case "eachsize" -> value instanceof Value.Terms(List<String> items) ? eachSize(items) : null;
      case "thick" ->
          THICK.containsKey(productClass) && value instanceof Value.Quantity
              ? THICK.get(productClass) + " " + text.prose(value) + " thick"
              : null;
      case "anv" -> single(value).flatMap(ItemPhrase::of).orElse(null);
      // "A gloss finish", "a soft-touch finish", but "a textile sleeve".
      case "finishing" -> single(value).filter(Wording::isFinish).orElse(null);
      case "thing" -> single(value).filter(w -> !isFinish(w)).flatMap(ItemPhrase::of).orElse(null);
      case "basic" -> single(value).filter(BASIC::contains).orElse(null);
      case "many" ->
          value instanceof Value.Words(String w) && MANY.matcher(w).find()
              ? text.prose(value)
              : null;
      case "span" -> value instanceof Value.Words(String w) ? TimeOfYear.span(w) : null;
      case "when" -> value instanceof Value.Words(String w) ? TimeOfYear.when(w) : null;
      // A measure is said as one, however it was written.
      case "asis" ->
          value instanceof Value.Words(String w)
              ? Measure.of(w, knowledge).map(text::prose).or(() -> ValueText.withPoint(w)).orElse(w)
              : value instanceof Value.Quantity q && !q.unit().isEmpty() ? text.prose(q) : null;
      case "aged" -> value instanceof Value.Words(String w) ? aged(w) : null;
      case "innoun" ->
          value instanceof Value.Words(String w) && English.isNoun(w) ? text.prose(value) : null;
      case "qualities" -> SlotFit.qualities(value);
      case "learners" ->
          value instanceof Value.Words(String w) && LEARNERS.matcher(w).matches()
              ? English.plural(w.toLowerCase(Locale.ROOT))
              : null;
      case "place" -> value instanceof Value.Words(String w) ? place(w) : null;
      case "closing" ->
          single(value).filter(w -> isHolder(w, "closure")).flatMap(ItemPhrase::of).orElse(null);
      case "surface" -> single(value).flatMap(Wording::surface).orElse(null);
      case "things" -> mounts(value, false).isEmpty() ? nounPhrases(mounts(value, true)) : null;
      // "An equatorial mount", but "hooks".
      case "mounting" -> {
        List<String> mounts = mounts(value, false);
        yield mounts.isEmpty() || !mounts(value, true).isEmpty()
            ? null
            : mounts.stream()
                .map(m -> English.withArticle(English.midSentence(m) + " mount"))
                .collect(Collectors.joining(Framing.ITEM));
      }
      case "describing" ->
          value instanceof Value.Words(String w)
                  && (English.isAdjective(w)
                      || (w.contains("-") || w.matches("\\p{L}+ly \\p{L}+"))
                          && English.isAdjective(English.lastWord(w)))
              ? English.midSentence(w)
              : null;
      case "one" ->
          value instanceof Value.Words(String w) && !w.contains(" ") && !SlotFit.isAlone(w)
              ? English.midSentence(w)
              : null;
      case "people" -> people(value);
      case "are" ->
          value instanceof Value.Terms(List<String> items) && items.size() > 1
                  || value instanceof Value.Terms(List<String> one)
                      && English.isPlural(one.getFirst())
              ? "are"
              : "is";
      case "care" ->
          // "Wipe." by itself is a curt order.
          value instanceof Value.Words(String w) && Imperative.isWhole(w)
              ? English.midSentence(w.replaceAll("[.;]+$", ""))
                  .replaceFirst("(?i)\\bdry clean\\b", "dry-clean")
              : null;
      // "60 °C" of "machine wash at 60 °C", "washing by hand" of "hand wash only".
      case "machine" -> washed(value, MACHINE).map(m -> m.group(1)).orElse(null);
      case "hand" -> washed(value, HAND).map(m -> "washing by hand").orElse(null);
      case "org" ->
          value instanceof Value.Terms(List<String> items)
                  && items.stream().allMatch(i -> !i.contains(" ") && English.isAdjective(i))
              ? text.prose(value)
              : null;
      case "mark" ->
          value instanceof Value.Terms(List<String> items)
                  && items.size() == 1
                  && items.getFirst().matches("\\p{Lu}[\\p{L}-]+")
                  && !English.isAdjective(items.getFirst())
              ? items.getFirst()
              : null;
      case "single" ->
          single(value).filter(w -> !English.isPlural(English.lastWord(w))).orElse(null);
      case "norm" ->
          value instanceof Value.Terms(List<String> items)
                  && items.stream().allMatch(i -> NORM.matcher(i).matches())
              ? English.list(items)
              : null;
      default -> throw new IllegalStateException("no such slot: {" + name + "}");
    };
  }

  /** Sizes of cells by IEC 60086-2, perhaps with how many of them. */
  private static final Pattern CELLS =
      Pattern.compile("(?:(\\d{1,2}) ?[x×] ?)?(A{1,4}|[CD]|[CLS]R\\d{2,4}|PP3)");

  /** "Two AAA cells"; empty words for a size without a number, which is no sentence. */
  private static Optional<String> cells(Value value) {
    return single(value)
        .map(CELLS::matcher)
        .filter(Matcher::matches)
        .map(
            m -> {
              int many = m.group(1) == null ? 0 : Integer.parseInt(m.group(1));
              return many == 0
                  ? ""
                  : "%s %s %s"
                      .formatted(English.number(many), m.group(2), many == 1 ? "cell" : "cells");
            });
  }

  private static Optional<Matcher> washed(Value value, Pattern way) {
    return value instanceof Value.Words(String words)
        ? Optional.of(way.matcher(words)).filter(Matcher::matches)
        : Optional.empty();
  }

  private static boolean isFinish(String words) {
    // "A UV400 finish" is none: a code says what a surface does, and not how it looks.
    return !words.contains(" ") && words.chars().noneMatch(Character::isDigit)
        || English.isAdjective(English.lastWord(words));
  }

  /** What holds or closes something: a hook, a strap, a cap; a wall and a back do not. */
  private static final List<String> HOLDERS =
      List.of("device", "fastener", "support", "adhesive", "strip", "rope", "cord", "plug", "top");

  /** A word of which more than this share of its senses holds something can be meant so. */
  private static final double OFTEN = 0.25;

  /** Where something is put up. */
  private static final List<String> PLACES =
      List.of("horizontal surface", "upper surface", "partition");

  /** "Clamp 22-35 mm" is a clamp. */
  private static final Pattern SIZE_BEHIND = Pattern.compile(" [\\d.,–-]+ ?\\p{L}{0,2}$");

  /** Whether a word only describes what holds something: "equatorial". */
  private static boolean isOnlySaid(String word) {
    return !word.contains(" ") && (English.isAdjective(word) || !English.isKnown(word));
  }

  /**
   * Whether words name something that holds or closes.
   *
   * @param terms the list of terms that are known to
   */
  private boolean isHolder(String words, String terms) {
    String head =
        ItemPhrase.HEAD.matcher(SIZE_BEHIND.matcher(words).replaceFirst("")).replaceFirst("");
    String noun = English.singular(English.lastWord(head)).toLowerCase(Locale.ROOT);
    return knowledge.term(terms, words).isPresent()
        || knowledge.term(terms, noun).isPresent()
        || !isOnlySaid(words) && Lexicon.shipped().shareKindOf(noun, HOLDERS) > OFTEN;
  }

  /** "The wall" of "wall"; empty for what isn't a place by itself. */
  private static Optional<String> surface(String words) {
    return PLACES.stream().anyMatch(p -> Lexicon.shipped().isKindOf(words, p))
        ? Optional.of("the " + words)
        : Optional.empty();
  }

  /** Of the mounts that a value lists, those that are things, or those that only describe one. */
  private List<String> mounts(Value value, boolean things) {
    List<String> all =
        switch (value) {
          case Value.Words(String w) -> List.of(w);
          case Value.Terms(List<String> items) -> items;
          default -> List.of();
        };
    return all.stream().filter(m -> things ? isHolder(m, "mount") : isOnlySaid(m)).toList();
  }

  /** The one thing that a value names, in running text. */
  private static Optional<String> single(Value value) {
    return switch (value) {
      case Value.Words(String w) -> Optional.of(English.midSentence(w));
      case Value.Terms(List<String> items) when items.size() == 1 ->
          Optional.of(English.midSentence(items.getFirst()));
      default -> Optional.empty();
    };
  }

  /** "Size L", "sizes S and M", "sizes 36–40 and 41–45". */
  private static String sizes(List<String> items) {
    if (!items.stream().allMatch(i -> SIZE.matcher(i).matches())) {
      return null;
    }
    List<String> printed = spans(items);
    boolean one = printed.size() == 1 && printed.getFirst().indexOf('–') < 0;
    return (one ? "size " : "sizes ") + English.list(printed);
  }

  /** "Size 36–40 and size 41–45"; null if there are so many that they are better told together. */
  private static String eachSize(List<String> items) {
    return items.size() < 2
            || items.size() > MOST_SIZES
            || !items.stream().allMatch(i -> SIZE.matcher(i).matches())
        ? null
        : English.list(spans(items).stream().map(i -> "size " + i).toList());
  }

  private static List<String> spans(List<String> items) {
    return items.stream()
        .map(i -> i.replaceAll("(?<=[\\dSML])\\s*-\\s*(?=[\\dXSML])", "–"))
        .toList();
  }

  /** A value in running text; a bare number for a quantity says too little. */
  private String measuredOrWords(Value value) {
    return switch (value) {
      case Value.Quantity q when q.unit().isEmpty() ->
          q.qualifier().isEmpty() ? ValueText.number(q.amount()) : null;
      case Value.Range r when r.unit().isEmpty() -> null;
      case Value.Sides s when s.unit().isEmpty() -> null;
      default -> text.prose(value);
    };
  }

  public static Optional<Integer> integer(Value value) {
    return value instanceof Value.Quantity q
            && q.unit().isEmpty()
            && q.qualifier().isEmpty()
            && q.amount().stripTrailingZeros().scale() <= 0
            && q.amount().abs().compareTo(BigDecimal.valueOf(100_000)) < 0
        ? Optional.of(q.amount().intValueExact())
        : Optional.empty();
  }

  /** "From 8 years" as "of eight and over", "3-6 yrs" as "of 3 to 6"; of months it is said. */
  private String aged(String words) {
    return switch (Measure.of(words, knowledge).orElse(null)) {
      case Value.Quantity q when isOfYears(q.unit()) && q.qualifier().equals("at least") ->
          "of " + text.prose(new Value.Quantity(q.amount(), "", "")) + " and over";
      case Value.Quantity q when q.qualifier().equals("at least") ->
          "of " + text.prose(new Value.Quantity(q.amount(), q.unit(), "")) + " and over";
      case Value.Range r when isOfYears(r.unit()) ->
          "of " + ValueText.number(r.from()) + " to " + ValueText.number(r.to());
      case Value.Range r -> "of " + text.prose(r);
      case null, default -> null;
    };
  }

  private boolean isOfYears(String unit) {
    return unit.equals("yr");
  }

  private String people(Value value) {
    return switch (value) {
      case Value.Quantity q
          when q.unit().isEmpty() && q.amount().stripTrailingZeros().scale() <= 0 ->
          (q.qualifier().isEmpty() ? "" : q.qualifier() + " ")
              + English.number(q.amount().intValue())
              + (q.amount().intValue() == 1 ? " person" : " people");
      case Value.Range r when r.unit().isEmpty() ->
          ValueText.number(r.from()) + " to " + ValueText.number(r.to()) + " people";
      default -> null;
    };
  }

  private static String place(String words) {
    String place =
        words.replaceFirst("(?i)^made in ", "").replaceAll("[.;,]+$", "").replace(" & ", " and ");
    String last = English.lastWord(place);
    boolean isCommonNoun =
        last.equals(last.toLowerCase(Locale.ROOT))
            && English.isNoun(last)
            && !Lexicon.shipped().isKindOf(last, "location");
    if (isCommonNoun || English.isAdjective(place) && !Character.isUpperCase(place.charAt(0))) {
      // "Mixed" is no place, and "EU blend" neither.
      return null;
    }
    return WITH_THE.contains(place.toLowerCase(Locale.ROOT)) ? "the " + place : place;
  }

  /** Those items that can be noun phrases, as a list; null if there are none or too many. */
  private static String nounPhrases(List<String> items) {
    List<String> phrases = items.stream().map(ItemPhrase::of).flatMap(Optional::stream).toList();
    return phrases.isEmpty() || phrases.size() > 6 ? null : String.join(Framing.ITEM, phrases);
  }

  /** "XL", "36-40", "one size", "small": what comes after the word "size". */
  private static final Pattern SIZE =
      Pattern.compile(
          "(?i)(?:\\d{0,2}[XSML]{1,4}|\\d[\\d.,/]*\\p{L}?)(?:\\s*[-–]\\s*(?:\\d{0,2}[XSML]{1,4}|\\d[\\d.,/]*))?|small|medium|large|extra large|one size|junior|[A-Z]");

  /** Sizes that are told one by one at most. */
  private static final int MOST_SIZES = 2;
}
