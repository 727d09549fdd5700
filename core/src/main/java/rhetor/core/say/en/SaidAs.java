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

  /**
   * The wordings that a sentence of a product's text tells its facts in; none if other words tell
   * them.
   *
   * @param voices those that it may be written in, which have wordings of their own
   */
  public List<Said> of(Sentence sentence, ProductFacts product, Collection<Voice> voices) {
    Set<Said> said = new LinkedHashSet<>();
    for (Fact fact : product.facts()) {
      if (sentence.support().contains(Support.fact(fact.id()))) {
        knowledge
            .toldAs(fact.concept(), fact.label())
            .ifPresent(c -> said.addAll(of(sentence.text(), fact, c, product, voices)));
      }
    }
    return List.copyOf(said);
  }

  private List<Said> of(
      String sentence, Fact fact, Concept concept, ProductFacts product, Collection<Voice> voices) {
    List<Said> found = new ArrayList<>();
    int longest = 0;
    for (Map<String, List<String>> wordings : all(concept, voices)) {
      for (Map.Entry<String, List<String>> each : wordings.entrySet()) {
        for (String one : each.getValue()) {
          int length = length(sentence, fact, concept, each.getKey(), one, product.productClass());
          if (length > longest) {
            found.clear();
            longest = length;
          }
          if (length > 0 && length == longest) {
            found.add(new Said(fact.id(), concept, each.getKey(), one));
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

  /** How much of a sentence a wording says: "a weight of 940 g" says more than "940 g" does. */
  private int length(
      String sentence, Fact fact, Concept concept, String form, String one, String ofClass) {
    return wording.phrases(fact, concept, form, one, ofClass).stream()
        .filter(p -> form.equals(VERB) ? isDone(p, sentence) : stands(p, sentence))
        .mapToInt(String::length)
        .max()
        .orElse(0);
  }

  private static boolean stands(String phrase, String sentence) {
    return Subject.hasWord(sentence, phrase);
  }

  /** Whether a verb phrase in its base form stands in a sentence in any form. */
  private static boolean isDone(String phrase, String sentence) {
    String verb = English.firstWord(phrase);
    return Stream.of(
            phrase,
            English.agree(phrase, false),
            English.agree(phrase, true),
            English.participle(verb) + phrase.substring(verb.length()))
        .anyMatch(p -> stands(p, sentence));
  }
}
