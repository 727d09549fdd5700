package rhetor.app.model;

import java.math.BigDecimal;

/**
 * A text model that the house may ask, over the chat-completions protocol.
 *
 * @param address where the protocol begins, such as {@code https://models.example/v1}
 * @param model what the service calls the model
 * @param secret the key, never shown again; empty if the service wants none
 * @param priceAsked what a million tokens of questions cost
 * @param priceAnswered what a million tokens of answers cost
 * @param monthlyMost most to be spent in a calendar month, 0 for no limit
 * @param takesPictures whether pictures may be sent with questions
 */
public record Connection(
    long id,
    String name,
    String address,
    String model,
    String secret,
    BigDecimal priceAsked,
    BigDecimal priceAnswered,
    BigDecimal monthlyMost,
    boolean takesPictures) {

  private static final BigDecimal MILLION = BigDecimal.valueOf(1_000_000);

  /** What so many tokens cost. */
  BigDecimal cost(int asked, int answered) {
    return priceAsked
        .multiply(BigDecimal.valueOf(asked))
        .add(priceAnswered.multiply(BigDecimal.valueOf(answered)))
        .divide(MILLION, 6, java.math.RoundingMode.HALF_UP);
  }

  /** Hides the key from logs. */
  @Override
  public String toString() {
    return "Connection[" + name + ", " + address + ", " + model + "]";
  }
}
