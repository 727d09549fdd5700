package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a house's people said that columns are, by heading, on sheets of any supplier. It counts for
 * like columns of other sheets, as long as their cells don't contradict it.
 */
public final class HeadingAnswers {
  /** Nobody has said anything yet. */
  public static final HeadingAnswers NONE = new HeadingAnswers(List.of());

  private final Map<String, List<Answer>> byKey = new HashMap<>();

  /**
   * One answer.
   *
   * @param heading as it stood on the sheet
   * @param supplier whose sheet it was
   */
  public record Answer(String heading, Meaning meaning, String supplier) {}

  /** All answers; of two about one heading the later one says more, if they differ. */
  public HeadingAnswers(List<Answer> answers) {
    for (Answer answer : answers) {
      byKey.computeIfAbsent(key(answer.heading), k -> new ArrayList<>()).addFirst(answer);
    }
  }

  /** What headings that mean the same column have in common: their words. */
  public static String key(String heading) {
    return KnownReading.key(heading);
  }

  /** What was said of a heading, the latest first; one answer for each meaning. */
  List<Answer> of(String heading) {
    List<Answer> different = new ArrayList<>();
    for (Answer answer : byKey.getOrDefault(key(heading), List.of())) {
      if (different.stream().noneMatch(d -> d.meaning.equals(answer.meaning))) {
        different.add(answer);
      }
    }
    return different;
  }
}
