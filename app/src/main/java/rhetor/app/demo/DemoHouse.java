package rhetor.app.demo;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import rhetor.app.folder.WatchedFolder;
import rhetor.app.house.HouseSettings;
import rhetor.app.intake.IntakeService;
import rhetor.app.intake.IntakeTaking;
import rhetor.app.model.Connection;
import rhetor.app.model.TextModels;
import rhetor.app.news.NewsService;
import rhetor.app.people.PeopleService;
import rhetor.app.people.Role;
import rhetor.app.product.ProductFilter;
import rhetor.app.run.Authorship;
import rhetor.app.run.RunService;

/**
 * Furnishes an empty house for the demo: people, a text model, one sheet written for, and three
 * that wait.
 */
@Component
@ConditionalOnProperty("rhetor.demo")
class DemoHouse implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoHouse.class);
  private static final String PASSWORD = "panniers and rain";

  private final PeopleService people;
  private final IntakeService intakes;
  private final IntakeTaking taking;
  private final RunService runs;
  private final TextModels models;
  private final HouseSettings settings;
  private final WatchedFolder watched;
  private final NewsService news;
  private final Path folder;
  private final int mailPort;
  private final int port;

  DemoHouse(
      PeopleService people,
      IntakeService intakes,
      IntakeTaking taking,
      RunService runs,
      TextModels models,
      HouseSettings settings,
      WatchedFolder watched,
      NewsService news,
      @Value("${rhetor.demo}") Path folder,
      @Value("${rhetor.demo-mail-port:0}") int mailPort,
      @Value("${rhetor.port}") int port) {
    this.watched = watched;
    this.news = news;
    this.mailPort = mailPort;
    this.port = port;
    this.people = people;
    this.intakes = intakes;
    this.taking = taking;
    this.runs = runs;
    this.models = models;
    this.settings = settings;
    this.folder = folder;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    if (!people.needsOwner()) {
      return;
    }
    people.createOwner("odile@harrowmere.example", "Odile Marrow", PASSWORD);
    people.add(
        "edwin@harrowmere.example",
        "Edwin Sallow",
        Role.EDITOR,
        PASSWORD,
        "odile@harrowmere.example");
    people.add(
        "wren@harrowmere.example", "Wren Tarn", Role.WRITER, PASSWORD, "odile@harrowmere.example");
    people.add(
        "rufus@harrowmere.example",
        "Rufus Holm",
        Role.READER,
        PASSWORD,
        "odile@harrowmere.example");
    // The demo's shop and its text model are one server.
    models.allow(URI.create(settings.shop().url()).getAuthority(), "odile@harrowmere.example");
    models.add(
        new Connection(
            0,
            "Foolscap",
            settings.shop().url() + "/model/v1",
            "foolscap-1",
            settings.shop().token(),
            new BigDecimal("0.50"),
            new BigDecimal("2.00"),
            new BigDecimal("20"),
            true),
        "odile@harrowmere.example");
    watched.set(true, true, Authorship.COMPOSER, "odile@harrowmere.example");
    if (mailPort != 0) {
      news.sendOver("127.0.0.1", mailPort, "rhetor@harrowmere.example", "http://127.0.0.1:" + port);
    }
    long tolvane = propose("Tolvane Luggage", "tolvane-luggage.csv");
    taking.takeIn(tolvane, "odile@harrowmere.example");
    runs.start(
        List.of(),
        new ProductFilter("", "ALL", tolvane),
        new RunService.Manner(true, 1, Optional.empty(), 0, Authorship.COMPOSER),
        "odile@harrowmere.example");
    propose("Kestering Locks", "kestering-locks.csv");
    propose("Brightwick Lighting", "brightwick-lighting.xlsx");
    propose("Oskerby Rainwear", "oskerby-rainwear.jsonl");
    LOG.info("the demo house is furnished");
  }

  private long propose(String supplier, String file) throws IOException {
    try (var in = Files.newInputStream(folder.resolve("sheets").resolve(file))) {
      return intakes.proposeSheet(supplier, file, in, "odile@harrowmere.example");
    }
  }
}
