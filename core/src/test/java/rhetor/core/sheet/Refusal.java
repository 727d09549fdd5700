package rhetor.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.assertj.core.api.ThrowableAssert.ThrowingCallable;

/** What a sheet that can't be read is answered. */
final class Refusal {
  private Refusal() {}

  /** Opening the sheet fails with this code, says these words, and says what to do. */
  static void refused(String code, ThrowingCallable open, String... words) {
    assertThatThrownBy(open)
        .isInstanceOfSatisfying(
            SheetException.class,
            e -> {
              assertThat(e.problem().code()).isEqualTo(code);
              assertThat(e.problem().remedy()).isNotBlank();
              assertThat(e.getMessage()).contains(words);
            });
  }
}
