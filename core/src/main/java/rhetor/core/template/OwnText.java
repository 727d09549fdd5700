package rhetor.core.template;

import com.github.jknack.handlebars.Context;
import com.github.jknack.handlebars.EscapingStrategy;
import com.github.jknack.handlebars.Handlebars;
import com.github.jknack.handlebars.HandlebarsException;
import com.github.jknack.handlebars.HelperRegistry;
import com.github.jknack.handlebars.TagType;
import com.github.jknack.handlebars.Template;
import com.github.jknack.handlebars.context.MapValueResolver;
import java.io.IOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.text.similarity.LevenshteinDistance;

/**
 * The house's own words with slots, in Handlebars: {@code It holds {{capacity}}.} A sentence with a
 * slot that nothing fills is left out whole. Of Handlebars' helpers there are {@code if}, {@code
 * unless}, {@code each} and {@code with}; a text can't include another, so that none goes on for
 * ever.
 */
public final class OwnText {
  /** Longest source, in characters. */
  public static final int LONGEST = 20_000;

  private static final int LONGEST_RESULT = 60_000;
  private static final int DEEPEST = 3;
  private static final Set<String> HELPERS = Set.of("if", "unless", "each", "with");

  /** What stands in the list of all facts: {@code {{#each facts}}{{label}}: {{value}}{{/each}}}. */
  private static final Set<String> IN_FACTS = Set.of("label", "value", "this");

  /** Marks a slot that nothing fills; a private character of Unicode, which no text has. */
  private static final char MISSING = '\uE000';

  private static final char FACT = '\uE001';
  private static final char END = '\uE002';
  private static final Pattern MARKED = Pattern.compile(FACT + "(\\d+)" + END);
  private static final Pattern INCLUDE = Pattern.compile("\\{\\{[#~]*\\s*[>*]");
  private static final Pattern OPENED = Pattern.compile("\\{\\{~?(#(?:each|with)|/(?:each|with))");
  private static final Pattern SENTENCE_END = Pattern.compile("(?<=[.!?])\\s+|\\n+");

  private final Template template;

  private OwnText(Template template) {
    this.template = template;
  }

  /** A sentence with the facts that it takes words from, by their ids. */
  public record Line(String text, List<String> facts) {}

  /**
   * Why a text can't be kept; nothing if it can.
   *
   * @param where the text's place in its template
   * @param known names of slots that can be filled
   */
  public static List<TemplateProblem> problems(String where, String source, Set<String> known) {
    if (source.length() > LONGEST) {
      return List.of(
          new TemplateProblem(
              where,
              0,
              0,
              "The text has %,d characters; up to %,d are kept."
                  .formatted(source.length(), LONGEST)));
    }
    Matcher include = INCLUDE.matcher(source);
    if (include.find()) {
      return List.of(
          at(
              where,
              source,
              include.start(),
              "A text can't include another one or itself. Put the words here."));
    }
    Template template;
    try {
      template = handlebars().compileInline(source);
    } catch (HandlebarsException e) {
      return List.of(
          e.getError() == null
              ? new TemplateProblem(where, 1, 1, "It can't be read: " + e.getMessage())
              : new TemplateProblem(
                  where,
                  e.getError().line,
                  e.getError().column + 1,
                  "It can't be read here: %s. A slot is written {{name}}, a condition {{#if name}} … {{/if}}."
                      .formatted(reason(e.getError().reason))));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    List<TemplateProblem> problems = new ArrayList<>();
    tooDeep(where, source).ifPresent(problems::add);
    Set<String> names = new LinkedHashSet<>(template.collect(TagType.values()));
    names.addAll(template.collectReferenceParameters());
    for (String name : names) {
      String first = name.split("[./]", 2)[0];
      if (!known.contains(name)
          && !known.contains(first)
          && !HELPERS.contains(name)
          && !IN_FACTS.contains(name)
          && !name.equals("facts")) {
        problems.add(at(where, source, place(source, name), unknown(name, known)));
      }
    }
    return problems;
  }

  private static String reason(String reason) {
    return reason.replaceAll("\\s+", " ").strip();
  }

  private static Optional<TemplateProblem> tooDeep(String where, String source) {
    Matcher m = OPENED.matcher(source);
    int depth = 0;
    while (m.find()) {
      depth += m.group(1).startsWith("#") ? 1 : -1;
      if (depth > DEEPEST) {
        return Optional.of(
            at(
                where,
                source,
                m.start(),
                "Lists are taken apart %d deep at most.".formatted(DEEPEST)));
      }
    }
    return Optional.empty();
  }

  private static String unknown(String name, Set<String> known) {
    LevenshteinDistance distance = new LevenshteinDistance(3);
    Optional<String> near =
        new TreeSet<>(known)
            .stream()
                .filter(k -> distance.apply(k, name) >= 0)
                .min(java.util.Comparator.comparingInt(k -> distance.apply(k, name)));
    return "There is no slot called \"%s\"%s. Ask a question of that name, or take a fact's."
        .formatted(name, near.map(n -> "; perhaps \"" + n + "\" is meant").orElse(""));
  }

  /** Where a name stands in a tag. */
  private static int place(String source, String name) {
    Matcher m =
        Pattern.compile("\\{\\{[^}]*?(?<![\\w.-])(" + Pattern.quote(name) + ")(?![\\w-])")
            .matcher(source);
    return m.find() ? m.start(1) : 0;
  }

  private static TemplateProblem at(String where, String source, int place, String why) {
    int line = 1;
    int start = 0;
    for (int i = 0; i < place; i++) {
      if (source.charAt(i) == '\n') {
        line++;
        start = i + 1;
      }
    }
    return new TemplateProblem(where, line, place - start + 1, why);
  }

  private static Handlebars handlebars() {
    Handlebars handlebars = new Handlebars().with(EscapingStrategy.NOOP);
    handlebars.registerHelper(
        HelperRegistry.HELPER_MISSING, (context, options) -> String.valueOf(MISSING));
    return handlebars;
  }

  /**
   * A text that has no problems, made ready.
   *
   * @throws IllegalArgumentException if it can't be read
   */
  public static OwnText of(String source) {
    try {
      return new OwnText(handlebars().compileInline(source));
    } catch (HandlebarsException e) {
      throw new IllegalArgumentException(e.getMessage(), e);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The text whole, as a prompt needs it; slots that nothing fills are empty. */
  public String filled(Map<String, Slot> slots) {
    return MARKED.matcher(render(slots)).replaceAll("").replace(String.valueOf(MISSING), "");
  }

  /**
   * The sentences that can be said, in order; those with a slot that nothing fills are left out.
   *
   * @param slots what fills the slots, by their names
   */
  public List<Line> lines(Map<String, Slot> slots) {
    List<String> facts = facts(slots);
    List<Line> lines = new ArrayList<>();
    for (String sentence : SENTENCE_END.split(render(slots))) {
      if (sentence.indexOf(MISSING) >= 0) {
        continue;
      }
      Set<String> used = new LinkedHashSet<>();
      Matcher m = MARKED.matcher(sentence);
      while (m.find()) {
        used.add(facts.get(Integer.parseInt(m.group(1))));
      }
      String text = m.replaceAll("").replaceAll("\\s+", " ").strip();
      if (!text.isEmpty()) {
        lines.add(new Line(text, List.copyOf(used)));
      }
    }
    return lines;
  }

  private static List<String> facts(Map<String, Slot> slots) {
    return slots.values().stream().map(Slot::fact).filter(f -> !f.isEmpty()).distinct().toList();
  }

  private String render(Map<String, Slot> slots) {
    List<String> facts = facts(slots);
    Map<String, Object> values = new HashMap<>();
    List<Map<String, String>> all = new ArrayList<>();
    slots.forEach(
        (name, slot) -> {
          String value =
              slot.fact().isEmpty()
                  ? slot.value()
                  : slot.value() + FACT + facts.indexOf(slot.fact()) + END;
          values.put(name, value);
          if (!slot.fact().isEmpty()) {
            all.add(Map.of("label", name.replace('_', ' '), "value", value));
          }
        });
    values.put("facts", all);
    Limited out = new Limited();
    try {
      // Values are looked up in the map alone: no method of an object can be called.
      template.apply(Context.newBuilder(values).resolver(MapValueResolver.INSTANCE).build(), out);
    } catch (IOException | HandlebarsException e) {
      throw new IllegalArgumentException(e.getMessage(), e);
    }
    return out.text.toString();
  }

  /** Stops a text that grows beyond all use. */
  private static final class Limited extends Writer {
    private final StringBuilder text = new StringBuilder();

    @Override
    public void write(char[] chars, int from, int length) throws IOException {
      if (text.length() + length > LONGEST_RESULT) {
        throw new IOException("The text grows beyond %,d characters.".formatted(LONGEST_RESULT));
      }
      text.append(chars, from, length);
    }

    @Override
    public void flush() {}

    @Override
    public void close() {}
  }
}
