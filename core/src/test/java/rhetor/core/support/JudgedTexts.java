package rhetor.core.support;

import java.io.IOException;
import java.io.InputStream;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.LabelledSheets;
import rhetor.core.reading.LabelledSheets.Labelled;
import rhetor.core.reading.SettledReading;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Sentences about products of many trades, each labelled by reading: true, or what sort of lie. */
public final class JudgedTexts {
  private static final YAMLMapper YAML = YAMLMapper.builder().build();

  private JudgedTexts() {}

  private record Lie(String kind, String text) {}

  private record Product(String sku, List<String> so, List<Lie> lies) {}

  private record Trade(String sheet, List<Product> products) {}

  /**
   * One sentence.
   *
   * @param trade the file that it stands in; trades are kept together, so that none is fitted on
   *     and tested with
   * @param kind what sort of lie it is; empty for a true one
   */
  public record Judged(String trade, ProductFacts product, String text, String kind) {
    public boolean isTrue() {
      return kind.isEmpty();
    }
  }

  /** All sentences, trade by trade. */
  public static List<Judged> all(Knowledge knowledge) throws IOException {
    try {
      Path judged = Path.of(JudgedTexts.class.getResource("/judged").toURI());
      return in(judged, judged.getParent(), knowledge);
    } catch (URISyntaxException e) {
      throw new IOException(e);
    }
  }

  /** The sentences of a folder about products of labelled sheets, which stand in others. */
  public static List<Judged> in(Path folder, Path resources, Knowledge knowledge)
      throws IOException {
    Map<String, Map<String, Labelled>> labelled = new HashMap<>();
    List<Judged> all = new ArrayList<>();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.sorted().toList()) {
        Trade trade;
        try (InputStream in = Files.newInputStream(file)) {
          trade = YAML.readValue(in, Trade.class);
        }
        String[] path = trade.sheet().split("/");
        if (!labelled.containsKey(path[0])) {
          labelled.put(path[0], byName(resources.resolve(path[0])));
        }
        String sheet = path[1];
        Map<String, ProductFacts> products =
            SettledReading.products(labelled.get(path[0]).get(sheet), knowledge);
        for (Product product : trade.products()) {
          ProductFacts facts =
              Objects.requireNonNull(
                  products.get(product.sku()),
                  () -> product.sku() + " is none of " + products.keySet());
          product.so().forEach(s -> all.add(new Judged(sheet, facts, s, "")));
          product.lies().forEach(l -> all.add(new Judged(sheet, facts, l.text(), l.kind())));
        }
      }
    }
    return all;
  }

  private static Map<String, Labelled> byName(Path sheets) throws IOException {
    return LabelledSheets.in(sheets).stream()
        .collect(Collectors.toMap(Labelled::toString, Function.identity()));
  }

  /** Every second trade: to be fitted on, or to be tested with. */
  public static List<Judged> half(List<Judged> all, boolean isToFit) {
    List<String> trades = all.stream().map(Judged::trade).distinct().toList();
    return all.stream().filter(j -> trades.indexOf(j.trade()) % 2 == 0 == isToFit).toList();
  }
}
