package rhetor.core.style;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * How a text sounds: which ways of building sentences it prefers, how long they grow, whom it
 * addresses.
 *
 * @param about what it is like, in a sentence for the person who chooses it
 * @param facts most facts in one sentence
 * @param benefits most sentences of a text that say what a fact is good for
 * @param pronouns whether it says "it" rather than naming the thing again
 * @param contractions whether "it is" becomes "it's"
 * @param openings how readily it opens a text in each way; ways not named are not taken
 * @param frames how readily it builds a sentence in each way; ways not named are not taken
 * @param signature frames by which the voice is known: a text has one of them if its facts allow
 * @param leads what it puts in front of a sentence, with the slot {@code {main}}
 * @param reasons how a fact and what it is good for are joined, with the slots {@code {main}},
 *     {@code {so}}, {@code {with}} and {@code {part}}
 * @param say wordings of its own, by concept and form, taken before the concept's
 */
public record Voice(
    String id,
    String label,
    String about,
    int facts,
    int benefits,
    boolean pronouns,
    boolean contractions,
    Map<OpeningFrame, Integer> openings,
    Map<SentenceFrame, Integer> frames,
    Set<SentenceFrame> signature,
    List<String> leads,
    List<String> reasons,
    Map<String, Map<String, List<String>>> say) {
  /** The same voice that says what things are and not what they are good for. */
  public Voice withoutBenefits() {
    return new Voice(
        id,
        label,
        about,
        facts,
        0,
        pronouns,
        contractions,
        openings,
        frames,
        signature,
        leads,
        reasons,
        say);
  }

  public Voice {
    // In the order of the enum, so that the same seed draws the same frames.
    openings = Collections.unmodifiableMap(new EnumMap<>(openings));
    frames = Collections.unmodifiableMap(new EnumMap<>(frames));
    signature = signature == null ? Set.of() : Set.copyOf(signature);
    leads = leads == null ? List.of() : List.copyOf(leads);
    reasons = List.copyOf(reasons);
    say = say == null ? Map.of() : Map.copyOf(say);
  }
}
