package rhetor.app;

import java.util.Arrays;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import picocli.CommandLine;
import rhetor.app.house.ReadCommand;
import rhetor.app.house.WriteCommand;

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
      case "write" -> System.exit(new CommandLine(new WriteCommand()).execute(options));
      case "read" -> System.exit(new CommandLine(new ReadCommand()).execute(options));
      default -> SpringApplication.run(Rhetor.class, args);
    }
  }
}
