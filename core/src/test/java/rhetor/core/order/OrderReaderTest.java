package rhetor.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.order.Order.Verb;
import rhetor.core.order.OrderReader.Named;
import rhetor.core.order.OrderReader.Sort;

/** What is understood of orders, and what is said not to be. */
class OrderReaderTest {
  private final OrderReader reader =
      new OrderReader(
          List.of(
              new Named(Sort.KIND, "rain jacket", "rain jacket"),
              new Named(Sort.KIND, "U-lock", "U-lock"),
              new Named(Sort.KIND, "handlebar bag", "handlebar bag"),
              new Named(Sort.KIND, "saddle bag", "saddle bag"),
              new Named(Sort.KIND, "pannier", "pannier"),
              new Named(Sort.MAKER, "Oskerby", "Oskerby"),
              new Named(Sort.MAKER, "Moor & Sons", "Moor & Sons"),
              new Named(Sort.SHEET, "Kestering Locks", "7"),
              new Named(Sort.RANGE, "Spring", "3"),
              new Named(Sort.VOICE, "warm", "warm")));

  private static String said(Order order) {
    String left =
        order.left().stream()
            .map(l -> l.words() + (l.mayBe().isEmpty() ? "" : "=" + l.mayBe()))
            .collect(Collectors.joining("; "));
    return "%s %s|%s|%s|%s|%s|%s|%d-%d|%s|%s"
        .formatted(
            order.verb(),
            order.search(),
            order.state(),
            order.kind(),
            order.brand(),
            order.sheet(),
            order.range(),
            order.atLeast(),
            order.below(),
            order.voice(),
            left);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '>',
      quoteCharacter = '\'',
      value = {
        "show rain jackets without a keyword > SHOW |NO_KEYWORD|rain jacket||||0-0||",
        "Show all rain jackets by Oskerby > SHOW ||rain jacket|Oskerby|||0-0||",
        "sign off everything over 90 that has nothing to fix > SIGN_OFF |READY|||||91-0||",
        "Sign off the panniers with 85 or more > SIGN_OFF ||pannier||||85-0||",
        "send back the signed-off texts below 70 > SEND_BACK |SIGNED_OFF|||||0-70||",
        "rewrite the panniers of the spring range in the warm voice > WRITE ||pannier|||3|0-0|warm|",
        "write texts for everything from Kestering Locks without text > WRITE |UNWRITTEN|||7||0-0||",
        "find U-locks whose facts have changed > SHOW |STALE|U-lock||||0-0||",
        "show products by Moor & Sons that lack essential facts > SHOW |INCOMPLETE||Moor & Sons|||0-0||",
        "show panniers named \"roll top\" > SHOW roll top||pannier||||0-0||",
        "list drafts at most 60 > SHOW |DRAFTED|||||0-61||",
        "show jackets > SHOW ||rain jacket||||0-0||",
        "rain jackets > SHOW ||rain jacket||||0-0||"
      })
  void an_order_becomes_a_plan(String words, String plan) {
    assertThat(said(reader.read(words))).isEqualTo(plan);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '>',
      value = {
        "sign off all rain jackets painted by elves > painted by elves",
        "condense the panniers > ",
        "shorten the panniers > shorten=[shorten to 140 characters, shorten to 70 words]",
        "sign off the panniers to 140 characters > to 140 characters",
        "sign off the meta titles of panniers > meta titles",
        "show panniers of 70 words > 70 words",
        "rewrite the panniers in 123456 words > 123456 words",
        "show bags > bags=[handlebar bag, saddle bag]",
        "sign off everything over 900 > over 900",
        "show panniers and delete them > delete",
        "sign off panniers and rain jackets > rain jackets",
        "sign off drafts that are live > live",
        "sign off everything except panniers > except",
        "sign off panniers that are not over 90 > not"
      })
  void what_is_not_understood_is_said(String words, String left) {
    Order order = reader.read(words);
    if (left == null) {
      // No verb of ours: looked for in names as it stands.
      assertThat(order.search()).isEqualTo(words);
    } else {
      assertThat(said(order)).endsWith("|" + left);
      assertThat(order.isClear()).isFalse();
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '>',
      value = {
        "shorten the meta descriptions of all saddle bags to 140 characters > [META_DESCRIPTION] 140 0 saddle bag",
        "rewrite the panniers of the spring range in the warm voice, 70 words at most > [] 0 70 pannier",
        "rewrite the titles and meta titles of U-locks > [TITLE, META_TITLE] 0 0 U-lock",
        "write the alt texts of panniers > [IMAGE_ALT] 0 0 pannier",
        "write the short descriptions for panniers under 90 characters > [SHORT_DESCRIPTION] 90 0 pannier",
        "rewrite descriptions of panniers, no more than 120 words > [DESCRIPTION] 0 120 pannier",
        "rewrite the panniers under 90 > [] 0 0 pannier",
        "shorten tags of U-locks to 60 characters > [TAGS] 60 0 U-lock"
      })
  void what_is_written_has_fields_and_lengths(String words, String wanted) {
    Order order = reader.read(words);
    assertThat(order.left()).isEmpty();
    assertThat(order.verb()).isEqualTo(Verb.WRITE);
    assertThat(
            "%s %d %d %s"
                .formatted(order.fields(), order.mostCharacters(), order.mostWords(), order.kind()))
        .isEqualTo(wanted);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"Bastion U-Lock 14", "KL-2001", "roll", "100 % wool", "show", "\"\"", "'; drop"})
  void what_is_no_order_is_looked_for_or_shows_all(String words) {
    Order order = reader.read(words);
    assertThat(order.verb()).isEqualTo(Verb.SHOW);
    assertThat(order.state()).isEmpty();
    assertThat(order.search()).isIn(words, "");
  }

  @Test
  void empty_and_endless_orders_do_nothing() {
    assertThat(reader.read("   ")).isEqualTo(Order.search(""));
    String endless = "show panniers ".repeat(200);
    assertThat(reader.read(endless).verb()).isEqualTo(Verb.SHOW);
    assertThat(reader.read(endless).kind()).isEmpty();
  }

  @Test
  void a_verb_in_the_middle_orders_nothing() {
    assertThat(reader.read("panniers sign off").verb()).isEqualTo(Verb.SHOW);
    assertThat(reader.read("show what to sign off").isClear()).isFalse();
  }

  @Test
  void what_is_being_typed_can_go_on_as() {
    assertThat(reader.completions("si", 5)).containsExactly("sign off");
    assertThat(reader.completions("show ra", 5)).containsExactly("show rain jackets");
    assertThat(reader.completions("sign off panniers wi", 9))
        .contains("sign off panniers without marks");
    assertThat(reader.completions("sign off ov", 5)).containsExactly("sign off over 90");
    assertThat(reader.completions("shorten the meta d", 5))
        .first()
        .isEqualTo("shorten the meta descriptions");
    assertThat(reader.completions("shorten panniers to ", 9))
        .contains("shorten panniers to 140 characters");
    assertThat(reader.completions("", 5)).isEmpty();
    assertThat(reader.completions("show zzz", 5)).isEmpty();
  }
}
