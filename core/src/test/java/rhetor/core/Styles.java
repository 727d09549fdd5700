package rhetor.core;

import rhetor.core.style.Style;
import rhetor.core.style.VoiceMeasure;
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

  /** A style of a house that likes texts which sound so. */
  public static Style liking(VoiceMeasure sample) {
    return of("{'sample': " + READER.writeValueAsString(sample) + "}");
  }
}
