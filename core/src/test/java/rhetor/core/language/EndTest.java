package rhetor.core.language;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A process that ends while the sentence model loads ends in good order. */
class EndTest {
  private static final int PATIENCE = 60;

  @TempDir Path folder;

  /** A command that has done its work at some moment of the loading. */
  static final class Command {
    public static void main(String[] args) throws InterruptedException {
      Thread.ofPlatform().daemon().start(Nearness.SHIPPED::load);
      Thread.sleep(Long.parseLong(args[0]));
      Nearness.end();
      System.exit(0);
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 400, 800, 1100, 1400})
  void the_model_is_waited_for(int millis) throws IOException, InterruptedException {
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "-XX:ErrorFile=" + folder.resolve("crash.log"),
                "-cp",
                System.getProperty("java.class.path"),
                Command.class.getName(),
                String.valueOf(millis))
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    assertThat(process.waitFor(PATIENCE, TimeUnit.SECONDS)).isTrue();
    assertThat(process.exitValue()).isZero();
    assertThat(folder.resolve("crash.log")).doesNotExist();
  }
}
