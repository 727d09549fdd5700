package rhetor.standins.model;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.json.JsonMapper;

/**
 * Says which cell bears a sentence out, with a text model's habits: by the words that they share,
 * now and then a cell that has nothing to do with it, or one that there isn't.
 */
final class Referee {
  private static final Pattern ASKED = Pattern.compile("^Which cell .* bears out each sentence\\?");
  private static final Pattern CELL = Pattern.compile("(?m)^Cell (\\d+), (.*)$");
  private static final Pattern SENTENCE = Pattern.compile("(?m)^Sentence (\\d+): (.*)$");
  private static final Pattern WORD = Pattern.compile("\\p{L}{4,}");
  private static final int BAD_DAY = 7;
  private static final int NO_SUCH_CELL = 999;

  private final JsonMapper json = JsonMapper.builder().build();

  /** Whether a prompt asks what sentences rest on. */
  static boolean isAsked(String prompt) {
    return ASKED.matcher(prompt).find();
  }

  String answer(String prompt) {
    List<Map<String, Object>> answers = new ArrayList<>();
    Matcher sentence = SENTENCE.matcher(prompt);
    while (sentence.find()) {
      answers.add(
          Map.of(
              "sentence", Integer.parseInt(sentence.group(1)),
              "cell", cell(sentence.group(2), prompt)));
    }
    String answer = json.writeValueAsString(Map.of("answers", answers));
    return (prompt.hashCode() & 1) == 0 ? answer : "Sure!\n```json\n" + answer + "\n```";
  }

  private static int cell(String sentence, String prompt) {
    if (Math.floorMod(sentence.hashCode(), BAD_DAY) == 0) {
      return NO_SUCH_CELL;
    }
    Set<String> said = words(sentence);
    int best = 0;
    int most = 0;
    Matcher cell = CELL.matcher(prompt);
    while (cell.find()) {
      Set<String> shared = words(cell.group(2));
      shared.retainAll(said);
      if (shared.size() > most) {
        best = Integer.parseInt(cell.group(1));
        most = shared.size();
      }
    }
    return best;
  }

  private static Set<String> words(String text) {
    Set<String> words = new HashSet<>();
    Matcher m = WORD.matcher(text.toLowerCase(Locale.ROOT));
    while (m.find()) {
      words.add(m.group());
    }
    return words;
  }
}
