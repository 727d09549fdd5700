package rhetor.app.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.math.BigDecimal;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Executors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import rhetor.core.model.Turn;

/** Whoever answers drop by drop, or without end, holds nobody up. */
class ModelClientTest {
  private static final Duration PATIENCE = Duration.ofSeconds(2);

  @ParameterizedTest
  @EnumSource
  void an_answer_that_does_not_end_is_given_up(Manner manner) throws IOException {
    HttpServer odd = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
    odd.setExecutor(Executors.newCachedThreadPool());
    odd.createContext("/", x -> answer(x, manner));
    odd.start();
    try {
      Connection connection =
          new Connection(
              1,
              "Odd",
              "http://127.0.0.1:" + odd.getAddress().getPort() + "/v1",
              "odd-1",
              "",
              BigDecimal.ONE,
              BigDecimal.ONE,
              BigDecimal.ZERO,
              false);
      long begin = System.nanoTime();
      assertThatThrownBy(
              () ->
                  new ModelClient(PATIENCE)
                      .ask(connection, List.of(new Turn(false, "A text, please.")), 1))
          .isInstanceOfSatisfying(
              ModelTrouble.class, t -> assertThat(t.kind()).isEqualTo(ModelTrouble.Kind.SILENCE));
      // The drops alone would take two minutes.
      assertThat(Duration.ofNanos(System.nanoTime() - begin)).isLessThan(Duration.ofSeconds(60));
    } finally {
      odd.stop(0);
    }
  }

  /** How a service answers. */
  enum Manner {
    DROPS,
    ENDLESS,
    PAGE
  }

  private static void answer(HttpExchange x, Manner manner) throws IOException {
    if (manner == Manner.PAGE) {
      x.sendResponseHeaders(502, 0);
      x.getResponseBody().write("<html>Bad gateway</html>".getBytes());
      x.close();
      return;
    }
    x.sendResponseHeaders(200, 0);
    boolean drops = manner == Manner.DROPS;
    byte[] piece = drops ? new byte[] {' '} : new byte[1 << 16];
    try (var out = x.getResponseBody()) {
      for (int i = 0; i < (drops ? 600 : 2_000); i++) {
        out.write(piece);
        out.flush();
        if (drops) {
          Thread.sleep(200);
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
