package rhetor.core;

import rhetor.core.style.Style;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** House styles for tests, as a program would send them. */
public final class Styles {
  private static final JsonMapper READER =
      JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES).build();

  private Styles() {}

  /** The style of a JSON object in which quotes are single; what it leaves out is as usual. */
  public static Style of(String json) {
    return READER.readValue(json.replace('\'', '"'), Style.class);
  }
}
