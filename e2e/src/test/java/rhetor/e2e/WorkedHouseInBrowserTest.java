package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.Actions;

/** The demo house as one opens it: its people have worked in it, and no main view is empty. */
class WorkedHouseInBrowserTest {
  private static final By FORGET = By.xpath("//button[. = 'Forget it']");

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

  @Test
  void what_is_said_of_marked_words_waits_for_the_next_who_reads() {
    // The pile opens with the text that needs somebody most.
    browser.open("/proofs?state=COMMENTED");
    browser.see("Is that one bag, or the pair?");
    browser.open("/proofs?search=TV-1801");
    browser.find(By.cssSelector("[data-manuscript] [data-testid=sentence]"));
    markFirstSentence();
    browser.see("Of what is marked");
    new Actions(browser.driver).sendKeys("c").perform();
    new Actions(browser.driver).sendKeys("Shorter, please.").perform();
    browser.click("Say it");
    browser.find(By.cssSelector("[title='There is a comment on this']"));
    String quoted = browser.text(By.cssSelector("[data-testid=comments] q"));
    assertThat(browser.text(By.cssSelector("[title='There is a comment on this']")))
        .startsWith(quoted);
    browser.click("settled");
    browser.see("Settled: 1");
    assertThat(browser.complaints()).isEmpty();
  }

  private void markFirstSentence() {
    browser.driver.executeScript(
        """
        const words = document.createRange();
        words.selectNodeContents(document.querySelector('[data-testid=sentence]'));
        getSelection().removeAllRanges();
        getSelection().addRange(words);
        """);
  }

  @Test
  void what_is_badly_put_is_noted_among_the_words_and_taken_back() {
    browser.open("/proofs?state=DRAFTED");
    browser.find(By.cssSelector("[data-manuscript] [data-testid=sentence]"));
    browser.click("Short description");
    browser.until(
        d -> !browser.text(By.cssSelector("[data-manuscript] [data-testid=sentence]")).isEmpty());
    markFirstSentence();
    browser.type(By.cssSelector("input[aria-label='What is wrong with it']"), "stiff");
    browser.click("badly put");
    browser.find(By.cssSelector("[data-testid=learned-act]"));
    String proof = browser.driver.getCurrentUrl();
    browser.open("/facts");
    browser.see("Well put and badly put");
    browser.see("since stiff");
    for (int i = browser.driver.findElements(FORGET).size(); i > 0; i--) {
      int left = i - 1;
      browser.click(FORGET);
      browser.until(d -> d.findElements(FORGET).size() == left);
    }
    browser.open(proof.substring(proof.indexOf("/proofs")));
    browser.find(By.cssSelector("[data-manuscript] [data-testid=sentence]"));
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void a_text_goes_back_with_the_reason_why() {
    browser.open("/proofs?state=SIGNED_OFF&search=TV-1902");
    browser.find(By.cssSelector("[data-manuscript] [data-testid=sentence]"));
    new Actions(browser.driver).sendKeys("b").perform();
    browser.see("What is to be changed?");
    new Actions(browser.driver).sendKeys("The strap is another one now.").perform();
    browser.click("Send it back");
    browser.see("Back in proof.");
    assertThat(browser.text(By.cssSelector("[data-testid=comments]")))
        .contains("The strap is another one now.", "edwin@harrowmere.example");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void words_are_put_for_others_in_all_texts_shown_and_had_back() {
    browser.open("/proofs?do=SUBSTITUTE&kind=saddle bag");
    By words = By.cssSelector("input[aria-label='Words to look for']");
    browser.type(words, "saddle bag");
    browser.find(words).sendKeys(Keys.TAB);
    browser.type(By.cssSelector("input[aria-label='Words to put in']"), "seat pack");
    browser.find(By.cssSelector("input[aria-label='Words to put in']")).sendKeys(Keys.TAB);
    browser.until(
        d ->
            browser
                .text(By.cssSelector("[data-testid=substituted] ins"))
                .toLowerCase(Locale.ROOT)
                .contains("seat pack"));
    browser.click(By.xpath("//button[starts-with(., 'Change ')]"));
    browser.see("They are to be read and signed off again.");
    browser.see("“seat pack” for “saddle bag”");
    browser.see("None of these texts has the words.");
    browser.click("Take it back");
    browser.see("as before.");
    browser.see("taken back by edwin@harrowmere.example");
    assertThat(browser.complaints()).isEmpty();
  }
}
