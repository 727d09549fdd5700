package rhetor.app.web;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.math.BigDecimal;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.converter.HttpMessageConverters;
import org.springframework.http.converter.json.JacksonJsonHttpMessageConverter;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/**
 * Reads what requests bring more strictly than what the house has kept itself: no nulls in lists,
 * no numbers for names, no halves of characters, no amounts beyond all use.
 */
@Configuration
class StrictJson implements WebMvcConfigurer {
  private static final int MOST_DIGITS = 18;

  private final JsonMapper strict;

  StrictJson(JsonMapper usual) {
    strict =
        usual
            .rebuild()
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(EnumFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
            .changeDefaultNullHandling(v -> JsonSetter.Value.construct(Nulls.DEFAULT, Nulls.FAIL))
            .addModule(
                new SimpleModule("strict")
                    .addDeserializer(String.class, new WholeText())
                    .addDeserializer(BigDecimal.class, new Amount()))
            .build();
  }

  @Override
  public void configureMessageConverters(HttpMessageConverters.ServerBuilder converters) {
    converters.withJsonConverter(new JacksonJsonHttpMessageConverter(strict));
  }

  /** Text that can be written as UTF-8. */
  private static final class WholeText extends StdScalarDeserializer<String> {
    WholeText() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
      String text = parser.getValueAsString();
      if (text == null) {
        return (String) context.handleUnexpectedToken(getValueType(context), parser);
      }
      for (int i = 0; i < text.length(); i++) {
        char c = text.charAt(i);
        boolean paired =
            Character.isHighSurrogate(c)
                && i + 1 < text.length()
                && Character.isLowSurrogate(text.charAt(i + 1));
        if (Character.isSurrogate(c) && !paired) {
          throw context.weirdStringException(
              "…", String.class, "half of a character stands alone in it");
        }
        i += paired ? 1 : 0;
      }
      return text;
    }
  }

  /** An amount of money or of anything that people count. */
  private static final class Amount extends StdScalarDeserializer<BigDecimal> {
    Amount() {
      super(BigDecimal.class);
    }

    @Override
    public BigDecimal deserialize(JsonParser parser, DeserializationContext context) {
      BigDecimal amount;
      if (parser.currentToken().isNumeric()) {
        amount = parser.getDecimalValue();
      } else if (parser.hasToken(JsonToken.VALUE_STRING)) {
        amount = parsed(parser.getString(), context);
      } else {
        return (BigDecimal) context.handleUnexpectedToken(getValueType(context), parser);
      }
      if (Math.abs((long) amount.scale()) > MOST_DIGITS || amount.precision() > MOST_DIGITS) {
        throw context.weirdStringException(
            "…", BigDecimal.class, "an amount has up to " + MOST_DIGITS + " digits");
      }
      return amount;
    }

    private static BigDecimal parsed(String text, DeserializationContext context) {
      try {
        return new BigDecimal(text.strip());
      } catch (NumberFormatException e) {
        throw context.weirdStringException("…", BigDecimal.class, "it is no number");
      }
    }
  }
}
