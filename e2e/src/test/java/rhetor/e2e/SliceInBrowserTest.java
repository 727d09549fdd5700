package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.results.Rule;
import com.deque.html.axecore.selenium.AxeBuilder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;

/** The whole slice as people use it, in the order in which they use it. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class SliceInBrowserTest {
  private static DemoProcess demo;
  private static Browser browser;

  @BeforeAll
  static void startDemo() throws IOException {
    demo = new DemoProcess();
    browser = new Browser(demo.url());
  }

  @AfterAll
  static void endDemo() {
    browser.close();
    demo.close();
  }

  @BeforeEach
  void sitDown() {
    browser.forget();
  }

  @AfterEach
  void standUp() {
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  @Order(1)
  void a_sheet_is_dropped_corrected_and_taken_in() {
    browser.signIn("wren");
    browser.type(By.cssSelector("input[aria-label=Supplier]"), "Kestering Locks, May");
    browser.drop(demo.sheet("kestering-locks.csv"));
    browser.see("Commas cut the first rows into 22 cells each");
    assertThat(browser.text(By.cssSelector("[data-testid=columns]")))
        .contains("Bastion U-Lock 14", "The heading says");
    browser.choose("Meaning of Coating", "Extra fact under its own heading");
    browser.see("Chosen by hand.");
    browser.click("Take 41 rows in");
    browser.see("40 new, 0 changed");
    assertThat(browser.text(By.cssSelector("[data-testid=intake-result]")))
        .contains("1 duplicates", "stands in row 21 already");
  }

  @Test
  @Order(2)
  void products_are_found_chosen_and_written_for_with_progress() {
    browser.signIn("wren");
    browser.open("/products");
    browser.see("50 of 82 products shown");
    browser.click("Show 50 more");
    browser.see("82 of 82 products shown");
    browser.choose("From which sheet", "Kestering Locks, May");
    browser.see("40 of 40 products shown");
    browser.type(By.cssSelector("input[aria-label='Part of the name or SKU']"), "bastion");
    browser.see("8 of 8 products shown");
    browser.click(By.cssSelector("input[aria-label='Choose KL-2001']"));
    browser.click(By.cssSelector("input[aria-label='Choose KL-2002']"));
    browser.see("2 chosen products");
    browser.click("Write 2");
    browser.see("2 of 2 products written");
    browser.open("/products?search=KL-2");
    browser.until(d -> browser.find(By.cssSelector("[data-testid=write]")).isEnabled());
    browser.click(By.cssSelector("[data-testid=write]"));
    browser.see("40 of 40 products written");
  }

  @Test
  @Order(3)
  void a_proof_shows_what_each_sentence_rests_on() {
    browser.signIn("edwin");
    openProof("KL-2001");
    assertThat(browser.all("[role=tab]"))
        .extracting(t -> t.getText().replaceAll("[\\d\\n].*", ""))
        .containsExactly(
            "Title",
            "Short description",
            "Description",
            "Highlights",
            "Meta title",
            "Meta description",
            "Tags",
            "Picture alt text");
    WebElement first = browser.find(By.cssSelector("[data-testid=sentence]"));
    assertThat(first.getText()).contains("Bastion U-Lock 14");
    assertThat(browser.all("[data-testid=source]").getFirst().getText())
        .contains("row 2", "Name", "Bastion U-Lock 14", "kestering-locks.csv");
    String before = browser.all("[data-testid=source]").getFirst().getCssValue("background-color");
    new Actions(browser.driver).moveToElement(first).perform();
    browser.until(
        d ->
            !browser
                .all("[data-testid=source]")
                .getFirst()
                .getCssValue("background-color")
                .equals(before));
    for (WebElement tab : browser.all("[role=tab]")) {
      tab.click();
      assertThat(browser.all("[data-testid=sentence]")).as(tab.getText()).isNotEmpty();
    }
  }

  private void openProof(String sku) {
    browser.open("/products?search=" + sku);
    browser.see("1 of 1 product shown");
    browser.click("proof");
    browser.see("Sources");
  }

  @Test
  @Order(4)
  void a_text_is_changed_by_hand_checked_undone_and_signed_off() {
    browser.signIn("edwin");
    openProof("KL-2001");
    browser.click("Title");
    new Actions(browser.driver).sendKeys("e").perform();
    browser.type(By.cssSelector("textarea[aria-label]"), "Bastion U-Lock 14, unbreakable");
    browser.click("Keep the change");
    browser.see("Kept as a new revision.");
    browser.see("must be fixed before");
    assertThat(browser.text(By.cssSelector("[data-testid=must-fix]")))
        .contains("unbreakable", "rests on no fact");
    assertThat(browser.find(By.xpath("//button[.='Sign off']")).isEnabled()).isFalse();
    browser.click("Undo");
    browser.see("Back to the revision before.");
    browser.until(d -> browser.all("[data-testid=must-fix]").isEmpty());
    browser.click("Description");
    browser.click("Change by hand");
    WebElement typed = browser.find(By.cssSelector(".ProseMirror"));
    String lie = "It weighs 9 kg. ";
    typed.sendKeys(Keys.chord(Keys.CONTROL, Keys.HOME), lie);
    // What is wrong is said while it is typed, and no longer once it is gone.
    browser.until(d -> browser.text(By.cssSelector(".to-fix")).equals("9 kg"));
    assertThat(browser.text(By.cssSelector("[data-testid=while-typing]")))
        .contains("must fix", "9 kg", "is not what the facts say");
    typed.sendKeys(Keys.BACK_SPACE.toString().repeat(lie.length()));
    browser.until(d -> browser.all(".to-fix").isEmpty());
    typed.sendKeys("It weighs 1,450 g. ");
    browser.click("Keep the change");
    browser.see("It weighs 1,450 g.");
    browser.see("Description changed by hand, edwin@harrowmere.example");
    browser.click("Sign off");
    browser.see("Signed off.");
  }

  @Test
  @Order(5)
  void what_was_typed_survives_a_reload() {
    browser.signIn("wren");
    openProof("KL-2002");
    browser.click("Title");
    browser.click("Change by hand");
    browser.type(By.cssSelector("textarea[aria-label]"), "Half a thought");
    browser.driver.navigate().refresh();
    browser.click("Title");
    browser.click("Change by hand");
    assertThat(browser.find(By.cssSelector("textarea[aria-label]")).getAttribute("value"))
        .isEqualTo("Half a thought");
    browser.click("Leave it as it was");
  }

  @Test
  @Order(6)
  void a_signed_off_text_is_published_and_its_live_page_followed() {
    browser.signIn("edwin");
    browser.open("/editions");
    browser.click("Publish 1 signed-off text");
    browser.see("Edition 1: out");
    String page = browser.find(By.linkText("see the live page")).getAttribute("href");
    assertThat(page).startsWith(demo.shopUrl());
    browser.driver.get(page);
    browser.see("It weighs 1,450 g.");
    assertThat(browser.driver.findElement(By.cssSelector("article h1")).getText())
        .contains("Kestering Bastion U-Lock 14");
    assertThat(browser.driver.findElement(By.cssSelector(".goods img")).getAttribute("alt"))
        .contains("Bastion U-Lock 14");
  }

  @Test
  @Order(7)
  void the_sheet_is_exported_with_its_own_columns_untouched() throws IOException {
    browser.signIn("rufus");
    browser.click("Kestering Locks, May");
    browser.see("Export the sheet with all texts");
    String href = browser.find(By.linkText("Export the sheet with all texts")).getAttribute("href");
    String exported =
        (String)
            browser.driver.executeAsyncScript(
                "const done = arguments[1]; fetch(arguments[0]).then(r => r.text()).then(done)",
                href);
    String[] before =
        Files.readString(demo.sheet("kestering-locks.csv"), StandardCharsets.UTF_8).split("\n");
    String[] after = exported.split("\n");
    for (int i = 0; i < before.length; i++) {
      assertThat(after[i]).startsWith(before[i]);
    }
    assertThat(after[1]).contains("It weighs 1,450 g.");
  }

  @Test
  @Order(8)
  void a_reader_sees_and_can_change_nothing() {
    browser.signIn("rufus");
    browser.see("Writers, editors and the owner take sheets in.");
    browser.open("/products");
    browser.see("of 82 products shown");
    assertThat(browser.all("[data-testid=write]")).isEmpty();
    openProof("KL-2002");
    assertThat(browser.sees("Change by hand")).isFalse();
    assertThat(browser.sees("Sign off")).isFalse();
  }

  @Test
  @Order(9)
  void wrong_words_at_the_door_and_bad_sheets_get_a_plain_answer() throws IOException {
    browser.open("/");
    browser.type(By.name("email"), "wren@harrowmere.example");
    browser.type(By.name("password"), "not the password");
    browser.click("Sign in");
    browser.see("The address and the password don't go together.");
    browser.type(By.name("password"), "panniers and rain");
    browser.click("Sign in");
    browser.see("Drop a supplier’s sheet here");
    Path bad = Files.writeString(demo.folder().resolve("bad.csv"), "SKU,Name\nA,\"Lamp\nB,Lock\n");
    browser.drop(bad);
    browser.see("Row 2");
    browser.see("Close the quotation mark");
  }

  @Test
  @Order(10)
  void every_main_view_is_usable_without_a_mouse_or_good_eyes() {
    browser.signIn("odile");
    for (String path :
        List.of(
            "/intake/2",
            "/intake/3",
            "/intake/4",
            "/intake/pictures",
            "/products",
            "/products/missing",
            "/products/variants",
            "/products/new",
            "/names",
            "/categories",
            "/runs/1",
            "/proofs/1",
            "/proofs/side-by-side",
            "/editions",
            "/results",
            "/style",
            "/ranges",
            "/channels",
            "/templates",
            "/keywords",
            "/audit",
            "/people",
            "/claims",
            "/facts",
            "/kinds",
            "/columns",
            "/folder",
            "/connections",
            "/news",
            "/tokens",
            "/log",
            "/me")) {
      browser.open(path);
      browser.find(By.tagName("main"));
      browser.until(d -> browser.all("[role=progressbar][aria-label^=Load]").isEmpty());
      browser.untilColoursHaveSettled();
      List<Rule> violations =
          new AxeBuilder()
              .withTags(List.of("wcag2a", "wcag2aa"))
              .analyze(browser.driver)
              .getViolations();
      assertThat(violations)
          .as(path)
          .extracting(
              r ->
                  r.getId()
                      + ": "
                      + r.getNodes().getFirst().getHtml()
                      + " "
                      + r.getNodes().getFirst().getAny().stream().map(c -> c.getMessage()).toList())
          .isEmpty();
    }
  }

  @Test
  @Order(11)
  void a_proof_can_be_read_and_signed_off_on_a_narrow_screen() {
    browser.signIn("edwin");
    browser.size(400, 800);
    browser.open("/proofs/1");
    browser.see("Roll Pannier 20");
    long overflow =
        (Long)
            browser.driver.executeScript(
                "return document.documentElement.scrollWidth - window.innerWidth");
    assertThat(overflow).isLessThanOrEqualTo(0);
    browser.click("Sign off");
    browser.see("Signed off.");
  }

  @Test
  @Order(12)
  void several_texts_that_were_read_are_signed_off_together() {
    browser.signIn("edwin");
    browser.open("/proofs");
    browser.choose("Which products", "texts with nothing to fix");
    browser.see("texts");
    browser.all("nav[aria-label='Pile of proofs'] a").getFirst().click();
    browser.see("Sources");
    new Actions(browser.driver).sendKeys("j").perform();
    browser.click("Sign off the 2 read");
    browser.see("2 texts signed off.");
  }

  @Test
  @Order(13)
  void a_workbook_is_read_where_its_table_stands_and_tried_before_it_comes_in() {
    browser.signIn("wren");
    browser.click("Brightwick Lighting");
    browser.see("An XLSX workbook with 1 worksheet");
    assertThat(browser.find(By.cssSelector("select[aria-label='Heading row']")).getText())
        .contains("rows 4 and 5");
    browser.click("show the file’s first rows");
    browser.see("Trade list, valid until");
    browser.click("See what it would do");
    browser.see("36 new");
    assertThat(browser.text(By.cssSelector("[data-testid=dry-run]"))).contains("Lantern Front 400");
    browser.click("Take 36 rows in");
    browser.see("36 new, 0 changed");
    browser.click("Take this intake back …");
    browser.click("Take it back");
    browser.see("36 products gone");
  }

  @Test
  @Order(14)
  void a_sheet_that_has_changed_is_shown_side_by_side_before_it_is_read() throws IOException {
    browser.signIn("wren");
    String may = Files.readString(demo.sheet("kestering-locks.csv"), StandardCharsets.UTF_8);
    Path june =
        Files.writeString(
            demo.folder().resolve("kestering-june.csv"),
            may.replaceFirst("Coating", "Surface coat").replaceAll(",(\\d{3,4}),", ",1.2,"));
    browser.type(By.cssSelector("input[aria-label=Supplier]"), "Kestering Locks, May");
    browser.drop(june);
    browser.see("Not like the last sheet of Kestering Locks, May");
    assertThat(browser.text(By.cssSelector("[data-testid=changes]")))
        .contains("Surface coat", "holds something else");
    assertThat(browser.find(By.xpath("//button[.='Take 41 rows in']")).isEnabled()).isFalse();
    browser.click("I have looked: read it as shown below");
    browser.see("Looked at; the sheet can come in.");
    browser.click("Discard");
  }

  @Test
  @Order(15)
  void what_sources_disagree_about_is_settled_and_what_is_missing_filled_in() {
    browser.signIn("wren");
    browser.open("/products?state=DISPUTED");
    browser.see("products whose sources disagree");
    browser.click("Roll Pannier 20");
    browser.click("940 g is right");
    browser.see("by a person’s word");
    browser.open("/products/missing");
    browser.see("What buyers ask first and no source says");
    new Select(browser.find(By.cssSelector("select[aria-label='Which kind of product']")))
        .selectByValue("pannier");
    WebElement cell = browser.find(By.cssSelector("input[aria-label='Material of TV-1005']"));
    cell.sendKeys("recycled polyester");
    browser.click("Keep 1 fact");
    browser.see("1 fact kept.");
  }

  @Test
  @Order(16)
  void variants_are_kept_and_a_name_of_the_house_is_tried() {
    browser.signIn("wren");
    browser.open("/products/variants");
    browser.click("Tour Pannier 25");
    assertThat(browser.text(By.cssSelector("[data-testid=matrix]")))
        .contains("moss green", "TV-1101");
    browser.click("These 5 are variants of one thing");
    browser.see("is a group of 5 variants now");
    browser.open("/names");
    browser.type(By.cssSelector("input[aria-label='What suppliers write']"), "moss green");
    browser.type(
        By.cssSelector("input[aria-label='What the house prints']"), "fern green" + Keys.TAB);
    browser.see("It would touch");
    assertThat(browser.text(By.cssSelector("[data-testid=trial]"))).contains("fern green");
  }

  @Test
  @Order(17)
  void pictures_find_their_products_and_wait_for_a_persons_word() {
    browser.signIn("wren");
    browser.open("/intake/pictures");
    Path pictures = demo.sheet("kestering-locks.csv").getParent().resolveSibling("pictures");
    browser.drop(
        pictures.resolve("kl-2001.png").toAbsolutePath(),
        pictures.resolve("tv-1003.png").toAbsolutePath());
    browser.see("2 pictures came in.");
    browser.see("Kestering Locks, May names this file.");
    browser.see("The file's name has the SKU TV-1003.");
    browser.see("White background.");
    browser.click("Confirm all 2");
    browser.see("2 pictures confirmed");
  }

  @Test
  @Order(18)
  void a_product_is_entered_by_hand_with_a_text_that_is_read_for_facts() {
    browser.signIn("wren");
    browser.open("/products/new");
    browser.find(By.xpath("//label[contains(., 'SKU')]//input")).sendKeys("HAND-1");
    browser.find(By.xpath("//label[contains(., 'Name')]//input")).sendKeys("Marsh Lantern");
    browser.type(
        By.cssSelector("textarea[aria-label='Text to read']"),
        "It weighs 420 g. Burn time: 9 hours");
    browser.click("See what it says");
    browser.see("Facts found in it");
    assertThat(browser.text(By.cssSelector("[data-testid=found]"))).contains("420 g");
    browser.click("Add the product");
    browser.see("Marsh Lantern is there.");
    browser.see("pasted by wren@harrowmere.example");
  }

  @Test
  @Order(19)
  void a_run_goes_on_through_a_reload_and_a_crash_of_the_server() throws Exception {
    StringBuilder sheet = new StringBuilder("SKU,Name,Category,Weight,Material,Colour\n");
    int rows = 2_500;
    for (int i = 0; i < rows; i++) {
      sheet
          .append("CR-")
          .append(i)
          .append(",Lane ")
          .append(i)
          .append(",Backpacks,")
          .append(500 + i % 700)
          .append(" g,recycled nylon,black\n");
    }
    Path large = Files.writeString(demo.folder().resolve("large.csv"), sheet);
    browser.signIn("wren");
    browser.drop(large);
    browser.click("Take 2,500 rows in");
    browser.see("2,500 new");
    browser.click("See the products");
    browser.see("of 2,500 products shown");
    browser.until(
        d -> browser.find(By.cssSelector("[data-testid=write]")).getText().equals("Write 2,500"));
    browser.click(By.cssSelector("[data-testid=write]"));
    browser.until(d -> written() > 100);
    browser.driver.navigate().refresh();
    int afterReload = browser.until(d -> written() > 200 ? written() : null);
    assertThat(afterReload).isLessThan(rows);
    String address = browser.driver.getCurrentUrl();
    demo.kill();
    assertThat(browser.text(By.cssSelector("[data-testid=run]"))).doesNotContain(": done");
    demo.start();
    browser.complaints();
    browser.signIn("wren");
    browser.driver.get(address);
    int afterCrash = browser.until(d -> written() > 0 ? written() : null);
    assertThat(afterCrash).isGreaterThanOrEqualTo(afterReload).isLessThan(rows);
    // However slow the machine: it goes on as long as there is something more every minute.
    int before = -1;
    while (written() < rows && written() > before) {
      before = written();
      for (int i = 0; i < 120 && written() < rows && written() == before; i++) {
        Thread.sleep(500);
      }
    }
    assertThat(written()).isEqualTo(rows);
    browser.see(": done");
  }

  private int written() {
    String count = browser.text(By.cssSelector("[data-testid=run-count]"));
    return Integer.parseInt(count.split(" of ")[0].replace(",", ""));
  }
}
