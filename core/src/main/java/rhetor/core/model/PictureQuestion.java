package rhetor.core.model;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Asks a text model what a picture shows, and reads its answer: a line for each thing it sees. */
public final class PictureQuestion {
  /** The question; the picture goes with it. */
  public static final String PROMPT =
      """
      What does the picture show? It is of a product for sale. Answer with lines of a label, a colon and what you see, and nothing else.
      Labels you may use: Kind, Colour, Material, Pattern, Shape, Closure, Number of pieces, Text on it.
      Leave out what the picture doesn't show, and what you would have to guess: what it weighs, measures, costs or is good for.
      """;

  private static final int MOST = 12;
  private static final int LONGEST = 120;

  private static final Pattern LINE =
      Pattern.compile(
          "[\\s>*•-]*(?:\\d{1,2}[.)]\\s*)?\\**(?<label>\\p{L}[\\p{L} ]{1,30}?)\\**\\s*:\\s*\\**(?<what>[^\\n]*?\\S)\\**\\s*");

  /** What models say where they see nothing. */
  private static final Pattern NOTHING =
      Pattern.compile(
          "(?i)(?:n/?a|none|unknown|unclear|not (?:visible|shown|clear|sure)|can(?:no|')t .*|\\?|-)\\.?");

  /** What introduces an answer, and no label. */
  private static final Pattern CHATTER =
      Pattern.compile("(?i)(?:here|sure|note|answer|i see|the picture|certainly)\\b.*");

  private PictureQuestion() {}

  /**
   * The lines of an answer, each "Label: what"; chatter, marks of lists and what it says it doesn't
   * see are left out.
   *
   * @return at most 12, each label once
   */
  public static List<String> lines(String answer) {
    List<String> lines = new ArrayList<>();
    List<String> labels = new ArrayList<>();
    for (String line : answer.split("\\R")) {
      Matcher m = LINE.matcher(line);
      if (!m.matches() || lines.size() >= MOST) {
        continue;
      }
      String label = m.group("label").strip();
      String what = m.group("what").strip();
      boolean isNew = labels.stream().noneMatch(label::equalsIgnoreCase);
      if (isNew
          && what.length() <= LONGEST
          && !NOTHING.matcher(what).matches()
          && !CHATTER.matcher(label).matches()) {
        labels.add(label);
        lines.add(label + ": " + what);
      }
    }
    return List.copyOf(lines);
  }
}
