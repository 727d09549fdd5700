package rhetor.app;

import java.util.Arrays;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import picocli.CommandLine;
import rhetor.app.house.WriteCommand;

/**
 * Starts Rhetor: {@code write} turns a sheet into texts and ends; anything else starts the server.
 */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
public class Rhetor {

  /** Runs {@code write ...} without server or database, or starts the server. */
  public static void main(String[] args) {
    if (args.length > 0 && args[0].equals("write")) {
      System.exit(
          new CommandLine(new WriteCommand()).execute(Arrays.copyOfRange(args, 1, args.length)));
    }
    SpringApplication.run(Rhetor.class, args);
  }
}
