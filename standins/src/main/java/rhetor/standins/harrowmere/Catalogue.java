package rhetor.standins.harrowmere;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What Harrowmere's suppliers make. The same every time, so that sheets and pictures can be made
 * again.
 */
public final class Catalogue {
  /** The columns of Tolvane's sheet: German headings. */
  static final List<String> TOLVANE_HEADINGS =
      List.of(
          "Artikelnr.",
          "Bezeichnung",
          "Warengruppe",
          "Hersteller",
          "Obermaterial",
          "Volumen (l)",
          "Gewicht",
          "Maße",
          "Verschluss",
          "Befestigung",
          "Schutzart",
          "Farbe",
          "Reflektierend",
          "Außentaschen",
          "Einsatz",
          "Garantie (Jahre)",
          "EK",
          "UVP",
          "EAN",
          "Suchbegriff",
          "Beschreibung");

  static final List<String> KESTERING_HEADINGS =
      List.of(
          "SKU",
          "Name",
          "Product type",
          "Brand",
          "Material",
          "Thickness of bar or link",
          "Length",
          "Inner size",
          "Weight (g)",
          "Lock type",
          "Keys",
          "Security level",
          "Bracket",
          "Colour",
          "Coating",
          "Use",
          "Warranty",
          "Keyword",
          "RRP",
          "GTIN",
          "Image",
          "Description");

  /**
   * A product that stands in the shop already, with a picture.
   *
   * @param shape what the picture shows
   * @param colour its main colour, as a sheet names it
   * @param oldText the thin text that stands there now
   */
  public record Shown(String sku, String name, String shape, String colour, String oldText) {}

  private Catalogue() {}

  private record Bag(
      String group,
      String english,
      int litres,
      int grams,
      String sides,
      String closure,
      String mount,
      String rating,
      String use,
      String keyword) {}

  private static final List<Bag> BAGS =
      List.of(
          new Bag(
              "Packtaschen",
              "Roll Pannier",
              20,
              940,
              "32 x 42 x 17 cm",
              "Rollverschluss",
              "Haken für Rohre 8-16 mm",
              "IPX6",
              "Pendeln",
              "waterproof commuter pannier"),
          new Bag(
              "Packtaschen",
              "Tour Pannier",
              25,
              1120,
              "34 x 46 x 19 cm",
              "Rollverschluss",
              "Haken für Rohre 8-16 mm",
              "IPX6",
              "Radreise",
              "touring pannier"),
          new Bag(
              "Packtaschen",
              "Market Pannier",
              18,
              760,
              "36 x 34 x 16 cm",
              "Magnetschnalle",
              "Haken für Rohre 8-11 mm",
              "",
              "Einkaufen",
              "shopping pannier"),
          new Bag(
              "Packtaschen",
              "Office Pannier",
              16,
              980,
              "40 x 31 x 13 cm",
              "Reißverschluss",
              "Haken für Rohre 8-11 mm",
              "IPX4",
              "Pendeln",
              "waterproof office pannier"),
          new Bag(
              "Lenkertaschen",
              "Map Handlebar Bag",
              7,
              520,
              "24 x 21 x 15 cm",
              "Magnetschnalle",
              "Schnellverschluss-Halter",
              "IPX5",
              "Radreise",
              "handlebar bag"),
          new Bag(
              "Lenkertaschen",
              "Short Handlebar Bag",
              3,
              290,
              "22 x 13 x 11 cm",
              "Reißverschluss",
              "zwei Riemen",
              "IPX4",
              "Tagestouren",
              ""),
          new Bag(
              "Satteltaschen",
              "Wedge Saddle Bag",
              1,
              140,
              "16 x 9 x 8 cm",
              "Reißverschluss",
              "zwei Riemen",
              "IPX4",
              "Tagestouren",
              "small saddle bag"),
          new Bag(
              "Satteltaschen",
              "Long Saddle Bag",
              14,
              430,
              "58 x 16 x 15 cm",
              "Rollverschluss",
              "drei Riemen",
              "IPX5",
              "Bikepacking",
              "bikepacking saddle bag"),
          new Bag(
              "Rahmentaschen",
              "Half Frame Bag",
              4,
              210,
              "45 x 13 x 6 cm",
              "wasserdichter Reißverschluss",
              "drei Riemen",
              "IPX5",
              "Bikepacking",
              "frame bag"),
          new Bag(
              "Rucksäcke",
              "Lane Backpack",
              22,
              830,
              "30 x 48 x 16 cm",
              "Rollverschluss",
              "",
              "IPX5",
              "Pendeln",
              "cycling backpack"));

  private static final List<String> BAG_COLOURS =
      List.of("moosgrün", "schiefergrau", "ocker", "schwarz", "petrol");
  private static final List<String> BAG_MATERIALS =
      List.of(
          "Polyester recycelt", "Nylon TPU-beschichtet", "PVC-freie Plane", "Baumwolle gewachst");
  private static final String BAG_PROSE =
      "Tolvane bags have been sewn with care for riders who are out in all weathers. High quality workmanship and a timeless design make this bag your perfect companion for every ride.";

  /** Tolvane's rows, untidy as they came. */
  static List<List<String>> tolvane() {
    List<List<String>> rows = new ArrayList<>();
    int n = 0;
    for (Bag bag : BAGS) {
      int colours = bag.litres > 10 ? 5 : 3;
      for (int c = 0; c < colours; c++) {
        n++;
        String sku = "TV-%d%02d".formatted(10 + BAGS.indexOf(bag), c + 1);
        String material =
            BAG_MATERIALS.get((BAGS.indexOf(bag) + (c == 4 ? 1 : 0)) % BAG_MATERIALS.size());
        String weight = n % 7 == 3 ? german(bag.grams / 1000.0) + " kg" : bag.grams + " g";
        String prose = n % 5 == 0 ? "<p>" + BAG_PROSE + "</p><br />&nbsp;" : BAG_PROSE;
        if (n % 9 == 4) {
          prose += " It weighs " + (bag.grams + 160) + " g.";
        }
        if (n % 6 == 1) {
          prose += " Made of recycled polyester.";
        }
        if (!material.startsWith("Polyester")) {
          prose = prose.replace(" Made of recycled polyester.", "");
        }
        boolean shared = c == 0;
        rows.add(
            List.of(
                sku,
                bag.english + " " + bag.litres,
                bag.group,
                "Tolvane",
                n % 11 == 5 ? "" : material,
                n % 13 == 6 ? "k.A." : german(bag.litres),
                weight,
                bag.sides.replace(".", ","),
                bag.closure,
                bag.mount,
                bag.rating,
                BAG_COLOURS.get(c),
                bag.litres > 5 ? "ja" : "nein",
                String.valueOf(bag.litres / 8),
                n % 10 == 7 ? "" : bag.use,
                "5",
                german(bag.grams * 0.031),
                german(bag.grams * 0.074),
                gtin("42610%07d".formatted(n * 137)),
                shared ? bag.keyword : "",
                prose));
      }
    }
    rows.add(12, rows.get(11));
    return rows;
  }

  private static String german(double number) {
    String text =
        String.format(Locale.ROOT, "%.2f", number).replaceAll("0+$", "").replaceAll("\\.$", "");
    return text.replace('.', ',');
  }

  /** Twelve digits with their check digit (GS1 General Specifications, 7.9). */
  static String gtin(String twelve) {
    int sum = 0;
    for (int i = 0; i < 12; i++) {
      sum += (twelve.charAt(i) - '0') * (i % 2 == 0 ? 1 : 3);
    }
    return twelve + (10 - sum % 10) % 10;
  }

  private record Lock(
      String type,
      String name,
      String material,
      String thickness,
      String length,
      String inner,
      int grams,
      String mechanism,
      int level,
      String keyword) {}

  private static final List<Lock> LOCKS =
      List.of(
          new Lock(
              "U-locks",
              "Bastion U-Lock 14",
              "hardened steel",
              "14 mm",
              "",
              "102 x 203 mm",
              1450,
              "key cylinder",
              8,
              "U-lock"),
          new Lock(
              "U-locks",
              "Bastion U-Lock 16",
              "hardened steel",
              "16 mm",
              "",
              "108 x 230 mm",
              1720,
              "key cylinder",
              9,
              "heavy U-lock"),
          new Lock(
              "U-locks",
              "Gatepost U-Lock 12",
              "hardened steel",
              "12 mm",
              "",
              "83 x 150 mm",
              980,
              "key cylinder",
              6,
              "compact U-lock"),
          new Lock(
              "Chain locks",
              "Tether Chain Lock 8",
              "hardened steel",
              "8 mm",
              "90 cm",
              "",
              1900,
              "key cylinder",
              7,
              "chain lock"),
          new Lock(
              "Chain locks",
              "Tether Chain Lock 10",
              "hardened steel",
              "10 mm",
              "110 cm",
              "",
              3150,
              "key cylinder",
              9,
              "bicycle chain lock"),
          new Lock(
              "Chain locks",
              "Twine Chain Lock 6",
              "steel",
              "6 mm",
              "1.2 m",
              "",
              1150,
              "four-digit combination",
              4,
              ""),
          new Lock(
              "Folding locks",
              "Hinge Folding Lock 85",
              "hardened steel",
              "5 mm",
              "85 cm",
              "",
              1240,
              "key cylinder",
              7,
              "folding lock"),
          new Lock(
              "Folding locks",
              "Hinge Folding Lock 100",
              "hardened steel",
              "5.5 mm",
              "100 cm",
              "",
              1480,
              "key cylinder",
              8,
              "unbreakable folding lock"),
          new Lock(
              "Cable locks",
              "Coil Cable Lock 12",
              "steel",
              "12 mm",
              "180 cm",
              "",
              620,
              "four-digit combination",
              3,
              "cable lock"),
          new Lock(
              "Frame locks",
              "Spoke Frame Lock",
              "hardened steel",
              "8.5 mm",
              "",
              "",
              690,
              "key cylinder",
              5,
              "frame lock"));

  private static final List<String> LOCK_COLOURS =
      List.of("Black", "Moss green", "Brick red", "Slate grey");
  private static final List<String> LOCK_PROSE =
      List.of(
          "Good lock. Very strong!! Buy now.",
          "Kestering locks keep your bike safe. The best lock on the market, guaranteed unbreakable.",
          "KESTERING - SECURITY SINCE FOREVER<br>Tested.&nbsp;Trusted.",
          "",
          "See name. Comes with bracket.");

  /** Kestering's rows: a clean sheet with poor prose. */
  static List<List<String>> kestering() {
    List<List<String>> rows = new ArrayList<>();
    int n = 0;
    for (Lock lock : LOCKS) {
      for (int c = 0; c < 4; c++) {
        n++;
        boolean key = lock.mechanism.startsWith("key");
        String prose =
            LOCK_PROSE.get(n % LOCK_PROSE.size())
                + (n % 8 == 2 ? " Weight " + (lock.grams + 240) + " g." : "");
        rows.add(
            List.of(
                "KL-%d%d".formatted(200 + LOCKS.indexOf(lock) * 10, c + 1),
                n % 12 == 5 ? lock.name.toUpperCase(Locale.ROOT) : lock.name,
                lock.type,
                "Kestering",
                n % 14 == 6 ? "" : lock.material,
                lock.thickness,
                lock.length,
                lock.inner,
                n % 15 == 4 ? "" : String.valueOf(lock.grams),
                lock.mechanism,
                key ? "2" : "",
                lock.level + " of 10",
                lock.type.equals("Frame locks") ? "" : n % 2 == 0 ? "a frame bracket" : "",
                LOCK_COLOURS.get(c),
                c == 1 ? "textile sleeve" : "rubberised",
                lock.level >= 7 ? "city streets" : "short stops",
                key ? "3 years" : "2 years",
                c == 0 ? lock.keyword : "",
                "£" + (lock.level * 9 + c) + ".95",
                gtin("50601%07d".formatted(n * 211)),
                "kl-%d%d.png".formatted(200 + LOCKS.indexOf(lock) * 10, c + 1),
                prose.strip()));
      }
    }
    rows.add(20, rows.get(19));
    return rows;
  }

  private record Light(
      String name, String type, int lumens, double hours, int grams, String rating) {}

  static final List<Light> LIGHTS =
      List.of(
          new Light("Lantern Front 400", "Front light", 400, 6, 118, "IPX4"),
          new Light("Lantern Front 800", "Front light", 800, 5, 164, "IPX5"),
          new Light("Beacon Front 1200", "Front light", 1200, 4.5, 210, "IPX6"),
          new Light("Ember Rear 40", "Rear light", 40, 12, 38, "IPX4"),
          new Light("Ember Rear 90", "Rear light", 90, 9, 52, "IPX5"),
          new Light("Dusk Light Set", "Light set", 450, 6, 160, "IPX4"));

  /** The columns of Brightwick's sheet; a merged heading groups two of them. */
  static final List<String> BRIGHTWICK_HEADINGS =
      List.of(
          "Ref",
          "Product",
          "Type",
          "Output",
          "Run time",
          "Weight",
          "IP",
          "Mount",
          "Charging",
          "Modes",
          "Trade",
          "Picture");

  /** Where Brightwick's pictures are said to be. */
  public static final String BRIGHTWICK_PICTURES = "pictures.brightwick.example";

  /** Brightwick's rows, below three rows of preamble and a merged heading. */
  static List<List<String>> brightwick() {
    List<List<String>> rows = new ArrayList<>();
    String[] mounts = {
      "rubber strap", "clamp 22-35 mm", "seatpost clip", "rack plate", "helmet clip", "fork crown"
    };
    for (Light light : LIGHTS) {
      for (int m = 0; m < mounts.length; m++) {
        String hours =
            m % 2 == 0
                ? String.format(Locale.ROOT, "%.1f h", light.hours)
                : (int) (light.hours * 60) + " min";
        rows.add(
            List.of(
                "BW%03d%d".formatted(LIGHTS.indexOf(light) * 10 + 100, m),
                light.name,
                light.type,
                light.lumens + " lm",
                hours,
                light.grams + "g",
                light.rating,
                mounts[m],
                m == 3 ? "" : "USB-C",
                m == 4 ? "n/a" : "5 modes",
                String.valueOf(24.5 + light.lumens / 20.0),
                m > 2
                    ? ""
                    : "https://%s/%s.png"
                        .formatted(
                            BRIGHTWICK_PICTURES,
                            "bw%03d%d".formatted(LIGHTS.indexOf(light) * 10 + 100, m))));
      }
    }
    return rows;
  }

  /** Oskerby's rows as JSON, one garment on a line, with sizes and colours nested. */
  static List<String> oskerby() {
    List<String> lines = new ArrayList<>();
    String[][] garments = {
      {"Drizzle Jacket", "jacket", "recycled nylon", "10000", "320"},
      {"Downpour Jacket", "jacket", "nylon", "20000", "410"},
      {"Puddle Overtrousers", "overtrousers", "recycled nylon", "10000", "240"},
      {"Ford Overshoes", "overshoes", "neoprene", "", "180"},
      {"Sleet Gloves", "gloves", "polyester", "8000", "95"},
      {"Squall Cape", "cape", "nylon", "10000", "290"}
    };
    for (int g = 0; g < garments.length; g++) {
      for (int v = 0; v < 6; v++) {
        String[] x = garments[g];
        lines.add(
            "{\"ref\":\"OS-%d%d\",\"title\":\"%s%s\",\"kind\":\"%s\",\"fabric\":{\"shell\":\"%s\",\"waterColumnMm\":%s},\"weight\":\"%s g\",\"hood\":%s,\"sizes\":[\"S\",\"M\",\"L\"%s],\"colours\":[{\"name\":\"%s\",\"code\":\"%03d\"}],\"care\":\"Machine wash at 30 °C\"}"
                .formatted(
                    g + 1,
                    v,
                    x[0],
                    v > 2 ? " II" : "",
                    x[1],
                    x[2],
                    x[3].isEmpty() ? "null" : x[3],
                    x[4],
                    x[1].equals("jacket") || x[1].equals("cape"),
                    v % 2 == 0 ? ",\"XL\"" : "",
                    List.of("hi-vis yellow", "navy blue", "slate grey").get(v % 3),
                    g * 10 + v));
      }
    }
    return lines;
  }

  /** The lights that Brightwick has pictures of. */
  public static List<Shown> lit() {
    return brightwick().stream()
        .filter(row -> !row.getLast().isEmpty())
        .map(row -> new Shown(row.get(0), row.get(1), row.get(2), "black", ""))
        .toList();
  }

  /** The products that the shop has already, each with a picture. */
  public static List<Shown> shown() {
    List<Shown> shown = new ArrayList<>();
    List<List<String>> bags = tolvane();
    for (int i = 0; i < bags.size() && shown.size() < 22; i += 2) {
      List<String> row = bags.get(i);
      shown.add(
          new Shown(
              row.get(0),
              "Tolvane " + row.get(1),
              row.get(2),
              row.get(11),
              "Tolvane bag. High quality workmanship and a timeless design."));
    }
    List<List<String>> locks = kestering();
    for (int i = 0; i < locks.size() && shown.size() < 40; i += 2) {
      List<String> row = locks.get(i);
      shown.add(
          new Shown(
              row.get(0),
              row.get(1),
              row.get(2),
              row.get(13).toLowerCase(Locale.ROOT),
              "Good lock. Very strong!!"));
    }
    return shown.stream()
        .filter(
            s -> shown.stream().filter(o -> o.sku().equals(s.sku())).findFirst().orElseThrow() == s)
        .toList();
  }
}
