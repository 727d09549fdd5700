package rhetor.core.style;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * How a house bends a voice to its own.
 *
 * @param formality from -2, casual, to 2, formal
 * @param warmth from -2, matter-of-fact, to 2, close to the reader
 * @param energy from -2, calm, to 2, brisk
 * @param person whether the reader is addressed
 * @param contractions whether "it is" becomes "it's"
 * @param sentenceWords most words of a sentence; 0 as the voice has it
 */
public record Tuning(
    int formality,
    int warmth,
    int energy,
    Person person,
    Contractions contractions,
    int sentenceWords) {

  /** Whether the reader is addressed. */
  public enum Person {
    AS_THE_VOICE,
    YOU,
    NOBODY
  }

  /** Whether verbs are contracted. */
  public enum Contractions {
    AS_THE_VOICE,
    ALWAYS,
    NEVER
  }

  /** How far each dial goes to either side. */
  public static final int FAR = 2;

  /** Fewest words that a limit for sentences may leave. */
  public static final int SHORTEST_SENTENCE = 8;

  /** The voice as it is. */
  public static final Tuning NONE =
      new Tuning(0, 0, 0, Person.AS_THE_VOICE, Contractions.AS_THE_VOICE, 0);

  /** Readiness of a way that a voice doesn't have of its own. */
  private static final int NEW = 4;

  private static final int ADDRESSING = 8;

  private static final Set<SentenceFrame> FORMAL =
      Set.of(
          SentenceFrame.WHICH,
          SentenceFrame.PART_FIRST,
          SentenceFrame.PART_MIDDLE,
          SentenceFrame.SEMICOLON,
          SentenceFrame.DOING_FIRST);

  private static final Set<SentenceFrame> CASUAL =
      Set.of(
          SentenceFrame.BARE, SentenceFrame.FRAGMENT, SentenceFrame.QUESTION, SentenceFrame.LEAD);

  private static final Set<SentenceFrame> BRISK =
      Set.of(SentenceFrame.BARE, SentenceFrame.FRAGMENT, SentenceFrame.TWO, SentenceFrame.AT_FIRST);

  private static final Set<SentenceFrame> CALM =
      Set.of(
          SentenceFrame.WHICH,
          SentenceFrame.DOING_LAST,
          SentenceFrame.WITH_LAST,
          SentenceFrame.PART_MIDDLE);

  private static final Set<SentenceFrame> WARM =
      Set.of(SentenceFrame.YOU, SentenceFrame.LEAD, SentenceFrame.THERE);

  private static final Set<OpeningFrame> BRISK_OPENINGS =
      Set.of(OpeningFrame.FIGURES, OpeningFrame.HERE, OpeningFrame.COLON, OpeningFrame.AT_FIRST);

  private static final Set<OpeningFrame> FORMAL_OPENINGS =
      Set.of(
          OpeningFrame.PART_FIRST,
          OpeningFrame.PART_MIDDLE,
          OpeningFrame.APPOSED,
          OpeningFrame.DOING_FIRST);

  public Tuning {
    person = person == null ? Person.AS_THE_VOICE : person;
    contractions = contractions == null ? Contractions.AS_THE_VOICE : contractions;
  }

  /** The voice as the house has it. */
  public Voice bend(Voice voice) {
    if (equals(NONE)) {
      return voice;
    }
    Map<SentenceFrame, Integer> frames = new EnumMap<>(voice.frames());
    tilt(frames, FORMAL, formality);
    tilt(frames, CASUAL, -formality);
    tilt(frames, BRISK, energy);
    tilt(frames, CALM, -energy);
    tilt(frames, WARM, warmth);
    Map<OpeningFrame, Integer> openings = new EnumMap<>(voice.openings());
    tilt(openings, BRISK_OPENINGS, energy);
    tilt(openings, FORMAL_OPENINGS, formality);
    address(frames, SentenceFrame.YOU, SentenceFrame.PLAIN);
    address(openings, OpeningFrame.YOU, OpeningFrame.IS_PART);
    UnaryOperator<List<String>> spoken =
        ways -> person == Person.NOBODY ? ways.stream().filter(w -> !addresses(w)).toList() : ways;
    List<String> leads = spoken.apply(voice.leads());
    if (leads.isEmpty()) {
      frames.remove(SentenceFrame.LEAD);
    }
    if (frames.isEmpty()) {
      frames.put(SentenceFrame.PLAIN, NEW);
    }
    int facts = voice.facts() - (energy > 0 ? energy / 2 : 0) + (energy < 0 ? 1 : 0);
    if (sentenceWords > 0) {
      facts = Math.min(facts, Math.max(1, sentenceWords / 6));
    }
    return new Voice(
        voice.id(),
        voice.label(),
        voice.about(),
        Math.max(1, facts),
        Math.max(0, voice.benefits() + warmth),
        voice.pronouns(),
        switch (contractions) {
          case ALWAYS -> true;
          case NEVER -> false;
          case AS_THE_VOICE -> formality > 0 ? false : formality < -1 || voice.contractions();
        },
        openings,
        frames,
        Set.copyOf(voice.signature().stream().filter(frames::containsKey).toList()),
        leads,
        spoken.apply(voice.reasons()),
        voice.say());
  }

  /** Makes ways more or less ready; what would never be taken is left out. */
  private static <F> void tilt(Map<F, Integer> ways, Set<F> some, int by) {
    if (by == 0) {
      return;
    }
    for (F way : some) {
      Integer ready = ways.get(way);
      if (by > 0 && ready == null) {
        if (by == FAR) {
          ways.put(way, NEW);
        }
      } else if (by > 0) {
        ways.put(way, ready * (1 + by));
      } else if (ready != null) {
        int less = by == -FAR ? 0 : ready / 2;
        if (less == 0) {
          ways.remove(way);
        } else {
          ways.put(way, less);
        }
      }
    }
  }

  private <F> void address(Map<F, Integer> ways, F you, F otherwise) {
    switch (person) {
      case YOU -> ways.merge(you, ADDRESSING, Math::max);
      case NOBODY -> ways.remove(you);
      case AS_THE_VOICE -> {}
    }
    if (ways.isEmpty()) {
      ways.put(otherwise, NEW);
    }
  }

  private static boolean addresses(String words) {
    return words.matches("(?i).*\\byou(?:r|rs|rself)?\\b.*");
  }
}
