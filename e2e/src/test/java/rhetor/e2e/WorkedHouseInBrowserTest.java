package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.By;

/** The demo house as one opens it: its people have worked in it, and no main view is empty. */
class WorkedHouseInBrowserTest {
  private static DemoProcess demo;
  private static Browser browser;

  @BeforeAll
  static void theyHaveWorked() throws Exception {
    demo = new DemoProcess();
    demo.work();
    browser = new Browser(demo.url()).signIn("edwin");
  }

  @AfterAll
  static void close() {
    browser.close();
    demo.close();
  }

  @ParameterizedTest
  @CsvSource({
    "/intake, Kestering Locks",
    "/products?state=SIGNED_OFF, Lane Backpack 22",
    "/products?state=IN_PROOF, Tour Pannier 25",
    "/runs, Run 2",
    "/editions, Edition 1",
    "/results, Map Handlebar Bag 7",
    "/ranges, Autumn commuting",
    "/keywords, queries",
    "/audit, texts"
  })
  void each_view_has_something_to_show(String path, String words) {
    browser.open(path);
    browser.see(words);
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void people_look_before_they_read() {
    browser.open("/proofs");
    browser.find(By.cssSelector("nav[aria-label='Pile of proofs'] img"));
    Long loaded =
        (Long)
            browser.driver.executeScript(
                "return [...document.querySelectorAll('nav img')].filter(i => i.naturalWidth > 0).length");
    assertThat(loaded).isPositive();
  }

  @Test
  void what_was_written_again_can_be_compared() {
    browser.open("/products?search=TV-1801");
    browser.see("1 of 1 product shown");
    browser.click("proof");
    browser.click("Older");
    browser.find(By.cssSelector("[data-testid=beside]"));
    browser.choose("Beside or in one", "word by word against");
    browser.find(By.cssSelector("[data-testid=beside] ins"));
  }
}
