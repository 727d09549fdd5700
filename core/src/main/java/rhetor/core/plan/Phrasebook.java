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
}
