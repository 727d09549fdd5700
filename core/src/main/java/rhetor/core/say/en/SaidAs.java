package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.style.Voice;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Finds which wordings a sentence tells its facts in. */
public final class SaidAs {
  private static final String VERB = "verb";

  private final Knowledge knowledge;
  private final Wording wording;

  public SaidAs(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.wording = new Wording(knowledge);
  }

  /**
   * A wording that stands in a sentence, filled.
   *
   * @param fact id of the fact that it tells
   * @param form the place in a sentence: verb, with, part, ...
   */
  public record Said(String fact, Concept concept, String form, String wording) {}

  /** The wordings that all of a sentence of a product's text tells its facts in. */
  public List<Said> of(Sentence sentence, ProductFacts product, Collection<Voice> voices) {
    return of(sentence, sentence.text(), product, voices);
  }

  /**
   * The wordings that a passage of a sentence tells facts in; none if other words tell them.
   *
   * @param passage words of the sentence, or of more than it
   * @param voices those that it may be written in, which have wordings of their own
   */
  public List<Said> of(
      Sentence sentence, String passage, ProductFacts product, Collection<Voice> voices) {
    String text = sentence.text();
    Place place = Place.of(passage, text);
    Set<Said> said = new LinkedHashSet<>();
    for (Fact fact : product.facts()) {
      if (!place.isNowhere() && sentence.support().contains(Support.fact(fact.id()))) {
        knowledge
            .toldAs(fact.concept(), fact.label())
            .ifPresent(c -> said.addAll(of(text, place, fact, c, product, voices)));
      }
    }
    return List.copyOf(said);
  }

  /** Where some words stand in a text. */
  private record Place(int start, int end) {
    /** Fewer characters at a text's end that a passage begins with may do so by chance. */
    private static final int SHORTEST = 8;

    /** Where a passage stands, which may go on from the text before or into the next. */
    static Place of(String passage, String text) {
      int at = passage.isBlank() ? -1 : text.indexOf(passage);
      if (at >= 0) {
        return new Place(at, at + passage.length());
      }
      int length = text.length();
      if (!text.isBlank() && passage.contains(text)) {
        return new Place(0, length);
      }
      for (int i = 1; i <= length - SHORTEST; i++) {
        if (passage.startsWith(text.substring(i))) {
          return new Place(i, length);
        }
        if (passage.endsWith(text.substring(0, length - i))) {
          return new Place(0, length - i);
        }
      }
      return new Place(0, 0);
    }

    boolean isNowhere() {
      return end == 0;
    }

    boolean overlaps(int from, int to) {
      return from < end && to > start;
    }
  }

  private List<Said> of(
      String text,
      Place place,
      Fact fact,
      Concept concept,
      ProductFacts product,
      Collection<Voice> voices) {
    List<Said> found = new ArrayList<>();
    int longest = 0;
    for (Map<String, List<String>> wordings : all(concept, voices)) {
      for (Map.Entry<String, List<String>> each : wordings.entrySet()) {
        for (String one : each.getValue()) {
          Said said = new Said(fact.id(), concept, each.getKey(), one);
          int length = length(text, place, fact, said, product.productClass());
          if (length > longest) {
            found.clear();
            longest = length;
          }
          if (length > 0 && length == longest) {
            found.add(said);
          }
        }
      }
    }
    return found;
  }

  private static List<Map<String, List<String>>> all(Concept concept, Collection<Voice> voices) {
    List<Map<String, List<String>>> all = new ArrayList<>();
    concept.taught().forEach(s -> all.add(s.say()));
    voices.forEach(v -> all.add(v.say().getOrDefault(concept.id(), Map.of())));
    concept.sayOf().forEach(s -> all.add(s.say()));
    all.add(concept.say());
    return all;
  }

  /** How much of a text a wording says: "a weight of 940 g" says more than "940 g" does. */
  private int length(String text, Place place, Fact fact, Said said, String ofClass) {
    return wording.phrases(fact, said.concept, said.form, said.wording, ofClass).stream()
        .flatMap(p -> said.form.equals(VERB) ? inAnyForm(p) : Stream.of(p))
        .filter(
            p -> {
              int at = Words.find(p, text);
              return at >= 0 && place.overlaps(at, at + p.length());
            })
        .mapToInt(String::length)
        .max()
        .orElse(0);
  }

  /** A verb phrase in its base form, and as it agrees with what does it. */
  private static Stream<String> inAnyForm(String phrase) {
    String verb = English.firstWord(phrase);
    return Stream.of(
        phrase,
        English.agree(phrase, false),
        English.agree(phrase, true),
        English.participle(verb) + phrase.substring(verb.length()));
  }
}
