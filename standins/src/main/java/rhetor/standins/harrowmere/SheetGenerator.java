package rhetor.standins.harrowmere;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;

/** Makes sheets of any size from the demo house's vocabulary, for measurements. */
public final class SheetGenerator {
  /** The generated sheet's columns. */
  public static final List<String> HEADINGS =
      List.of(
          "SKU",
          "Name",
          "Category",
          "Brand",
          "Material",
          "Capacity",
          "Weight",
          "Dimensions",
          "Closure",
          "Mounting",
          "IP rating",
          "Colour",
          "Reflective",
          "Pockets",
          "Use",
          "Warranty",
          "Price",
          "Keyword",
          "Description");

  private static final List<String> FIRST =
      List.of(
          "Roll",
          "Tour",
          "Market",
          "Office",
          "Lane",
          "Fen",
          "Ridge",
          "Harbour",
          "Quarry",
          "Meadow",
          "Copse",
          "Weir",
          "Causeway",
          "Heath",
          "Moor",
          "Spinney");
  private static final List<String> KINDS =
      List.of("Pannier", "Handlebar Bag", "Saddle Bag", "Frame Bag", "Backpack");
  private static final List<String> MATERIALS =
      List.of(
          "recycled polyester",
          "TPU-coated nylon",
          "PVC-free tarpaulin",
          "waxed cotton",
          "ripstop nylon",
          "polyester");
  private static final List<String> COLOURS =
      List.of(
          "moss green", "slate grey", "ochre", "black", "teal", "brick red", "navy blue", "sand");
  private static final List<String> CLOSURES =
      List.of("roll-top", "zip", "magnetic buckle", "drawcord", "flap");
  private static final List<String> MOUNTS =
      List.of(
          "hooks for rails from 8 to 11 mm",
          "hooks for rails from 8 to 16 mm",
          "two straps",
          "three straps",
          "");
  private static final List<String> RATINGS = List.of("IPX4", "IPX5", "IPX6", "", "");
  private static final List<String> USES =
      List.of("commuting", "touring", "shopping", "bikepacking", "day rides", "");
  private static final List<String> PROSE =
      List.of(
          "Sewn with care for riders who are out in all weathers.",
          "A bag for the long way round. Made of strong cloth.",
          "<p>Timeless design.</p>",
          "");

  private final long seed;

  public SheetGenerator(long seed) {
    this.seed = seed;
  }

  /** Writes a comma-separated UTF-8 sheet with so many rows below the headings. */
  public void write(int rows, Path file) throws IOException {
    Random random = new Random(seed);
    try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      out.write(String.join(",", HEADINGS) + "\n");
      for (int i = 1; i <= rows; i++) {
        String kind = pick(random, KINDS);
        int litres = 1 + random.nextInt(30);
        int grams = 90 + random.nextInt(1500);
        String name = pick(random, FIRST) + " " + kind + " " + litres;
        String keyword = random.nextInt(3) == 0 ? kind.toLowerCase(java.util.Locale.ROOT) : "";
        String weight = random.nextInt(20) == 0 ? "" : grams + " g";
        out.write(
            String.join(
                ",",
                "GN-%06d".formatted(i),
                name,
                kind,
                "Fennimore",
                pick(random, MATERIALS),
                litres + " l",
                weight,
                "%d x %d x %d cm"
                    .formatted(
                        10 + random.nextInt(30), 10 + random.nextInt(40), 5 + random.nextInt(15)),
                pick(random, CLOSURES),
                pick(random, MOUNTS),
                pick(random, RATINGS),
                pick(random, COLOURS),
                random.nextBoolean() ? "yes" : "no",
                String.valueOf(random.nextInt(5)),
                pick(random, USES),
                (1 + random.nextInt(5)) + " years",
                "£" + (19 + random.nextInt(120)) + ".00",
                keyword,
                pick(random, PROSE)));
        out.write("\n");
      }
    }
  }

  private static String pick(Random random, List<String> list) {
    return list.get(random.nextInt(list.size()));
  }
}
