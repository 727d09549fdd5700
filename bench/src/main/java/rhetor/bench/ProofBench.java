package rhetor.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Choosing among 100,000 products and signing 10,000 of their texts off by a rule, over HTTP,
 * against bare SQL of the same.
 */
final class ProofBench {
  private static final int PRODUCTS = 100_000;
  private static final int TEXTS = 10_000;
  private static final int ASKED = 60;
  private static final int ROUNDS = 3;

  /** What people change in the sentence over a list, each with the bare query of it. */
  private static final List<String[]> CHOICES =
      List.of(
          new String[] {
            "state=PROOF&order=LEAST_READY", "stage = 'DRAFTED' order by readiness, id"
          },
          new String[] {"order=NAME", "true order by name, id"},
          new String[] {
            "kind=bench&state=PROOF&order=MOST_READY", "kind = 'bench' order by readiness desc, id"
          },
          new String[] {"brand=Rare&order=SHEET", "brand = 'Rare' order by id"},
          new String[] {"atLeast=90&state=READY", "readiness >= 90 and must_fix = 0 order by id"},
          new String[] {
            "below=50&state=PROOF&order=LEAST_READY", "readiness < 50 order by readiness, id"
          });

  private ProofBench() {}

  static void run(Path folder) throws IOException {
    Path house = folder.resolve("proof");
    try (ConfigurableApplicationContext app = IntakeBench.start(house)) {
      JdbcTemplate jdbc = app.getBean(JdbcTemplate.class);
      AuditBench.fill(jdbc, PRODUCTS);
      jdbc.update("update product set kind = 'bench' where mod(id, 3) = 0");
      jdbc.update("update product set brand = 'Rare' where mod(id, 5000) = 0");
      jdbc.update("update product set kind = 'stool' where id <= ?", TEXTS);
    }
    // Names and counts are read when the house opens.
    try (ConfigurableApplicationContext app = IntakeBench.start(house)) {
      JdbcTemplate jdbc = app.getBean(JdbcTemplate.class);
      IntakeBench.Browser browser = IntakeBench.owner(app);
      choose(browser, jdbc);
      signOff(browser, jdbc);
    }
  }

  private static void choose(IntakeBench.Browser browser, JdbcTemplate jdbc) throws IOException {
    double[] ours = new double[ASKED];
    double[] plain = new double[ASKED];
    for (int i = -CHOICES.size(); i < ASKED; i++) {
      String[] choice = CHOICES.get(Math.floorMod(i, CHOICES.size()));
      double page = Bench.millis(0, 1, () -> browser.get("/api/products?limit=60&" + choice[0]));
      // Another bound each time: the database keeps the answer to a query that it had before.
      String bare = "select * from product where id > %d and %s limit 60".formatted(-i, choice[1]);
      double sql = Bench.millis(0, 1, () -> jdbc.queryForList(bare));
      if (i >= 0) {
        ours[i] = page;
        plain[i] = sql;
      }
    }
    Arrays.sort(ours);
    Arrays.sort(plain);
    Bench.print(
        "choose-" + PRODUCTS + "-p95", "ms", ours[ASKED * 95 / 100], plain[ASKED * 95 / 100]);
  }

  private static void signOff(IntakeBench.Browser browser, JdbcTemplate jdbc) throws IOException {
    double[] ours = new double[ROUNDS];
    double[] back = new double[ROUNDS];
    double[] bare = new double[ROUNDS];
    String which = "{\"state\":\"PROOF\",\"kind\":\"stool\"}";
    for (int i = 0; i < ROUNDS; i++) {
      String order = "{\"deed\":\"SIGN_OFF\",\"which\":%s,\"seen\":%d}".formatted(which, TEXTS);
      String[] answer = new String[1];
      ours[i] =
          Bench.millis(
              0,
              1,
              () -> {
                browser.post("/api/acts/forecast", order);
                answer[0] = browser.post("/api/acts", order);
              });
      String id = answer[0].replaceFirst("(?s).*?\"id\":(\\d+).*", "$1");
      back[i] = Bench.millis(0, 1, () -> browser.post("/api/acts/" + id + "/take-back", "{}"));
      bare[i] =
          Bench.millis(
              0,
              1,
              () ->
                  jdbc.update(
                      "update product set stage = 'SIGNED_OFF' where kind = 'stool' and must_fix = 0"));
      jdbc.update("update product set stage = 'DRAFTED' where kind = 'stool'");
    }
    Arrays.sort(ours);
    Arrays.sort(back);
    Arrays.sort(bare);
    Bench.print("sign-off-" + TEXTS, "ms", ours[ROUNDS / 2], bare[ROUNDS / 2]);
    System.out.printf(Locale.ROOT, "sign-off-%d taken-back-ms=%.0f%n", TEXTS, back[ROUNDS / 2]);
  }
}
