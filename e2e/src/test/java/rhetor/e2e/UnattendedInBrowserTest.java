package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.WebElement;

/**
 * A text model writes, runs begin by themselves, and an evening's sheets are written by morning.
 */
class UnattendedInBrowserTest {
  private static DemoProcess demo;
  private static Browser browser;

  @BeforeAll
  static void somebodyWrites() throws Exception {
    demo = new DemoProcess();
    browser = new Browser(demo.url()).signIn("odile");
  }

  @AfterAll
  static void close() {
    browser.close();
    demo.close();
  }

  @Test
  void a_text_model_writes_and_the_bill_stands_beside_its_texts() {
    browser.open("/products");
    browser.choose("Who writes", "Foolscap");
    browser.choose("What can’t stand", "is left out");
    browser.see("The answers cost about");
    browser.see("of 20.00 is spent this month");
    browser.click(By.cssSelector("[data-testid=write]"));
    browser.until(
        d -> {
          WebElement run = browser.find(By.cssSelector("[data-testid=run]"));
          return "DONE".equals(run.getDomAttribute("data-status"));
        });
    assertThat(browser.text(By.cssSelector("[data-testid=run-count]"))).startsWith("42 of 42");
    assertThat(browser.text(By.cssSelector("[data-testid=run-bill]")))
        .matches("Written by Foolscap for 0[.]\\d+[.]");
    // The model makes things up in one text of three, and doesn't always take it back.
    browser.see("could not stand and was left out");
    browser.open("/proofs/1");
    browser.see("Sources");
    browser.see("Foolscap");
  }

  @Test
  void a_run_is_set_to_begin_every_night_and_taken_away() {
    browser.open("/products?state=UNWRITTEN");
    browser.choose("When", "every day");
    browser.click("Set it");
    browser.see("Every day at 02:00");
    browser.see("products without text");
    browser.see("Next ");
    browser.click("Take away …");
    browser.click("Take it away");
    browser.until(d -> browser.all("[data-testid=schedules]").isEmpty());
  }

  @Test
  void what_is_put_into_the_folder_is_written_and_told_by_mail() throws Exception {
    browser.open("/folder");
    browser.see("taken in by itself");
    Path folder = Path.of(browser.text(By.cssSelector("main code")));
    Path sheet = folder.resolve("wicker.csv");
    Files.writeString(
        sheet,
        "SKU;Name;Kind;Brand;Material;Weight\nWK-1;Wicker Pannier;Pannier;Tolvane;willow;1.2 kg\n");
    Files.setLastModifiedTime(sheet, FileTime.from(Instant.now().minusSeconds(60)));
    Files.writeString(folder.resolve("letter.pdf"), "%PDF");
    browser.see("wicker.csv");
    browser.see("1 new, 0 changed, 0 as before.");
    browser.see("It is neither a sheet");
    browser.open("/news");
    browser.see("letter.pdf needs somebody");
    browser.see("1 of 1 products were written.");
    assertThat(browser.complaints()).isEmpty();
    Path back = folder.resolve("done").resolve("wicker with texts.csv");
    browser.until(d -> Files.exists(back));
    browser.until(
        d -> {
          browser.driver.get(demo.shopUrl() + "/mailbox");
          return browser.sees("to [odile@harrowmere.example]")
              && browser.sees("letter.pdf needs somebody");
        });
  }
}
