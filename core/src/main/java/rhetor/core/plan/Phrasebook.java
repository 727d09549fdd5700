package rhetor.core.plan;

import java.util.List;
import java.util.Map;
import rhetor.core.fact.Fact;
import rhetor.core.style.Voice;

/**
 * A language's wordings: how a fact can be put in a sentence, in words that somebody answers for.
 */
public interface Phrasebook {
  /**
   * All phrases for a fact by the places in a sentence that they fit, the voice's own first; none
   * if it can't be told in prose.
   */
  Map<Message.Form, List<String>> phrases(Fact fact, String productClass, Voice voice);

  /**
   * Words for how many of a part there are and what those are made of, of which each can be told
   * alone; none if they can't be told together.
   *
   * @param part one of it
   * @param count a whole number
   */
  Map<Message.Form, List<String>> countedParts(String part, int count, List<String> ofStuff);

  /**
   * Words for several parts that are made of the same.
   *
   * @param ofStuff phrases of each part, as {@link #phrases} has them
   */
  Map<Message.Form, List<String>> partsOfOneStuff(List<String> ofStuff);

  /**
   * Words for several things that come with one.
   *
   * @param verbs a phrase of each, as {@link #phrases} has them
   */
  Map<Message.Form, List<String>> comingTogether(List<String> verbs);
}
