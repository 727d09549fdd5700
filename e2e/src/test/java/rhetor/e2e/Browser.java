package rhetor.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.openqa.selenium.By;
import org.openqa.selenium.Dimension;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.TimeoutException;
import org.openqa.selenium.WebDriverException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.logging.LogEntry;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.logging.LoggingPreferences;
import org.openqa.selenium.support.ui.ExpectedCondition;
import org.openqa.selenium.support.ui.ExpectedConditions;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A person at a headless Chromium, who sees what is on the screen and acts on what they see. */
final class Browser implements AutoCloseable {
  /** Long, since it costs nothing where all is well and the machine may be busy with others. */
  private static final Duration PATIENCE = Duration.ofSeconds(60);

  final ChromeDriver driver;
  private final String url;

  Browser(String url) throws IOException {
    this.url = url;
    ChromeOptions options = new ChromeOptions();
    options.setBinary("/usr/bin/chromium");
    options.addArguments(
        "--headless=new",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--hide-scrollbars",
        // A button that fades in is for a moment too pale to read, whenever somebody looks then.
        "--force-prefers-reduced-motion",
        "--user-data-dir=" + Files.createTempDirectory("rhetor-chromium"));
    LoggingPreferences logs = new LoggingPreferences();
    logs.enable(LogType.BROWSER, java.util.logging.Level.WARNING);
    options.setCapability("goog:loggingPrefs", logs);
    driver =
        new ChromeDriver(
            new ChromeDriverService.Builder()
                .usingDriverExecutable(new java.io.File("/usr/bin/chromedriver"))
                .build(),
            options);
    size(1280, 800);
  }

  /** Makes the page itself so large, whatever the window's frame takes. */
  void size(int width, int height) {
    driver.manage().window().setSize(new Dimension(width, height));
    long inner = ((Number) driver.executeScript("return window.innerHeight")).longValue();
    driver.manage().window().setSize(new Dimension(width, (int) (2L * height - inner)));
  }

  Browser open(String path) {
    driver.get(url + path);
    return this;
  }

  /** Is somebody else from here on, who has never been here: nobody signed in, nothing kept. */
  void forget() {
    size(1280, 800);
    open("/");
    driver.executeScript("localStorage.clear(); sessionStorage.clear()");
    driver.manage().deleteAllCookies();
  }

  Browser signIn(String who) {
    open("/");
    type(By.name("email"), who + "@harrowmere.example");
    type(By.name("password"), "panniers and rain");
    click("Sign in");
    see("House ·");
    return this;
  }

  <T> T until(ExpectedCondition<T> condition) {
    return new WebDriverWait(driver, PATIENCE)
        .ignoring(org.openqa.selenium.StaleElementReferenceException.class)
        .until(condition);
  }

  /** Waits for fades to end: a button that was just enabled is for a moment paler than it is. */
  void untilColoursHaveSettled() {
    until(
        d ->
            (Boolean)
                driver.executeScript(
                    "return document.getAnimations()"
                        + ".every(a => !(a instanceof CSSTransition) || a.playState !== 'running')"));
  }

  WebElement find(By by) {
    return until(ExpectedConditions.visibilityOfElementLocated(by));
  }

  /** Waits until the words stand on the page; if they never do, says what stands there. */
  void see(String words) {
    try {
      until(d -> sees(words));
    } catch (TimeoutException e) {
      throw new AssertionError(
          "\"%s\" doesn't stand on %s: %s"
              .formatted(words, driver.getCurrentUrl(), text(By.tagName("body"))),
          e);
    }
  }

  boolean sees(String words) {
    return driver.findElement(By.tagName("body")).getText().contains(words);
  }

  /** Clicks the button or link that reads so, or begins so. */
  void click(String words) {
    click(
        By.xpath(
            "//*[self::button or self::a or self::label or @role='tab' or @role='menuitem'][starts-with(normalize-space(.), \""
                + words
                + "\")]"));
  }

  /** Clicks what is drawn there, anew if it has just been drawn again. */
  void click(By by) {
    until(
        d -> {
          WebElement target = ExpectedConditions.elementToBeClickable(by).apply(d);
          if (target == null) {
            return false;
          }
          driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", target);
          target.click();
          return true;
        });
  }

  void type(By by, String text) {
    WebElement field = find(by);
    field.sendKeys(Keys.chord(Keys.CONTROL, "a"), Keys.DELETE, text);
  }

  void choose(String label, String option) {
    new Select(find(By.cssSelector("select[aria-label=\"" + label + "\"]")))
        .selectByVisibleText(option);
  }

  /** Gives files to the page's first file field. */
  void drop(Path... files) {
    until(ExpectedConditions.presenceOfElementLocated(By.cssSelector("input[type=file]")))
        .sendKeys(
            java.util.Arrays.stream(files)
                .map(Path::toString)
                .collect(java.util.stream.Collectors.joining("\n")));
  }

  List<WebElement> all(String css) {
    return driver.findElements(By.cssSelector(css));
  }

  String text(By by) {
    return find(by).getText();
  }

  /** Errors that the browser reports: scripts that fail, and what the content policy blocks. */
  List<String> complaints() {
    return driver.manage().logs().get(LogType.BROWSER).getAll().stream()
        .map(LogEntry::getMessage)
        // Refusals are shown to the person; so is what a service outside didn't do.
        .filter(m -> !m.matches("(?s).*the server responded with a status of (?:4\\d\\d|502).*"))
        .toList();
  }

  void picture(Path file) throws IOException {
    Files.createDirectories(file.getParent());
    Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
  }

  @Override
  public void close() {
    try {
      driver.quit();
    } catch (WebDriverException stillEnding) {
      // Selenium waits 20 seconds for the driver to end, which a busy machine may not keep; what
      // was to be seen has been seen, and the driver ends with this program at the latest.
    }
  }
}
