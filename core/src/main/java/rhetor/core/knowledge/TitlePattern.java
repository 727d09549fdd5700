package rhetor.core.knowledge;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How titles of a kind of product are built: {@code {{brand}} {{name}}, {{capacity}} – {{colour}}}.
 * Its parts stand between commas, dashes, bars and dots; one that a product has nothing for goes,
 * with what stands before it.
 */
public record TitlePattern(List<Part> parts) {
  /** Longest pattern, in characters. */
  public static final int LONGEST = 200;

  private static final String NAME = "name";

  /** What a name may say already. */
  private static final Set<String> MAYBE_SAID = Set.of("brand", "kind", "keyword");

  private static final Pattern SLOT = Pattern.compile("\\{\\{\\s*([\\p{L}\\p{N}_]+)\\s*}}");
  private static final Pattern JOINT = Pattern.compile("\\s*,\\s+|\\s+[–—|·:-]\\s+");
  private static final Pattern BRACE = Pattern.compile("[{}]");

  /**
   * What stands between two joints.
   *
   * @param joint what parts it from the one before, with its spaces; empty for the first
   * @param words with slots
   */
  public record Part(String joint, String words) {
    /**
     * The words with values in the slots; nothing if a slot of a fact, or every slot, has none.
     * Beside the name other slots may stay empty, and beside a fact what the name may say already.
     */
    public Optional<String> filled(Function<String, Optional<String>> values) {
      boolean isOfName = slots().contains(NAME);
      boolean isSaid = slots().isEmpty();
      StringBuilder filled = new StringBuilder();
      Matcher slot = SLOT.matcher(words);
      while (slot.find()) {
        String name = slot.group(1);
        Optional<String> value = values.apply(name);
        boolean mayBeEmpty = isOfName ? !name.equals(NAME) : MAYBE_SAID.contains(name);
        if (value.isEmpty() && !mayBeEmpty) {
          return Optional.empty();
        }
        isSaid |= value.isPresent();
        slot.appendReplacement(filled, Matcher.quoteReplacement(value.orElse("")));
      }
      slot.appendTail(filled);
      String said = filled.toString().replaceAll(" {2,}", " ").strip();
      return isSaid && !said.isEmpty() ? Optional.of(said) : Optional.empty();
    }

    /** The names of its slots. */
    public List<String> slots() {
      return SLOT.matcher(words).results().map(r -> r.group(1)).toList();
    }
  }

  public TitlePattern {
    parts = List.copyOf(parts);
  }

  /** The parts of a pattern; none of one that says nothing. */
  public static TitlePattern parse(String pattern) {
    List<Part> parts = new ArrayList<>();
    Matcher joint = JOINT.matcher(pattern.strip());
    String before = "";
    int from = 0;
    while (joint.find()) {
      parts.add(new Part(before, pattern.strip().substring(from, joint.start())));
      before = joint.group();
      from = joint.end();
    }
    parts.add(new Part(before, pattern.strip().substring(from)));
    return new TitlePattern(parts.stream().filter(p -> !p.words.isBlank()).toList());
  }

  /** What is wrong with a pattern, each with what to do; nothing if it can stand. */
  static List<String> problems(String pattern) {
    if (pattern.isBlank()) {
      return List.of();
    }
    List<String> problems = new ArrayList<>();
    if (pattern.length() > LONGEST || pattern.contains("\n")) {
      problems.add("A title's pattern is one line of at most %d characters.".formatted(LONGEST));
    }
    if (BRACE.matcher(SLOT.matcher(pattern).replaceAll("")).find()) {
      problems.add(
          "A brace of the title's pattern is left over. A slot is written {{name}}, in small letters.");
    }
    boolean hasName =
        parse(pattern).parts.stream().limit(1).anyMatch(p -> p.slots().contains(NAME));
    if (!hasName) {
      problems.add("A title begins with what the product is called: put {{name}} in front.");
    }
    return problems;
  }
}
