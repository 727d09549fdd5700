package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.By;

/** What the owner of the demo house takes in from all suppliers, this month and the next. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class MonthsInBrowserTest {
  private static DemoProcess demo;
  private static Browser browser;

  @BeforeAll
  static void sitDown() throws IOException {
    demo = new DemoProcess();
    browser = new Browser(demo.url());
    browser.signIn("odile");
  }

  @AfterAll
  static void standUp() {
    List<String> complaints = browser.complaints();
    browser.close();
    demo.close();
    assertThat(complaints).isEmpty();
  }

  @Test
  @Order(1)
  void the_first_sheets_come_in_and_the_column_that_is_not_clear_is_asked_about() {
    browser.open("/intake/2");
    browser.click("Take 41 rows in");
    seeTaken("40 new");
    browser.open("/intake/3");
    browser.click("Take 36 rows in");
    seeTaken("36 new");
    browser.open("/intake/4");
    browser.see("One column isn’t clear");
    assertThat(browser.text(By.cssSelector("[data-testid=questions]")))
        .contains("kind", "jacket", "The cells name kinds of things");
    // What stays under its own heading or is kept back meanwhile holds nothing up.
    assertThat(browser.find(By.xpath("//button[.='Take 36 rows in']")).isEnabled()).isTrue();
    browser.click("Type");
    browser.click("Take 36 rows in");
    seeTaken("36 new");
  }

  /** Other intakes of as many rows stand in the list beside it. */
  private void seeTaken(String what) {
    assertThat(browser.text(By.cssSelector("[data-testid=intake-result]"))).contains(what);
  }

  @Test
  @Order(2)
  void the_picture_folder_finds_its_products() throws IOException {
    browser.open("/intake/pictures");
    try (var files =
        Files.list(demo.sheet("kestering-locks.csv").getParent().resolveSibling("pictures"))) {
      browser.drop(files.map(Path::toAbsolutePath).sorted().toArray(Path[]::new));
    }
    browser.see("40 pictures came in.");
    browser.see("Kestering Locks names this file.");
    browser.click("Confirm all 40");
    browser.see("40 pictures confirmed");
  }

  @Test
  @Order(3)
  void pictures_at_addresses_wait_until_their_host_is_allowed() {
    browser.open("/intake/pictures");
    browser.see("18 wait for your word");
    browser.click("they may be fetched from there");
    browser.see("18 fetched");
    browser.see("Brightwick Lighting names it by its address.");
  }

  @Test
  @Order(4)
  void next_months_sheets_are_recognised_compared_and_nothing_is_misread() {
    nextMonth(
        "tolvane-luggage.csv",
        "Tolvane Luggage",
        List.of("Farbe", "moved", "Obermaterial", "renamed?", "amounts in g", "amounts in kg"),
        37,
        "TV-1001",
        "0.94 kg");
    nextMonth(
        "kestering-locks.csv",
        "Kestering Locks",
        List.of("Colour", "moved", "Coating", "Finish", "renamed?", "Weight (kg)"),
        35,
        "KL-2001",
        "1.45 kg");
    nextMonth(
        "brightwick-lighting.xlsx",
        "Brightwick Lighting",
        List.of("Modes", "moved", "Mounting", "renamed?", "amounts in g", "amounts in kg"),
        31,
        "BW1000",
        "0.118 kg");
    nextMonth(
        "oskerby-rainwear.jsonl",
        "Oskerby Rainwear",
        List.of("kind", "moved", "care instructions", "renamed?", "amounts in g", "amounts in kg"),
        31,
        "OS-10",
        "0.32 kg");
  }

  @Test
  @Order(5)
  void what_was_said_of_a_column_is_listed_in_the_house_and_can_be_taken_back() {
    browser.click("House ·");
    // The menu is still unfolding; where its lines stand changes for a moment.
    browser.driver.executeScript(
        "arguments[0].click()", browser.find(By.xpath("//li[normalize-space(.)='Columns']")));
    browser.see("What people of the house said that a column is.");
    assertThat(browser.text(By.tagName("table"))).contains("kind", "Type", "Oskerby Rainwear");
    browser.click("Take back");
    browser.see("Taken back. Sheets that come from now on are read without it.");
    browser.see("Nothing yet.");
  }

  /** Drops a sheet without saying whose it is, looks at what has changed, tries it, takes it in. */
  private void nextMonth(
      String file, String supplier, List<String> said, int same, String sku, String weight) {
    browser.open("/intake");
    browser.drop(demo.sheet(file).getParent().resolveSibling("next-month").resolve(file));
    browser.see("Not like the last sheet of " + supplier);
    assertThat(browser.text(By.cssSelector("[data-testid=changes]"))).contains(said);
    browser.click("I have looked: read it as shown below");
    browser.see("Looked at; the sheet can come in.");
    browser.click("See what it would do");
    assertThat(browser.text(By.cssSelector("[data-testid=dry-run]")))
        .contains("10 new", "5 no longer named", same + " unchanged")
        .doesNotContain(" 1 changed", "left alone");
    browser.click("Take");
    browser.see("10 new, 0 changed, " + same + " unchanged");
    browser.open("/products?search=" + sku);
    browser.see("1 of 1 product shown");
    browser.click(By.cssSelector("table a[href^='/products/']"));
    browser.see(weight);
  }
}
