package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/** What the house decides once, through the browser: templates, ranges with angles, keywords. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class DecidingInBrowserTest {
  private static DemoProcess demo;
  private static Browser browser;

  @BeforeAll
  static void somebodyDecides() throws Exception {
    demo = new DemoProcess();
    browser = new Browser(demo.url()).signIn("odile");
  }

  @AfterAll
  static void close() {
    browser.close();
    demo.close();
  }

  private static void say(String label, String words) {
    By field = By.cssSelector("[aria-label='" + label + "']");
    browser.type(field, words);
    browser.find(field).sendKeys(Keys.TAB);
  }

  private static String tried() {
    return browser.text(By.cssSelector("[data-testid=tried]"));
  }

  @Test
  void a_template_is_tried_while_it_is_typed_and_texts_are_written_after_it() {
    browser.open("/templates");
    browser.choose("Template", "a new one that starts from “Under headings”");
    browser.until(d -> tried().contains("What it is good for"));
    say("Name of the template", "Skimmers");
    browser.choose("Add a block", "the house’s own words");
    WebElement words = browser.find(By.cssSelector("textarea[aria-label='Words of block 8']"));
    words.sendKeys("On the rack it weighs {{wieght}}.");
    browser.see(
        "Line 1, column 25: There is no slot called \"wieght\"; perhaps \"weight\" is meant");
    assertThat(browser.find(By.xpath("//button[.='Keep it']")).isEnabled()).isFalse();
    words.sendKeys(Keys.chord(Keys.CONTROL, "a"), Keys.DELETE);
    words.sendKeys("On the rack it weighs {{wei");
    browser.find(By.cssSelector("[role=listbox][aria-label=Slots]"));
    words.sendKeys(Keys.TAB);
    words.sendKeys(".");
    browser.until(d -> tried().contains("On the rack it weighs 940 g."));
    browser.choose("What is shown", "What a text model is asked");
    browser.until(d -> tried().contains("these words: On the rack it weighs 940 g."));
    browser.choose("What is shown", "So Foolscap writes it");
    browser.see("Foolscap hasn’t been asked this yet.");
    browser.click("Ask Foolscap");
    browser.see("tokens asked");
    assertThat(tried()).contains("Roll Pannier 20", "it cost 0.00");
    browser.click("Keep it");
    browser.see("“Skimmers” is kept as version 1.");
    browser.open("/products?search=TV-1001");
    browser.see("1 of 1 product shown");
    browser.choose("Template", "Skimmers");
    browser.until(d -> browser.find(By.cssSelector("[data-testid=write]")).isEnabled());
    browser.click(By.cssSelector("[data-testid=write]"));
    browser.see("1 of 1 product written");
    browser.open("/proofs/1");
    browser.see("On the rack it weighs 940 g.");
    browser.see("How it is made");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void chosen_products_become_a_range_with_a_style_and_a_line_of_the_season() {
    browser.open("/products?search=Saddle");
    browser.see("products shown");
    browser.click(By.cssSelector("input[aria-label='Choose all shown']"));
    browser.click("Put in a range");
    say("Name of the range", "Saddle bags");
    browser.click(By.xpath("//button[.='Put in']"));
    browser.see("in the range “Saddle bags”");
    browser.open("/ranges");
    browser.click("Saddle bags");
    browser.see("otherwise than the house");
    browser.choose("Voice of Saddle bags", "the playful voice");
    browser.see("So it would read");
    browser.until(d -> browser.find(By.xpath("//button[.='Keep it for Saddle bags']")).isEnabled());
    browser.click("Keep it for Saddle bags");
    browser.see("Saddle bags: it is written so from now on.");
    DateTimeFormatter typed = DateTimeFormatter.ofPattern("MMddyyyy");
    browser
        .find(By.cssSelector("input[aria-label='First day']"))
        .sendKeys(LocalDate.now().minusDays(1).format(typed));
    browser
        .find(By.cssSelector("input[aria-label='Last day']"))
        .sendKeys(LocalDate.now().plusDays(9).format(typed));
    say("Line", "Made for dark mornings.");
    say("Name of the angle", "Dark season");
    browser.click("Keep the angle");
    browser.see("holds today");
    browser.open("/audit");
    browser.click(By.xpath("//li//button[contains(., 'A line of the season is missing')]"));
    browser.click("Mend all that can be mended");
    browser.see("mended. They are to be read and signed off again.");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void a_channel_is_written_otherwise_and_says_where_its_settings_come_from() {
    browser.open("/channels");
    browser.see("There is no channel yet");
    say("Name of a new channel", "Pedalhouse");
    browser.choose("Language of the channel", "American English");
    browser.choose("What it takes", "plain text");
    browser.see("all that the shop has texts for");
    browser.choose("Voice of Pedalhouse", "the lively voice");
    say("What its descriptions end with", "Pedalhouse delivers within two days.");
    browser.see("So it would read");
    By effect = By.cssSelector("[data-testid=effect]");
    browser.until(d -> browser.text(effect).contains("Pedalhouse delivers within two days."));
    browser.click("Keep it for Pedalhouse");
    browser.see("Pedalhouse: it is written so from now on.");
    browser.until(
        d -> browser.text(By.cssSelector("[data-testid=origins]")).contains("Lively Pedalhouse"));
    browser.open("/products/1");
    browser.click("What its texts obey");
    browser.choose("Where the texts go", "Pedalhouse");
    browser.until(
        d -> browser.text(By.cssSelector("[data-testid=origins]")).contains("American Pedalhouse"));
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void a_connection_is_tried_and_its_key_is_not_shown() {
    browser.open("/connections");
    browser.see("This month it answered");
    assertThat(browser.driver.getPageSource()).doesNotContain("harrowmere-demo-token");
    browser.click("Have it say a word");
    browser.see("Foolscap answered “Ready.”");
    say("Key of Foolscap", "a wrong one");
    browser.click("Keep the change");
    browser.see("“Foolscap” is kept.");
    browser.click("Have it say a word");
    browser.see("doesn’t accept the key");
    say("Key of Foolscap", "harrowmere-demo-token");
    browser.click("Keep the change");
    browser.until(d -> !browser.find(By.xpath("//button[.='Keep the change']")).isEnabled());
    browser.click("Have it say a word");
    browser.see("Foolscap answered “Ready.”");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void search_data_become_keywords() {
    browser.open("/keywords");
    browser.see("Take search data in");
    Path queries =
        demo.sheet("x").getParent().resolveSibling("search-data/queries.csv").toAbsolutePath();
    browser
        .driver
        .findElement(By.cssSelector("input[type=file][aria-label='Search data']"))
        .sendKeys(queries.toString());
    browser.see("41 queries were looked through.");
    browser.see("1 row left out: row 42, \"many\" is no number of impressions");
    browser.click("Give each the first that facts bear out");
    browser.see("with a keyword that is searched for.");
    browser.choose("Which products", "all products");
    browser.see("keyword “roll pannier 20”");
    assertThat(browser.complaints()).isEmpty();
  }

  private static String many() {
    return browser.text(By.cssSelector("[data-testid=many]"));
  }

  private static int pile() {
    return browser.all("nav[aria-label='Pile of proofs'] a").size();
  }

  /** Before anything is decided that texts may not obey. */
  @Test
  @Order(1)
  void a_pile_is_narrowed_signed_off_as_one_act_and_had_back() {
    browser.open("/proofs");
    browser.see("42 texts");
    browser.until(d -> !browser.all("option[value='frame bag']").isEmpty());
    browser.choose("Of which kind", "frame bag (3)");
    browser.until(d -> pile() == 3);
    browser.choose("How ready", "ready 70 or more");
    browser.until(d -> browser.driver.getCurrentUrl().contains("atLeast=70"));
    // Whoever is sent the address sees the same.
    browser.open(browser.driver.getCurrentUrl().replaceFirst("^https?://[^/]+", ""));
    browser.until(d -> pile() == 3);
    browser.click("Many at once");
    browser.until(d -> many().contains("3 texts would be signed off."));
    assertThat(browser.all("[data-testid=many-example]")).hasSize(3);
    assertThat(many()).contains("Half Frame Bag 4", "TV-1801");
    browser.click(By.xpath("//button[.='Sign off 3 texts']"));
    browser.see("3 texts signed off.");
    browser.until(d -> pile() == 0 && many().contains("No text would change."));
    browser.click(By.xpath("//button[.='Take it back']"));
    browser.see("3 texts as before.");
    browser.until(d -> pile() == 3);
    assertThat(many()).contains("taken back by odile");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void an_older_text_stands_beside_the_new_one_and_counts_again() {
    browser.open("/products?search=TV-1905");
    browser.see("1 of 1 product shown");
    browser.click("proof");
    browser.see("Lane Backpack 22");
    String opening = browser.text(By.cssSelector("[data-testid=sentence]"));
    browser.click("Change by hand");
    WebElement text = browser.find(By.cssSelector("[contenteditable=true]"));
    text.sendKeys(Keys.chord(Keys.CONTROL, "a"), Keys.DELETE);
    text.sendKeys("It is a backpack, as otters know.");
    browser.click("Keep");
    browser.see("Kept as a new revision.");
    browser.driver.switchTo().activeElement().sendKeys("o");
    By beside = By.cssSelector("[data-testid=beside]");
    browser.until(d -> browser.text(beside).contains("as otters know"));
    assertThat(browser.text(beside)).contains("Then", "Now", opening.substring(0, 20));
    browser.choose("Beside or in one", "word by word against");
    browser.until(d -> !browser.all("[data-testid=beside] del").isEmpty());
    assertThat(browser.all("[data-testid=beside] ins")).isNotEmpty();
    browser.click("Take the older one");
    browser.see("That revision counts now.");
    browser.until(d -> browser.text(By.cssSelector("[data-testid=sentence]")).equals(opening));
    assertThat(browser.complaints()).isEmpty();
  }

  private static void order(String words) {
    By field = By.cssSelector("input[aria-label='Find a product, or say what to do']");
    browser.type(field, words);
    browser.find(field).sendKeys(Keys.ENTER);
  }

  @Test
  @Order(2)
  void an_order_in_plain_words_becomes_a_plan_that_is_looked_at_first() {
    browser.open("/intake");
    browser.see("Intake");
    order("sign off the frame bags with 70 or more that have nothing to fix");
    browser.until(d -> many().contains("3 texts would be signed off."));
    assertThat(browser.driver.getCurrentUrl())
        .contains("kind=frame+bag", "state=READY", "atLeast=70", "do=SIGN_OFF");

    order("sign off the frame bags to 140 characters");
    browser.see("“to 140 characters” was not understood.");
    assertThat(browser.driver.getCurrentUrl()).contains("/products").doesNotContain("do=");
    browser.see("3 of 3 products shown");

    order("show bags");
    browser.see("“bags” may be");

    order("rewrite the backpacks in the warm voice");
    browser.see("5 of 5 products shown");
    assertThat(
            new Select(browser.find(By.cssSelector("select[aria-label=Voice]")))
                .getFirstSelectedOption()
                .getText())
        .contains("warm");

    order("TV-1801");
    browser.see("1 of 1 product shown");
    assertThat(browser.complaints()).isEmpty();
  }
}
