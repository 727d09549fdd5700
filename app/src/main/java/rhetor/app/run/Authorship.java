package rhetor.app.run;

import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import rhetor.core.model.Amends;

/**
 * Who writes a run's texts, and what a text model may do and cost.
 *
 * @param connection id of the text model's connection, 0 for none, which is the composer's
 * @param amends what becomes of what the model wrote and can't stand
 * @param most most that the run may spend, 0 for no limit
 * @param fallsBack whether Rhetor writes what the model doesn't answer or there is no money for;
 *     else the run waits
 */
public record Authorship(
    @NotNull Engine engine,
    long connection,
    @NotNull Amends amends,
    @NotNull BigDecimal most,
    boolean fallsBack) {

  /** Rhetor writes by itself. */
  public static final Authorship COMPOSER =
      new Authorship(Engine.COMPOSER, 0, Amends.COMPOSE, BigDecimal.ZERO, false);

  boolean asksModel() {
    return engine != Engine.COMPOSER && connection != 0;
  }
}
