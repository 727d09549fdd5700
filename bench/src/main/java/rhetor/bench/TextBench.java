package rhetor.bench;

import com.github.jknack.handlebars.Handlebars;
import com.github.jknack.handlebars.Template;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.text.Draft;

/** What the composed texts of a made-up range of many trades are like, and how fast they come. */
final class TextBench {
  private static final int RUN = 5;
  private static final int OPENING = 8;
  private static final int WARM_UPS = 90;
  private static final int FILLS = 10;
  private static final int TO_READ = 40;

  private TextBench() {}

  private record Written(ProductFacts product, Voice voice, Draft draft, Audit audit) {}

  static void run() throws IOException {
    List<ProductFacts> products = MadeUpRange.products();
    speed(products);
    Map<Voice, List<Written>> byVoice = new LinkedHashMap<>();
    for (Voice voice : Voices.all()) {
      List<Written> all = write(products, voice);
      byVoice.put(voice, all);
      measure(voice.id(), all);
    }
    List<Written> plain = byVoice.get(Voices.plain());
    System.out.printf(
        "text products=%d classes=%d%n",
        plain.size(),
        plain.stream()
            .map(w -> w.product.productClass())
            .filter(c -> !c.isEmpty())
            .distinct()
            .count());
    System.out.printf(
        Locale.ROOT,
        "text likeness-to-supplier-p95=%.3f%n",
        percentile(
            plain.stream()
                .mapToDouble(w -> Checker.likeness(w.draft.prose(), w.product.supplierText()))));
    Map<String, List<String>> texts = new LinkedHashMap<>();
    byVoice.forEach((v, all) -> texts.put(v.id(), all.stream().map(TextBench::prose).toList()));
    VoiceGuess.print(texts);
    Grammar.print(texts);
  }

  /** Measured before the grammar checker is loaded, whose dictionaries would crowd the heap. */
  private static void speed(List<ProductFacts> products) throws IOException {
    List<Written> plain = write(products, Voices.plain());
    double ours =
        Bench.compare(
            "text-" + plain.size(),
            WARM_UPS,
            15,
            () -> write(products, Voices.plain()),
            FILLS,
            () -> fill(plain));
    double both = Bench.millis(5, 5, () -> writeOnTwoCores(products));
    System.out.printf(
        "text products-per-second=%.0f on-two-cores=%.0f%n",
        plain.size() / ours * 1000, plain.size() / both * 1000);
  }

  private static void measure(String voice, List<Written> all) {
    List<Set<String>> runs = all.stream().map(w -> runs(prose(w))).toList();
    double[] lengths =
        all.stream()
            .flatMap(w -> Arrays.stream(prose(w).split("(?<=[.!?])\\s+")))
            .mapToDouble(s -> s.split("\\s+").length)
            .toArray();
    double mean = Arrays.stream(lengths).average().orElse(0);
    double spread =
        Math.sqrt(Arrays.stream(lengths).map(l -> (l - mean) * (l - mean)).average().orElse(0));
    System.out.printf(
        Locale.ROOT,
        "text-%s statements-without-support=%d must-fix=%d likeness-p95=%.3f resemblance-p95=%.3f keyword-word-for-word=%.3f openings-per-100=%.1f words-per-sentence=%.1f spread=%.1f%n",
        voice,
        marks(all, "support"),
        mustFix(all),
        likeness(runs, false),
        likeness(runs, true),
        keywordShare(all),
        openings(all) * 100.0 / all.size(),
        mean,
        spread);
  }

  /** Prints texts of all classes and voices, drawn at random, to be read. */
  static void read(long seed) throws IOException {
    Random random = new Random(seed);
    List<Written> all = new ArrayList<>();
    List<ProductFacts> products = MadeUpRange.products();
    for (Voice voice : Voices.all()) {
      all.addAll(write(products, voice));
    }
    Collections.shuffle(all, random);
    all.subList(0, TO_READ).forEach(TextBench::show);
  }

  private static List<Written> write(List<ProductFacts> products, Voice voice) {
    Composer composer =
        new Composer(
            Knowledge.standard(),
            1,
            new Variety(),
            RangeFigures.of(products, Knowledge.standard()));
    Checker checker = new Checker(Knowledge.standard());
    List<Written> all = new ArrayList<>();
    for (ProductFacts product : products) {
      Draft draft = composer.compose(Brief.of(product).in(voice));
      all.add(new Written(product, voice, draft, checker.check(draft, product, product.keyword())));
    }
    return all;
  }

  private static void writeOnTwoCores(List<ProductFacts> products) {
    int half = products.size() / 2;
    Thread other =
        Thread.ofPlatform().start(() -> write(products.subList(0, half), Voices.plain()));
    write(products.subList(half, products.size()), Voices.plain());
    try {
      other.join();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  private static long marks(List<Written> all, String check) {
    return all.stream()
        .flatMap(w -> w.audit.marks().stream())
        .filter(m -> m.check().equals(check))
        .count();
  }

  private static long mustFix(List<Written> all) {
    all.stream()
        .flatMap(w -> w.audit.marks().stream())
        .filter(m -> m.weight() == Mark.Weight.MUST_FIX)
        .collect(Collectors.groupingBy(Mark::check, Collectors.counting()))
        .forEach((check, n) -> System.out.printf("text must-fix-%s=%d%n", check, n));
    return all.stream().mapToLong(w -> w.audit.mustFix().size()).sum();
  }

  private static String prose(Written w) {
    return w.draft.prose();
  }

  private static Set<String> runs(String text) {
    String[] words = text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+");
    Set<String> runs = new HashSet<>();
    for (int i = 0; i + RUN <= words.length; i++) {
      runs.add(String.join(" ", Arrays.copyOfRange(words, i, i + RUN)));
    }
    return runs;
  }

  /**
   * How like each text is to the one most like it, by its five-word runs; the 95th percentile.
   *
   * @param resemblance whether shared runs are set against those of both texts (Broder, 1997: the
   *     resemblance), else against the text's own (the containment, never the smaller)
   */
  private static double likeness(List<Set<String>> runs, boolean resemblance) {
    Map<String, List<Integer>> where = new HashMap<>();
    for (int i = 0; i < runs.size(); i++) {
      for (String run : runs.get(i)) {
        where.computeIfAbsent(run, r -> new ArrayList<>()).add(i);
      }
    }
    double[] most = new double[runs.size()];
    for (int i = 0; i < runs.size(); i++) {
      Map<Integer, Integer> shared = new HashMap<>();
      for (String run : runs.get(i)) {
        for (int other : where.get(run)) {
          if (other != i) {
            shared.merge(other, 1, Integer::sum);
          }
        }
      }
      int own = runs.get(i).size();
      for (Map.Entry<Integer, Integer> other : shared.entrySet()) {
        int both = other.getValue();
        int set = resemblance ? own + runs.get(other.getKey()).size() - both : own;
        most[i] = Math.max(most[i], both / (double) set);
      }
    }
    return percentile(Arrays.stream(most));
  }

  /** The 95th percentile. */
  private static double percentile(DoubleStream values) {
    double[] sorted = values.sorted().toArray();
    return sorted[(int) (sorted.length * 0.95)];
  }

  /** Of the products with a keyword that their facts allow, how many have it word for word. */
  private static double keywordShare(List<Written> all) {
    List<Written> asked =
        all.stream()
            .filter(w -> !w.product.keyword().isEmpty())
            .filter(
                w -> w.audit.marks().stream().noneMatch(m -> m.check().equals("keyword conflict")))
            .toList();
    long there =
        asked.stream()
            .filter(
                w ->
                    (w.draft.plain(Field.TITLE) + " " + prose(w))
                        .toLowerCase(Locale.ROOT)
                        .contains(w.product.keyword().toLowerCase(Locale.ROOT)))
            .count();
    return asked.isEmpty() ? 0 : there / (double) asked.size();
  }

  /** Openings that differ in their first words, names and figures apart. */
  private static long openings(List<Written> all) {
    return all.stream()
        .map(
            w -> {
              String text = prose(w).replace(w.product.name(), "N");
              text =
                  w.product.fact("brand").map(b -> b.source().raw()).isPresent()
                      ? text.replace(w.product.fact("brand").get().source().raw(), "B")
                      : text;
              return Arrays.stream(text.replaceAll("\\d[\\d.,]*", "0").split("\\s+"))
                  .limit(OPENING)
                  .collect(Collectors.joining(" "));
            })
        .distinct()
        .count();
  }

  /** All fields, highlights too, in about as many characters as the composer's. */
  private static final String TEMPLATE =
      """
      {{name}} - {{kind}}
      The {{name}} is a {{kind}}. It has {{a}}, {{b}} and {{c}}. It comes with {{d}} and {{e}}.
      <p>The {{name}} is a {{kind}}. It has {{a}}, {{b}} and {{c}}. It comes with {{d}} and {{e}}.</p><h3>Specification</h3><ul>{{#facts}}<li>{{label}}: {{raw}}</li>{{/facts}}</ul>
      {{name}} | {{kind}}
      {{name}}, a {{kind}} with {{a}}, {{b}} and {{c}}. It comes with {{d}}.
      <ul>{{#facts}}<li>{{label}}: {{raw}}</li>{{/facts}}</ul>
      {{kind}}, {{a}}, {{b}}, {{c}}
      {{name}}, {{kind}}
      """;

  private static void fill(List<Written> all) throws IOException {
    Template template = new Handlebars().compileInline(TEMPLATE);
    int length = 0;
    for (Written w : all) {
      Map<String, Object> values = new HashMap<>();
      values.put("name", w.product.name());
      values.put("kind", w.product.kindNoun());
      List<Map<String, String>> facts = new ArrayList<>();
      int i = 0;
      for (Fact f : w.product.facts()) {
        facts.add(Map.of("label", f.label(), "raw", f.source().raw()));
        values.put(String.valueOf((char) ('a' + i++)), f.source().raw());
      }
      values.put("facts", facts);
      length += template.apply(values).length();
    }
    if (length == 0) {
      throw new IllegalStateException("nothing was filled");
    }
  }

  private static void show(Written w) {
    System.out.printf(
        "%n[%s, %s] %s%n%s%n",
        w.product.productClass(), w.voice.id(), w.draft.plain(Field.TITLE), w.draft.prose());
    for (Field field : List.of(Field.SHORT_DESCRIPTION, Field.HIGHLIGHTS, Field.META_DESCRIPTION)) {
      System.out.println("  " + field.code() + ": " + w.draft.plain(field).replace("\n", " / "));
    }
    w.audit
        .marks()
        .forEach(m -> System.out.println("   ! " + m.check() + ": " + m.words() + " " + m.why()));
  }
}
