package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.Actions;

/** Makes one picture of each main view from the demo data; run by {@code ./rhetor shots}. */
@EnabledIfSystemProperty(named = "screenshots", matches = ".+")
class Screenshots {
  private final Path folder = Path.of(System.getProperty("screenshots", "target"));

  @Test
  void of_each_main_view() throws Exception {
    try (DemoProcess demo = new DemoProcess();
        Browser browser = new Browser(demo.url())) {
      browser.open("/");
      browser.see("Sign in");
      browser.signIn("odile");
      browser.open("/intake/2");
      browser.see("is read as");
      browser.picture(folder.resolve("intake-reading.png"));
      browser.click("Take 41 rows in");
      browser.see("40 new");
      browser.open("/intake/3");
      browser.click("show the file’s first rows");
      browser.see("Trade list, valid until");
      browser.open("/intake/3");
      browser.click("Take 36 rows in");
      browser.see("36 new");
      browser.drop(demo.sheet("x").getParent().resolveSibling("next-month/kestering-locks.csv"));
      browser.see("Not like the last sheet");
      browser.click("See what it would do");
      browser.find(By.cssSelector("[data-testid=dry-run]"));
      browser.picture(folder.resolve("intake-changed.png"));
      browser.click("Discard");
      browser.see("A supplier’s sheet comes first");
      browser.open("/intake/pictures");
      browser.click("they may be fetched from there");
      browser.see("18 fetched");
      Path pictures = demo.sheet("kestering-locks.csv").getParent().resolveSibling("pictures");
      browser.drop(
          java.util.stream.Stream.of("tv-1001", "tv-1102", "kl-2003", "kl-2301")
              .map(n -> pictures.resolve(n + ".png").toAbsolutePath())
              .toArray(Path[]::new));
      browser.see("4 pictures came in.");
      browser.click("Close");
      browser.picture(folder.resolve("pictures.png"));
      browser.open("/products/missing");
      browser.see("What buyers ask first");
      browser.picture(folder.resolve("missing-facts.png"));
      browser.open("/products/variants");
      browser.click("Tour Pannier 25");
      browser.find(By.cssSelector("[data-testid=matrix]"));
      browser.picture(folder.resolve("variants.png"));
      browser.open("/products?order=LEAST_READY");
      browser.see("of 118 products shown");
      browser.picture(folder.resolve("products.png"));
      browser.open("/products/4");
      browser.see("the sources disagree");
      browser.picture(folder.resolve("product-facts.png"));
      browser.open("/products?state=UNWRITTEN&search=KL-2");
      browser.see("of 40 products shown");
      browser.until(d -> browser.find(By.cssSelector("[data-testid=write]")).isEnabled());
      browser.click(By.cssSelector("[data-testid=write]"));
      browser.see("40 of 40 products written");
      browser.picture(folder.resolve("run.png"));
      browser.open("/proofs/1");
      browser.see("Sources");
      new Actions(browser.driver)
          .moveToElement(browser.find(By.cssSelector("[data-testid=sentence]")))
          .perform();
      browser.picture(folder.resolve("proof.png"));
      browser.click("Takes");
      browser.choose("Voice", "lively");
      browser.see("Take III whole");
      Thread.sleep(800);
      browser.picture(folder.resolve("takes.png"));
      browser.click("Leave as it stands");
      browser.click("Rewrite");
      browser.find(By.cssSelector("[data-testid=rewriting] [role=checkbox]"));
      browser.click(By.cssSelector("[data-testid=rewriting] [role=checkbox]"));
      browser.see("the chosen sentence");
      Thread.sleep(800);
      browser.click("Leave as it stands");
      browser.open("/claims");
      browser.type(By.cssSelector("input[aria-label=Words]"), "roll-top");
      browser.click(By.tagName("h1"));
      browser.click(By.cssSelector("li button"));
      browser.find(By.cssSelector("[data-testid=claim-trial]"));
      Thread.sleep(800);
      browser.picture(folder.resolve("claims.png"));
      browser.open("/proofs");
      browser.type(
          By.cssSelector("input[aria-label='Find a product, or say what to do']"),
          "sign off the panniers over 90 that have nothing to fix" + Keys.ENTER);
      browser.see("would be signed off");
      Thread.sleep(800);
      browser.picture(folder.resolve("many.png"));
      browser.open("/proofs/1");
      browser.see("Sources");
      browser.click("Sign off");
      browser.see("Signed off.");
      browser.open("/editions");
      browser.click("Publish 1 signed-off text");
      browser.see("Edition 1: out");
      browser.picture(folder.resolve("edition.png"));
      browser.driver.get(browser.find(By.linkText("see the live page")).getAttribute("href"));
      browser.see("Specification");
      browser.open("/templates");
      browser.choose("Template", "a new one that starts from “Bags and luggage”");
      browser.see("Outside and inside");
      browser.choose("What is shown", "So Foolscap writes it");
      browser.click("Ask Foolscap");
      browser.see("tokens asked");
      Thread.sleep(800);
      browser.picture(folder.resolve("templates.png"));
      browser.open("/keywords");
      browser.see("Take search data in");
      browser
          .driver
          .findElement(By.cssSelector("input[type=file][aria-label='Search data']"))
          .sendKeys(pictures.resolveSibling("search-data/queries.csv").toAbsolutePath().toString());
      browser.see("queries were looked through");
      browser.click("Close");
      Thread.sleep(800);
      browser.picture(folder.resolve("keywords.png"));
      browser.open("/products?search=Saddle");
      browser.see("products shown");
      browser.click(By.cssSelector("input[aria-label='Choose all shown']"));
      browser.click("Put in a range");
      browser.type(By.cssSelector("input[aria-label='Name of the range']"), "Saddle bags");
      browser.find(By.cssSelector("input[aria-label='Name of the range']")).sendKeys(Keys.TAB);
      browser.click(By.xpath("//button[.='Put in']"));
      browser.see("in the range");
      browser.open("/ranges");
      browser.click("Saddle bags");
      browser.see("otherwise than the house");
      browser.choose("Voice of Saddle bags", "the playful voice");
      browser.see("So it would read");
      Thread.sleep(800);
      browser.picture(folder.resolve("ranges.png"));
      browser.open("/channels");
      browser.see("There is no channel yet");
      browser.type(By.cssSelector("input[aria-label='Name of a new channel']"), "Pedalhouse");
      browser.find(By.cssSelector("input[aria-label='Name of a new channel']")).sendKeys(Keys.TAB);
      browser.choose("Language of the channel", "American English");
      browser.choose("What it takes", "plain text");
      browser.see("all that the shop has texts for");
      browser.choose("Voice of Pedalhouse", "the expert voice");
      browser.see("So it would read");
      Thread.sleep(1500);
      browser.picture(folder.resolve("channels.png"));
      browser.open("/style");
      browser.see("So it reads now");
      browser.choose("Voice", "lively");
      browser.type(
          By.cssSelector("textarea[aria-label='Words the house doesn’t say']"),
          "pannier → bike bag");
      browser.type(
          By.cssSelector("textarea[aria-label='What every description ends with']"),
          "Spare parts are kept for ten years.");
      browser.click(By.tagName("h1"));
      browser.see("bike bag in moss green");
      browser.picture(folder.resolve("style.png"));
      browser.click("Keep it for the house");
      browser.see("writes so from now on");
      browser.open("/audit");
      browser.see("A word the house doesn’t say");
      // Halfway through, its figures are of no text in particular.
      browser.until(d -> !browser.sees("Texts are being checked and counted."));
      browser.click(By.xpath("//li//button[contains(., 'A word the house doesn’t say')]"));
      browser.see("All of it can be mended at once.");
      browser.see("short description");
      browser.picture(folder.resolve("audit.png"));
      assertThat(browser.complaints()).isEmpty();
    }
  }
}
