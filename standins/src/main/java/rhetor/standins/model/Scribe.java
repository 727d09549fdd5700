package rhetor.standins.model;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Answers what it is asked with a text model's habits: it chats, fences its answer, and makes
 * things up now and then; told so, it mostly takes them back. The same conversation always gets the
 * same answer.
 */
final class Scribe {
  private static final Pattern BLAMED = Pattern.compile("(?m)^- (\\w+)(?: “(.+?)”)?: ");

  /** One text in so many has something invented, and one of those in so many keeps it when told. */
  private static final int INVENTS = 3;

  private static final int STUBBORN = 8;
  private static final int PERCENT = 100;

  private final Phraser phraser = new Phraser();
  private final Referee referee = new Referee();
  private final Manners manners = new Manners();

  /**
   * An answer.
   *
   * @param misbehaves how many in a hundred answers to questions for texts are no proper answer
   */
  String answer(List<ModelApi.Message> messages, int misbehaves) {
    String prompt = messages.getFirst().text();
    if (Referee.isAsked(prompt)) {
      return referee.answer(prompt);
    }
    if (Phraser.isAsked(prompt)) {
      return phraser.answer(prompt);
    }
    if (Onlooker.isAsked(prompt)) {
      return new Onlooker().answer(messages.getFirst().pictures());
    }
    if (!Copywriter.isAsked(prompt)) {
      return "Ready.";
    }
    boolean isToldSo = messages.size() > 1;
    String told = isToldSo ? messages.getLast().text() : "";
    Random mood = new Random(prompt.hashCode());
    boolean isInventing = mood.nextInt(INVENTS) == 0;
    boolean isStubborn = mood.nextInt(STUBBORN) == 0;
    String invented =
        isInventing && !(isToldSo && !isStubborn)
            ? Copywriter.INVENTED.get(mood.nextInt(Copywriter.INVENTED.size()))
            : "";
    Map<String, Object> texts =
        withoutBlamed(
            new Copywriter(prompt, new Random(prompt.hashCode())).texts(invented),
            isStubborn ? "" : told);
    Random manner = new Random(prompt.hashCode() * 31L + messages.size());
    return manner.nextInt(PERCENT) < misbehaves
        ? manners.badly(texts, manner)
        : manners.well(texts, manner);
  }

  /** What was sent back with a sentence in quotes goes without that sentence. */
  private static Map<String, Object> withoutBlamed(Map<String, Object> texts, String told) {
    Map<String, Object> kept = new LinkedHashMap<>(texts);
    Matcher blame = BLAMED.matcher(told);
    while (blame.find()) {
      String sentence = blame.group(2);
      if (sentence != null && kept.get(blame.group(1)) instanceof String text) {
        String rest = text.replace(" " + sentence, "").replace(sentence, "").strip();
        kept.put(blame.group(1), rest.isEmpty() ? text : rest);
      }
    }
    return kept;
  }
}
