package rhetor.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** Takes side by side, rewriting a selection, and the house's claims, through the browser. */
class WritingInBrowserTest {
  private static DemoProcess demo;
  private static Browser browser;

  @BeforeAll
  static void somebodyReads() throws Exception {
    demo = new DemoProcess();
    browser = new Browser(demo.url()).signIn("odile");
  }

  @AfterAll
  static void close() {
    browser.close();
    demo.close();
  }

  private static List<String> sentences() {
    browser.find(By.cssSelector("[data-testid=sentence]"));
    return browser.all("[data-testid=sentence]").stream()
        .map(s -> s.getText().replaceAll("[\\d,]+$", "").strip())
        .toList();
  }

  @Test
  void lines_of_two_takes_become_one_text_and_undo_brings_the_old_one_back() {
    browser.open("/proofs/1");
    browser.see("Sources");
    List<String> before = sentences();
    browser.click("Takes");
    browser.choose("Voice", "lively");
    browser.see("Take III whole");
    String first = line(1, 0);
    String second = line(3, 1);
    browser.click("Make one text of these 2 lines");
    browser.see("The chosen lines are one text now.");
    browser.see("Sources");
    assertThat(sentences().subList(0, 2)).containsExactly(first, second);
    browser.see("Description made of 2 chosen lines");
    browser.click("Undo");
    browser.see("Back to the revision before.");
    browser.until(d -> sentences().equals(before));
  }

  /** Picks a line of a take and gives its words. */
  private static String line(int take, int index) {
    WebElement line =
        browser
            .until(
                d ->
                    browser.all("[data-testid=take]").size() > 3
                        ? browser.all("[data-testid=take]")
                        : null)
            .get(take)
            .findElements(By.cssSelector("button[aria-pressed]"))
            .get(index);
    String words = line.getText();
    browser.driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", line);
    line.click();
    return words;
  }

  @Test
  void one_sentence_is_rewritten_and_the_others_stay() {
    browser.open("/proofs/2");
    browser.see("Sources");
    List<String> before = sentences();
    browser.click("Rewrite");
    browser.find(By.cssSelector("[data-testid=rewriting]"));
    browser.click(By.xpath("(//*[@data-testid='rewriting']//*[@role='checkbox'])[2]"));
    browser.see("the chosen sentence");
    browser.choose("Voice", "expert");
    browser.until(d -> browser.find(By.xpath("//button[.='Keep the new words']")).isEnabled());
    browser.click("Keep the new words");
    browser.see("The new words count now.");
    browser.see("A sentence of description rewritten, reworded");
    List<String> after = sentences();
    assertThat(after.getFirst()).isEqualTo(before.getFirst());
    assertThat(after).doesNotContain(before.get(1));
    assertThat(after).contains(before.getLast());
  }

  private static String cell(String place) {
    return browser.find(By.cssSelector("[data-at='" + place + "']")).getText();
  }

  /** Pastes what a spreadsheet would have put on the clipboard. */
  private static void paste(String cells) {
    browser.driver.executeScript(
        """
        const data = new DataTransfer();
        data.setData('text/plain', arguments[0]);
        document.activeElement.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
        """,
        cells);
  }

  @Test
  void cells_are_corrected_side_by_side_pasted_from_a_spreadsheet_and_taken_back() {
    browser.open("/proofs");
    browser.click("Side by side");
    browser.until(d -> !cell("0 0").isEmpty());
    String first = cell("0 0");
    String third = cell("2 0");
    Actions keys = new Actions(browser.driver);
    browser.driver.executeScript("document.querySelector('[data-at=\"0 0\"]').focus()");
    // Typed over, and kept on the way to the cell below.
    keys.sendKeys("A pannier of ours", Keys.ENTER).perform();
    browser.until(d -> cell("0 0").startsWith("A pannier of ours"));
    browser.until(
        d -> "1 0".equals(browser.driver.switchTo().activeElement().getAttribute("data-at")));
    keys.sendKeys(Keys.ARROW_DOWN).perform();
    paste("Typed in a spreadsheet\tAnd its meta title\n\"A title with a\ttab\"\t\n");
    browser.see("3 cells of 2 products would read otherwise.");
    browser.click("Put 3 cells in");
    browser.until(d -> cell("2 0").startsWith("Typed in a spreadsheet"));
    browser.until(d -> cell("2 1").startsWith("And its meta title"));
    browser.click("Take back the last (2 texts)");
    browser.see("2 texts as before.");
    browser.until(d -> cell("2 0").equals(third));
    browser.click("Take back the last (1 text)");
    browser.until(d -> cell("0 0").equals(first));
    // Typed fast, one cell after the other of one text: all of it is kept.
    browser.driver.executeScript("document.querySelector('[data-at=\"3 0\"]').focus()");
    keys.sendKeys("Fast", Keys.TAB).perform();
    browser.until(
        d -> "3 1".equals(browser.driver.switchTo().activeElement().getAttribute("data-at")));
    keys.sendKeys("Faster", Keys.TAB).perform();
    browser.until(d -> cell("3 0").startsWith("Fast") && cell("3 1").startsWith("Faster"));
    browser.until(d -> browser.sees("Take back the last (1 text)"));
    assertThat(browser.all("[data-testid=not-kept]")).isEmpty();
    // Chosen columns stand in the address.
    browser.click(By.xpath("//label[contains(., 'Tags')]"));
    browser.until(d -> d.getCurrentUrl().contains("tags"));
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void a_pile_is_given_to_people_and_each_finds_their_own() {
    browser.open("/proofs?search=Market");
    browser.until(d -> browser.all("nav[aria-label='Pile of proofs'] a").size() > 1);
    int pile = browser.all("nav[aria-label='Pile of proofs'] a").size();
    browser.click("Many at once");
    browser.choose("What to do", "Give to people");
    browser.click(By.xpath("//fieldset//label[contains(., 'Wren')]"));
    browser.click(By.xpath("//button[starts-with(., 'Give %d texts to Wren')]".formatted(pile)));
    browser.see(": %d texts.".formatted(pile));
    browser.choose("For whom", "nobody yet");
    browser.until(d -> browser.all("nav[aria-label='Pile of proofs'] a").isEmpty());
    browser.open("/proofs?search=Market");
    browser.see("for Wren");
    browser.click("Many at once");
    browser.choose("What to do", "Give to people");
    browser.click("To nobody");
    browser.see("Nobody: ");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void one_correction_is_told_of_a_whole_sheet_and_taken_back() throws Exception {
    Path sheet = Files.createTempFile("smokehouse", ".csv");
    Files.writeString(
        sheet,
        "SKU,Name,Category,Cut by,Salted for\nSM-1,Ollan,Hams,Hilda Fray,14-16 wks\nSM-2,Tarn,Hams,Hilda Fray,6 wks\nSM-3,Fell,Hams,Edda Brock,n/a\n");
    browser.open("/intake");
    browser.drop(sheet);
    browser.click("Take 3 rows in");
    browser.click("See the products");
    browser.see("3 of 3 products shown");
    browser.click("Write 3");
    browser.see("3 of 3 products written");
    browser.open("/products?search=SM-1");
    browser.click("proof");
    browser.click("Description");
    browser.click("Change by hand");
    browser.find(By.cssSelector(".ProseMirror"));
    // The caret stands behind the first paragraph.
    new Actions(browser.driver).sendKeys("It is salted for 14 to 16 weeks.").perform();
    browser.click("Keep the change");
    By offer = By.cssSelector("[data-testid=learned]");
    browser.until(d -> browser.text(offer).contains("in 1 text"));
    // Shown on others before anything is kept; what somebody wrote stays, what says nothing too.
    assertThat(browser.text(offer))
        .contains("it is salted for ⟨Salted for⟩", "Tarn:", "salted for six weeks")
        .contains("1 text signed off or changed by hand would stay")
        .doesNotContain("Fell:");
    browser.click("Tell it so");
    browser.until(
        d -> browser.text(By.cssSelector("[data-testid=learned-act]")).contains("Salted for"));
    browser.open("/runs");
    browser.click("Run ");
    browser.see("1 of 1 product written");
    browser.open("/products?search=SM-2");
    browser.click("proof");
    browser.see("salted for six weeks");
    browser.open("/runs");
    browser.click("Run ");
    browser.click("Take 1 text back …");
    browser.click("Take them back: earlier texts count again");
    browser.see("1 text taken back");
    browser.open("/products?search=SM-2");
    browser.click("proof");
    browser.see("Tarn");
    assertThat(browser.text(By.cssSelector("main"))).doesNotContain("salted for six weeks");
  }

  @Test
  void facts_that_stand_in_no_sentence_are_said_where_the_text_is_read() throws Exception {
    Path sheet = Files.createTempFile("whistles", ".csv");
    Files.writeString(
        sheet,
        """
        SKU,Name,Category,Brand,Afloat,Trills,Cork
        WH-1,Ollan,Whistles,Heddle,Y,2,"nat., lge"
        WH-2,Tarn,Whistles,Heddle,N,3,"synth., sm."
        """);
    browser.open("/intake");
    browser.drop(sheet);
    browser.click("Take 2 rows in");
    browser.click("See the products");
    browser.see("2 of 2 products shown");
    browser.click("Write 2");
    browser.see("2 of 2 products written");
    // The texts of that run, and no others.
    browser.click("Read the texts");
    browser.see("2 texts");
    browser.click(By.cssSelector("[data-testid=left-out] summary"));
    browser.type(By.cssSelector("input[aria-label='Trills in a sentence']"), "It has trills.");
    browser.see("has to stand in it");
    boolean ollan = browser.text(By.cssSelector("main h1")).contains("Ollan");
    String trills = ollan ? "It has 2 trills." : "It has 3 trills.";
    browser.type(By.cssSelector("input[aria-label='Trills in a sentence']"), trills);
    browser.type(
        By.cssSelector("input[aria-label='Afloat in a sentence']"), "It stays on the water.");
    browser.click("Tell all 2 so");
    browser.until(
        d ->
            browser
                .text(By.cssSelector("[data-testid=learned-act]"))
                .contains("has written the texts anew"));
    // The text on the screen is the new one, without a word from the person.
    browser.until(
        d -> browser.text(By.cssSelector("main")).contains(trills.substring("It has ".length())));
    browser.click("Take it all back");
    browser.see("2 texts read as before");

    // What a cell means is said once, for this text and all others that have it.
    browser.click(By.cssSelector("[aria-label='Put it in words: Cork']"));
    browser.type(
        By.cssSelector("input[aria-label='Cork “nat., lge” in words']"), "large natural cork");
    browser.type(
        By.cssSelector("input[aria-label='Cork “synth., sm.” in words']"), "small synthetic cork");
    browser.click("Read so, in 2 products");
    browser.see("Read so from now on: Cork");
    browser.type(
        By.cssSelector("input[aria-label='Cork in a sentence']"),
        ollan ? "It has a large natural cork." : "It has a small synthetic cork.");
    browser.click("Tell it so, in 2 texts");
    browser.until(
        d ->
            browser
                .text(By.cssSelector("main"))
                .contains(ollan ? "large natural cork" : "small synthetic cork"));
  }

  @Test
  void a_claim_is_tried_on_real_products_while_it_is_typed_and_then_banned() {
    browser.open("/claims");
    browser.type(By.cssSelector("input[aria-label=Words]"), "headlights");
    browser.click(By.tagName("h1"));
    browser.click(By.cssSelector("li button"));
    browser.see("may be told of like this");
    browser.type(
        By.xpath("//textarea[contains(., '{it}') and not(@aria-hidden)]"),
        "{it} ~catch the beam of lamps");
    browser.see("catches the beam of lamps");
    browser.type(
        By.xpath("//textarea[contains(., '{it}') and not(@aria-hidden)]"), "{it} ~be the best");
    browser.see("more than any fact of a product can bear out");
    assertThat(browser.find(By.xpath("//button[.='Keep the claim']")).isEnabled()).isFalse();
    browser.click("Ban");
    browser.see("Banned.");
    browser.choose("Which claims", "claims that are banned");
    browser.see("Reflective details");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void a_kind_s_specification_is_put_in_order_seen_beside_the_old_one_and_put_back() {
    browser.open("/kinds");
    browser.click("Panniers");
    browser.see("Must be known");
    browser.see("Listed now");
    browser.click(By.cssSelector("button[aria-label='Move Weight to the top']"));
    browser.see("of this kind will be stale");
    browser.until(d -> listed("Then").startsWith("Weight:"));
    assertThat(listed("Listed now")).doesNotStartWith("Weight:");
    browser.click("Keep it");
    browser.see("Decided by");
    browser.until(d -> listed("Listed now").startsWith("Weight:"));
    browser.click("Back as delivered");
    browser.until(d -> !listed("Listed now").startsWith("Weight:"));
    assertThat(browser.complaints()).isEmpty();
  }

  /** The first entry of the first product's list under a label. */
  private static String listed(String label) {
    List<WebElement> entries =
        browser.driver.findElements(
            By.xpath("(//div[.='" + label + "']/following-sibling::ul)[1]/li[1]"));
    return entries.isEmpty() ? "" : entries.getFirst().getText();
  }

  @Test
  void words_of_a_fact_are_tried_on_real_products_while_they_are_typed() {
    browser.open("/facts");
    browser.type(By.cssSelector("input[aria-label=Words]"), "mass");
    browser.click(By.tagName("h1"));
    browser.click("Weight");
    browser.see("have such a fact");
    By wordings = By.xpath("//textarea[contains(., 'weigh ') and not(@aria-hidden)]");
    browser.type(wordings, "weigh exactly {v}");
    browser.see("The pannier weighs exactly 940 g.");
    browser.type(wordings, "weigh {kilos}");
    browser.see("there is nothing called {kilos} to put in");
    assertThat(browser.find(By.xpath("//button[.='Keep it']")).isEnabled()).isFalse();
    assertThat(browser.complaints()).isEmpty();
  }

  private static void say(String label, String words) {
    browser.type(By.cssSelector("textarea[aria-label='" + label + "']"), words);
    browser.click(By.tagName("h1"));
  }

  @Test
  void the_house_changes_its_style_sees_what_it_does_and_mends_its_texts_by_cause() {
    browser.open("/style");
    browser.see("So it reads now");
    say("Words the house doesn’t say", "pannier → bike bag");
    browser.see("So it would read");
    browser.until(d -> effect().contains("bike bag"));
    say("What every description ends with", "A pannier is a friend.");
    browser.see("is wanted in every description, and \"pannier\" is banned");
    assertThat(browser.find(By.xpath("//button[.='Keep it for the house']")).isEnabled()).isFalse();
    say("What every description ends with", "");
    browser.type(
        By.cssSelector("textarea[aria-label='Say it in plain words']"),
        "no contractions\nthink of the sea");
    browser.click("Make rules of it");
    browser.see("Verbs are written out.");
    browser.see("Kept for a text model only");
    browser.click("Keep it for the house");
    browser.see("writes so from now on");
    browser.open("/audit");
    browser.click(By.xpath("//li//button[contains(., 'A word the house doesn’t say')]"));
    browser.see("All of it can be mended at once.");
    browser.click("Mend all that can be mended");
    browser.see("texts mended. They are to be read and signed off again.");
    browser.open("/proofs/1");
    browser.see("Sources");
    assertThat(String.join(" ", sentences()))
        .contains("bike bag")
        .contains("Roll Pannier 20")
        .doesNotContain("pannier");
    browser.open("/style");
    browser.see("No. 1");
    say("Words the house doesn’t say", "");
    browser.click("Keep it for the house");
    browser.see("No. 2");
    assertThat(browser.complaints()).isEmpty();
  }

  private static String effect() {
    return browser.text(By.cssSelector("[data-testid=effect]"));
  }
}
