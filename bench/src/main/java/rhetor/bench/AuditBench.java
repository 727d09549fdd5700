package rhetor.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * The audit of 10,000 and of 100,000 products over HTTP while their findings change, against
 * counting them in the database each time.
 */
final class AuditBench {
  private static final int ASKED = 60;
  private static final List<String> CAUSES =
      List.of(
          "length",
          "keyword",
          "repetition",
          "likeness",
          "banned word",
          "spelling",
          "sentence length",
          "house sentence",
          "voice",
          "missing");
  private static final List<String> FIELDS =
      List.of("TITLE", "DESCRIPTION", "META_TITLE", "META_DESCRIPTION");

  private AuditBench() {}

  static void run(Path folder) throws IOException {
    double[] ninetyFifth = new double[2];
    for (int k = 0; k < 2; k++) {
      int products = k == 0 ? 10_000 : 100_000;
      try (ConfigurableApplicationContext app =
          IntakeBench.start(folder.resolve("audit-" + products))) {
        JdbcTemplate jdbc = app.getBean(JdbcTemplate.class);
        fill(jdbc, products);
        IntakeBench.Browser browser = IntakeBench.owner(app);
        browser.get("/api/audit");
        double[] ours = new double[ASKED];
        double[] counted = new double[ASKED];
        for (int i = 0; i < ASKED; i++) {
          change(jdbc, i);
          ours[i] = Bench.millis(0, 1, () -> browser.get("/api/audit"));
          change(jdbc, i);
          counted[i] = Bench.millis(0, 1, () -> count(jdbc));
        }
        Arrays.sort(ours);
        Arrays.sort(counted);
        ninetyFifth[k] = ours[ASKED * 95 / 100];
        Bench.print("audit-" + products + "-p95", "ms", ninetyFifth[k], counted[ASKED * 95 / 100]);
      }
    }
    System.out.printf(
        Locale.ROOT, "audit p95-of-100000-to-10000=%.2f%n", ninetyFifth[1] / ninetyFifth[0]);
  }

  private static void change(JdbcTemplate jdbc, int i) {
    jdbc.update("update finding set marks = marks + 1 where product_id = ?", i + 1);
    jdbc.update("update product set readiness = 50 + ? where id = ?", i % 50, i + 1);
  }

  private static void count(JdbcTemplate jdbc) {
    jdbc.queryForList(
        "select cause, weight, count(distinct product_id), sum(marks), sum(mendable) from finding group by cause, weight");
    jdbc.queryForList("select count(*), avg(readiness) from product where text_id is not null");
  }

  /** Products with texts of some readiness, and what was found in them. */
  static void fill(JdbcTemplate jdbc, int products) {
    Random random = new Random(1);
    List<Object[]> rows = new ArrayList<>();
    List<Object[]> findings = new ArrayList<>();
    for (int i = 1; i <= products; i++) {
      rows.add(new Object[] {i, "B-" + i, "Bench " + i, 40 + random.nextInt(60), i});
      Set<String> seen = new HashSet<>();
      for (int n = random.nextInt(5); n > 0; n--) {
        String cause = CAUSES.get(random.nextInt(CAUSES.size()));
        String field = FIELDS.get(random.nextInt(FIELDS.size()));
        if (seen.add(cause + field)) {
          findings.add(new Object[] {i, field, cause, random.nextInt(2)});
        }
      }
      if (rows.size() == 1_000 || i == products) {
        jdbc.batchUpdate(
            "insert into product (id, sku, name, brand, kind, product_class, keyword, stage, readiness, text_id) values (?, ?, ?, '', '', '', '', 'DRAFTED', ?, ?)",
            rows);
        jdbc.batchUpdate(
            "insert into finding (product_id, field, cause, weight, marks, mendable) values (?, ?, ?, 'WEIGH', 1, ?)",
            findings);
        rows.clear();
        findings.clear();
      }
    }
  }
}
