package rhetor.e2e;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.Actions;

/**
 * How long a reader waits for the next text, and a writer for a letter; run by {@code ./rhetor
 * bench proof}.
 */
@EnabledIfSystemProperty(named = "reading.speed", matches = ".+")
class ReadingSpeed {
  private static final int TEXTS = 220;
  private static final int READ = 200;
  private static final int TYPED = 80;

  /** So long somebody looks at a text at least, in milliseconds. */
  private static final int LOOK = 250;

  private static final double P95 = 0.95;

  /** From the key to the frame in which the next text is drawn, in milliseconds. */
  private static final String NEXT =
      """
      const done = arguments[arguments.length - 1];
      const shown = () => location.pathname + (document.querySelector('[data-manuscript]')?.innerText ?? '');
      const before = shown();
      const start = performance.now();
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'j', bubbles: true }));
      const look = () => {
        const isNext =
          !before.startsWith(location.pathname) && document.querySelector('[data-testid=sentence]');
        if (isNext) requestAnimationFrame(() => done(performance.now() - start));
        else requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
      """;

  /** Event Timing (W3C): how long keys take to be painted; those under 16 ms aren't told. */
  private static final String WATCH =
      """
      window.keysPainted = [];
      new PerformanceObserver((list) => {
        for (const e of list.getEntries()) if (e.name === 'keydown') keysPainted.push(e.duration);
      }).observe({ type: 'event', durationThreshold: 16 });
      """;

  @Test
  void of_texts_read_by_key_and_letters_typed() throws Exception {
    try (DemoProcess demo = new DemoProcess();
        Browser browser = new Browser(demo.url()).signIn("edwin")) {
      browser.open("/intake");
      browser.see("Drop a supplier’s sheet here");
      browser.drop(sheet());
      browser.click("Take " + TEXTS + " rows in");
      browser.click("See the products");
      browser.click("Write " + TEXTS);
      browser.see(TEXTS + " of " + TEXTS + " products written");
      browser.open("/proofs?search=Fell");
      browser.find(By.cssSelector("[data-testid=sentence]"));
      double[] waits = new double[READ];
      for (int i = 0; i < READ; i++) {
        Thread.sleep(LOOK);
        waits[i] = ((Number) browser.driver.executeAsyncScript(NEXT)).doubleValue();
      }
      print("key-to-next-text", waits);

      browser.click("Change by hand");
      browser.click(By.cssSelector("[contenteditable=true]"));
      browser.driver.executeScript(WATCH);
      new Actions(browser.driver).sendKeys(Keys.END, " ").perform();
      for (int i = 0; i < TYPED; i++) {
        new Actions(browser.driver).sendKeys(String.valueOf((char) ('a' + i % 26))).perform();
        Thread.sleep(60);
      }
      Thread.sleep(1000);
      List<?> slow = (List<?>) browser.driver.executeScript("return window.keysPainted");
      double[] keys = new double[TYPED];
      for (int i = 0; i < Math.min(TYPED, slow.size()); i++) {
        keys[i] = ((Number) slow.get(i)).doubleValue();
      }
      print("key-to-letter", keys);
    }
  }

  private static void print(String what, double[] millis) {
    Arrays.sort(millis);
    System.out.printf(
        Locale.ROOT,
        "proof %s n=%d median-ms=%.0f p95-ms=%.0f most-ms=%.0f%n",
        what,
        millis.length,
        millis[millis.length / 2],
        millis[(int) (millis.length * P95)],
        millis[millis.length - 1]);
  }

  private static Path sheet() throws Exception {
    StringBuilder rows =
        new StringBuilder("SKU,Name,Category,Brand,Material,Colour,Capacity,Weight\n");
    List<String> stuffs = List.of("canvas", "nylon", "wool", "leather");
    List<String> colours = List.of("black", "moss green", "navy blue");
    for (int i = 1; i <= TEXTS; i++) {
      rows.append(
          "FE-%d,Fell Pannier %d,Panniers,Ostle,%s,%s,%d l,%d g%n"
              .formatted(i, i, stuffs.get(i % 4), colours.get(i % 3), 10 + i % 30, 700 + i));
    }
    Path file = Files.createTempDirectory("reading-speed").resolve("fell.csv");
    return Files.writeString(file, rows);
  }
}
