package rhetor.core.check;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.LabelledSheets;
import rhetor.core.reading.SettledReading;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Texts for sheets that nobody prepared for, with an editor's verdict on each and its sentences.
 */
public final class Verdicts {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /**
   * One text.
   *
   * @param publish whether an editor would publish it as it stands; the others go back
   * @param sentences those of its description, with the editor's labels: OK, DRY, BAD, FALSE, LEAK;
   *     a copywriter's are all OK
   */
  public record Text(
      boolean publish, ProductFacts product, Draft draft, List<Labelled> sentences) {}

  /** A sentence with its label. */
  public record Labelled(String text, String label) {}

  private Verdicts() {}

  /** All texts of the folders of verdicts and of the sheets that they are about. */
  public static List<Text> in(Path verdicts, Path sheets, Knowledge knowledge) throws IOException {
    Map<String, Map<String, ProductFacts>> products = new HashMap<>();
    for (LabelledSheets.Labelled sheet : LabelledSheets.in(sheets)) {
      products.put(sheet.toString(), SettledReading.products(sheet, knowledge));
    }
    List<Text> texts = new ArrayList<>();
    try (Stream<Path> files = Files.list(verdicts.resolve("copy"))) {
      for (Path file : files.sorted().toList()) {
        for (JsonNode each : JSON.readTree(file.toFile())) {
          ProductFacts product =
              products.get(each.get("sheet").asString()).get(each.get("code").asString());
          if (product != null) {
            texts.add(copy(each.get("fields"), product));
          }
        }
      }
    }
    for (JsonNode each : JSON.readTree(verdicts.resolve("judged.json").toFile())) {
      Map<String, ProductFacts> of = products.get(each.get("sheet").asString());
      Optional<ProductFacts> product =
          of.keySet().stream()
              .filter(sku -> hasCell(each.get("row"), sku))
              .findFirst()
              .map(of::get);
      boolean isRewritten = each.get("verdict").asString().equals("rewrite");
      if (product.isPresent() && isRewritten) {
        List<Labelled> sentences = new ArrayList<>();
        each.get("sentences")
            .forEach(
                s ->
                    sentences.add(
                        new Labelled(s.get("text").asString(), s.get("label").asString())));
        texts.add(
            new Text(
                false, product.get(), draft(each.get("title").asString(), sentences), sentences));
      }
    }
    return texts;
  }

  private static boolean hasCell(JsonNode row, String sku) {
    for (JsonNode cell : row) {
      if (cell.asString().equals(sku)) {
        return true;
      }
    }
    return false;
  }

  private static Text copy(JsonNode fields, ProductFacts product) {
    List<Labelled> sentences = new ArrayList<>();
    for (String part : fields.get("description").asString().split("</?(?:p|ul|li)>")) {
      String text = part.replaceAll("<[^>]+>", "").replace("&amp;", "&").strip();
      for (String sentence : text.split("(?<=[.!?]) (?=\\p{Lu})")) {
        if (!sentence.isBlank()) {
          sentences.add(new Labelled(sentence, "OK"));
        }
      }
    }
    return new Text(true, product, draft(fields.get("title").asString(), sentences), sentences);
  }

  private static Draft draft(String title, List<Labelled> sentences) {
    Map<Field, List<Block>> fields = new EnumMap<>(Field.class);
    fields.put(
        Field.TITLE,
        List.of(new Block(Block.Kind.PARAGRAPH, List.of(new Sentence(title, List.of())))));
    fields.put(
        Field.DESCRIPTION,
        List.of(
            new Block(
                Block.Kind.PARAGRAPH,
                sentences.stream().map(s -> new Sentence(s.text(), List.of())).toList())));
    return new Draft(fields);
  }
}
