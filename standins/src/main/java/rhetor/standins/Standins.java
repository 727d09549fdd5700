package rhetor.standins;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.Callable;
import org.springframework.boot.SpringApplication;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import rhetor.standins.harrowmere.HouseMaker;
import rhetor.standins.harrowmere.SheetGenerator;
import rhetor.standins.harrowmere.Staff;

/** Starts the stand-ins, and makes the demo house's sheets and pictures. */
@Command(
    name = "standins",
    mixinStandardHelpOptions = true,
    subcommands = {
      Standins.Serve.class,
      Standins.Work.class,
      Standins.Make.class,
      Standins.Generate.class
    })
public final class Standins {

  public static void main(String[] args) {
    int status = new CommandLine(new Standins()).execute(args);
    if (status != 0) {
      System.exit(status);
    }
  }

  @Command(
      name = "serve",
      mixinStandardHelpOptions = true,
      description = "Starts the simulated shop, text model and mailbox.")
  static final class Serve implements Callable<Integer> {
    @Option(names = "--port", defaultValue = "8610")
    int port;

    @Option(names = "--data", required = true, description = "Folder of its database.")
    Path data;

    @Option(
        names = "--mail-port",
        defaultValue = "0",
        description = "Port that mail is taken at, 0 for none; it is read at /mailbox.")
    int mailPort;

    @Option(names = "--token", defaultValue = "harrowmere-demo-token")
    String token;

    @Override
    public Integer call() {
      start(port, mailPort, data, token);
      return 0;
    }
  }

  /** Starts all in this process; port 0 takes any free one, and no mail. */
  public static org.springframework.context.ConfigurableApplicationContext start(
      int port, int mailPort, Path data, String token) {
    SpringApplication application = new SpringApplication(Services.class);
    application.setDefaultProperties(
        Map.of(
            "server.port", String.valueOf(port),
            "server.address", "127.0.0.1",
            "spring.datasource.url",
                "jdbc:h2:file:" + data.toAbsolutePath() + "/shop;DB_CLOSE_ON_EXIT=FALSE",
            "spring.datasource.username", "shop",
            "spring.datasource.password", "",
            "spring.main.banner-mode", "off",
            "spring.jmx.enabled", "false",
            "logging.level.root", "warn",
            "standins.mail-port", String.valueOf(mailPort),
            "standins.token", token));
    return application.run();
  }

  @Command(
      name = "work",
      mixinStandardHelpOptions = true,
      description = "Has the demo house's people work in it, so that no view of it is empty.")
  static final class Work implements Callable<Integer> {
    @Option(names = "--house", required = true, description = "Address of the house.")
    String house;

    @Option(names = "--demo", required = true, description = "Folder of the demo's files.")
    Path demo;

    @Override
    public Integer call() throws IOException, InterruptedException {
      new Staff(house, demo).work();
      return 0;
    }
  }

  @Command(
      name = "make",
      mixinStandardHelpOptions = true,
      description = "Makes the demo house's sheets and pictures.")
  static final class Make implements Callable<Integer> {
    @Option(names = "--out", required = true)
    Path out;

    @Override
    public Integer call() throws IOException {
      new HouseMaker().make(out);
      return 0;
    }
  }

  @Command(
      name = "generate",
      mixinStandardHelpOptions = true,
      description = "Makes a supplier's sheet of any size.")
  static final class Generate implements Callable<Integer> {
    @Option(names = "--rows", required = true)
    int rows;

    @Option(names = "--seed", defaultValue = "1")
    long seed;

    @Option(names = "--out", required = true)
    Path out;

    @Override
    public Integer call() throws IOException {
      new SheetGenerator(seed).write(rows, out);
      return 0;
    }
  }
}
