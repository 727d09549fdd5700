package rhetor.core.template;

import com.github.jknack.handlebars.Context;
import com.github.jknack.handlebars.EscapingStrategy;
import com.github.jknack.handlebars.Handlebars;
import com.github.jknack.handlebars.HandlebarsException;
import com.github.jknack.handlebars.HelperRegistry;
import com.github.jknack.handlebars.Template;
import com.github.jknack.handlebars.ValueResolver;
import com.github.jknack.handlebars.context.MapValueResolver;
import java.io.IOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
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
 * slot that nothing fills is left out whole. Which tags there are {@link TagCheck} says; filling
 * the slots has limits of steps and of what is written.
 */
public final class OwnText {
  /** Longest source, in characters. */
  public static final int LONGEST = 20_000;

  private static final int LONGEST_RESULT = 60_000;

  /** Values looked up and entries gone through. */
  private static final int MOST_STEPS = 20_000;

  /** Steps times the source's characters, since a step may write all of them. */
  private static final long MOST_WORK = 20_000_000;

  /** What stands in the list of all facts: {@code {{#each facts}}{{label}}: {{value}}{{/each}}}. */
  private static final Set<String> IN_FACTS = Set.of("label", "value", "this");

  /** Marks a slot that nothing fills; a private character of Unicode, which no text has. */
  private static final char MISSING = '\uE000';

  private static final char FACT = '\uE001';
  private static final char END = '\uE002';
  private static final Pattern MARKED = Pattern.compile(FACT + "(\\d+)" + END);
  private static final Pattern SENTENCE_END = Pattern.compile("(?<=[.!?])\\s+|\\n+");

  private final Template template;
  private final int length;

  private OwnText(Template template, int length) {
    this.template = template;
    this.length = length;
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
    List<TagCheck.Finding> deep = TagCheck.depth(source);
    if (!deep.isEmpty()) {
      return deep.stream().map(f -> problem(where, f, known)).toList();
    }
    try {
      handlebars().compileInline(source);
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
    return TagCheck.findings(source, name -> isKnown(name, known)).stream()
        .map(f -> problem(where, f, known))
        .toList();
  }

  private static TemplateProblem problem(String where, TagCheck.Finding found, Set<String> known) {
    return new TemplateProblem(
        where,
        found.line(),
        found.column(),
        found.unknown().isEmpty() ? found.why() : unknown(found.unknown(), known));
  }

  /** Whether a name, or what it is a part of, is a slot or stands in the list of facts. */
  private static boolean isKnown(String name, Set<String> known) {
    String path = name.replaceAll("^(\\.\\./)+", "");
    String first = path.split("[./]", 2)[0];
    return known.contains(path)
        || known.contains(first)
        || IN_FACTS.contains(first)
        || path.equals("facts");
  }

  private static String reason(String reason) {
    return reason.replaceAll("\\s+", " ").strip();
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

  private static Handlebars handlebars() {
    Handlebars handlebars = new Handlebars().with(EscapingStrategy.NOOP);
    handlebars.registerHelper(
        HelperRegistry.HELPER_MISSING, (context, options) -> String.valueOf(MISSING));
    return handlebars;
  }

  /**
   * A text that has no problems, made ready.
   *
   * @throws IllegalArgumentException if it can't be read, or has tags that aren't allowed
   */
  public static OwnText of(String source) {
    List<TagCheck.Finding> refused = TagCheck.depth(source);
    if (!refused.isEmpty()) {
      throw new IllegalArgumentException(refused.getFirst().why());
    }
    try {
      Template template = handlebars().compileInline(source);
      TagCheck.findings(source, name -> true).stream()
          .filter(f -> f.unknown().isEmpty())
          .findFirst()
          .ifPresent(
              f -> {
                throw new IllegalArgumentException(f.why());
              });
      return new OwnText(template, source.length());
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
    Steps steps = new Steps();
    values.put("facts", (Iterable<Map<String, String>>) () -> steps.counting(all.iterator()));
    Limited out = new Limited();
    try {
      // Values are looked up in the map alone: no method of an object can be called.
      template.apply(Context.newBuilder(values).resolver(steps).build(), out);
    } catch (IOException | HandlebarsException | TooMuch e) {
      Throwable why = e.getCause() instanceof TooMuch ? e.getCause() : e;
      throw new IllegalArgumentException(why.getMessage(), e);
    }
    return out.text.toString();
  }

  /** Says that filling the slots takes too much. */
  private static final class TooMuch extends RuntimeException {
    TooMuch(String message) {
      super(message);
    }
  }

  /** Counts what filling the slots takes, and stops a text that takes too much. */
  private final class Steps implements ValueResolver {
    private int taken;

    private void take() {
      taken++;
      if (taken > MOST_STEPS || (long) taken * length > MOST_WORK) {
        throw new TooMuch(
            "The text goes through its lists too often to be filled. Take fewer lists apart within one another.");
      }
    }

    private <T> Iterator<T> counting(Iterator<T> all) {
      return new Iterator<>() {
        @Override
        public boolean hasNext() {
          return all.hasNext();
        }

        @Override
        public T next() {
          take();
          return all.next();
        }
      };
    }

    @Override
    public Object resolve(Object context, String name) {
      take();
      return MapValueResolver.INSTANCE.resolve(context, name);
    }

    @Override
    public Object resolve(Object context) {
      return MapValueResolver.INSTANCE.resolve(context);
    }

    @Override
    public Set<Map.Entry<String, Object>> propertySet(Object context) {
      return MapValueResolver.INSTANCE.propertySet(context);
    }
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
