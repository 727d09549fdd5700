package rhetor.app;

import java.util.Arrays;
import java.util.concurrent.Callable;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.logging.LogLevel;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import picocli.CommandLine;
import rhetor.app.house.ReadCommand;
import rhetor.app.house.WriteCommand;
import rhetor.core.language.Nearness;

/**
 * Starts Rhetor: {@code write} turns a sheet into texts and ends, {@code read} shows how it is
 * read; anything else starts the server.
 */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
public class Rhetor {

  /**
   * Runs {@code write ...} or {@code read ...} without server or database, or starts the server.
   */
  public static void main(String[] args) {
    String[] options = args.length == 0 ? args : Arrays.copyOfRange(args, 1, args.length);
    switch (args.length == 0 ? "" : args[0]) {
      case "write" -> end(run(new WriteCommand(), options));
      case "read" -> end(run(new ReadCommand(), options));
      default -> SpringApplication.run(Rhetor.class, args);
    }
  }

  private static void end(int status) {
    Nearness.end();
    System.exit(status);
  }

  /** Runs a command; what libraries tell of themselves is no part of its answer. */
  private static int run(Callable<Integer> command, String[] options) {
    LoggingSystem.get(Rhetor.class.getClassLoader())
        .setLogLevel(LoggingSystem.ROOT_LOGGER_NAME, LogLevel.ERROR);
    return new CommandLine(command).execute(options);
  }
}
