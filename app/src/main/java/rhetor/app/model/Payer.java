package rhetor.app.model;

import java.math.BigDecimal;

/**
 * For whom a text model is asked, and what may be spent on it.
 *
 * @param by the person who has it asked
 * @param run the run that it is for, 0 for none
 * @param most most that the run may spend, 0 for no limit
 */
public record Payer(String by, long run, BigDecimal most) {

  /** A person who asks for themselves. */
  public static Payer person(String by) {
    return new Payer(by, 0, BigDecimal.ZERO);
  }
}
