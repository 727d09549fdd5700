package rhetor.core.reading;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Term;

/**
 * Reads what a cloth is made of as labels write it: "55% LI 45% CO", "98 CO 2 EL", "100 % cotton".
 */
final class Composition {
  private static final Pattern PART =
      Pattern.compile(
          "(?<share>\\d{1,3}(?:[.,]\\d)?) ?(?<percent>%?) ?(?<fibre>\\p{L}[\\p{L}-]*(?: \\p{L}[\\p{L}-]+)?)(?:\\s*[,;/+&]\\s*|\\s+|$)");

  private static final BigDecimal WHOLE = BigDecimal.valueOf(100);
  private static final int LONGEST = 120;

  private final Knowledge knowledge;

  Composition(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /**
   * The fibres with their shares, such as "55% linen"; nothing unless the whole text is read, every
   * fibre is known by its name or its label's code, and the shares make a whole.
   */
  Optional<List<String>> read(String text) {
    if (text.isEmpty() || text.length() > LONGEST || !Character.isDigit(text.charAt(0))) {
      return Optional.empty();
    }
    List<String> parts = new ArrayList<>();
    BigDecimal sum = BigDecimal.ZERO;
    Matcher m = PART.matcher(text);
    int at = 0;
    while (at < text.length() && m.find(at) && m.start() == at) {
      Optional<String> fibre = fibre(m.group("fibre"));
      if (fibre.isEmpty()) {
        return Optional.empty();
      }
      BigDecimal share = new BigDecimal(m.group("share").replace(',', '.'));
      sum = sum.add(share);
      parts.add(share.stripTrailingZeros().toPlainString() + "% " + fibre.get());
      at = m.end();
    }
    boolean isWhole = at == text.length() && sum.compareTo(WHOLE) == 0;
    return isWhole ? Optional.of(List.copyOf(parts)) : Optional.empty();
  }

  /** Codes are written in capitals: "PA" is a fibre, "pa" is none. */
  private Optional<String> fibre(String written) {
    return knowledge
        .fibre(written)
        .or(() -> knowledge.term("material", written.toLowerCase(Locale.ROOT)))
        .map(Term::en);
  }
}
