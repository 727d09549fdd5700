package rhetor.core.reading;

import java.util.List;
import java.util.Map;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.ColumnMatcher.Likely;
import rhetor.core.reading.Meaning.Role;

/** Says in words why a column is read as it is, and why a person is asked. */
final class ReadingReasons {
  private final Knowledge knowledge;
  private final ColumnMatcher matcher;

  ReadingReasons(Knowledge knowledge, ColumnMatcher matcher) {
    this.knowledge = knowledge;
    this.matcher = matcher;
  }

  /**
   * Why a column is asked about.
   *
   * @param isElse whether its cells measure something else than the likeliest meaning
   */
  String whyAsked(Likely likely, boolean isElse) {
    String name = likely.candidate().name();
    return isElse && !name.isEmpty()
        ? "The heading says \"" + name + "\", but it is measured in something else."
        : "It may be " + label(likely) + ". " + reason(likely);
  }

  /** Why a column is kept back; others are what it may be besides. */
  String keptBack(List<Likely> likely, List<Likely> others) {
    if (!others.isEmpty()) {
      return "It may be %s, or for the house alone.".formatted(label(others.getFirst()));
    }
    String why =
        likely.stream()
            .filter(l -> l.meaning().role() == Role.KEEP)
            .map(this::reason)
            .findFirst()
            .orElse("");
    return why.isEmpty() ? "It may be for the house alone." : why;
  }

  private String label(Likely likely) {
    return label(likely.meaning());
  }

  /** What a meaning is called. */
  String label(Meaning meaning) {
    return knowledge
        .concept(meaning.concept())
        .map(c -> "“" + c.label() + "”")
        .orElseGet(
            () ->
                switch (meaning.role()) {
                  case SKU -> "the SKU";
                  case NAME -> "the name";
                  case PROSE -> "a text of the supplier’s";
                  case KEYWORD -> "the keyword";
                  case KEEP -> "for the house alone";
                  case EXTRA -> "a fact of its own";
                  default -> "a picture";
                });
  }

  /** Why a meaning is likely, in words. */
  String reason(Likely likely) {
    String name = likely.candidate().name();
    if (!name.isEmpty()) {
      Map<Evidence, Double> evidence = likely.candidate().evidence();
      String how =
          evidence.containsKey(Evidence.NEARLY)
              ? "is nearly"
              : evidence.containsKey(Evidence.CUT_OFF)
                  ? "may be short for"
                  : evidence.containsKey(Evidence.SHORT_FOR)
                      ? "is short for"
                      : evidence.containsKey(Evidence.BEGINS_WITH)
                              || evidence.containsKey(Evidence.ENDS_WITH)
                          ? "speaks of"
                          : "says";
      return "The heading %s \"%s\".".formatted(how, name);
    }
    return matcher.loudest(likely).map(Evidence::reason).orElse("");
  }
}
