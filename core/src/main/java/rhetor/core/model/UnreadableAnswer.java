package rhetor.core.model;

/** Says that a text model's answer has none of the fields it was asked for. */
public final class UnreadableAnswer extends RuntimeException {
  private static final int SHOWN = 160;

  UnreadableAnswer(String answer) {
    super(
        answer.isBlank()
            ? "The text model answered nothing."
            : "The text model’s answer has none of the fields that it was asked for. It begins: “%s”"
                .formatted(beginning(answer)));
  }

  private static String beginning(String answer) {
    String line = answer.strip().replaceAll("\\s+", " ");
    return line.length() > SHOWN ? line.substring(0, SHOWN) + "…" : line;
  }
}
