package rhetor.core.style;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** One of the texts that a product has, with the least and most characters it may have. */
public enum Field {
  TITLE("Title", 3, 80),
  SHORT_DESCRIPTION("Short description", 20, 240),
  DESCRIPTION("Description", 40, 4000),
  HIGHLIGHTS("Highlights", 20, 500),
  META_TITLE("Meta title", 3, 60),
  META_DESCRIPTION("Meta description", 20, 155),
  TAGS("Tags", 2, 200),
  IMAGE_ALT("Picture alt text", 3, 125),
  INCLUDED("Included", 2, 1000),
  NOT_INCLUDED("Not included", 2, 1000);

  private final String label;
  private final int least;
  private final int most;

  Field(String label, int least, int most) {
    this.label = label;
    this.least = least;
    this.most = most;
  }

  /** What screens call it. */
  public String label() {
    return label;
  }

  /** Whether every product should have it; the others depend on what there is to say. */
  public boolean isNeeded() {
    return switch (this) {
      case TAGS, HIGHLIGHTS, INCLUDED, NOT_INCLUDED -> false;
      default -> true;
    };
  }

  /** Whether it is a list of points. */
  public boolean isList() {
    return this == HIGHLIGHTS || this == INCLUDED || this == NOT_INCLUDED;
  }

  /** Fewest characters of plain text. */
  public int least() {
    return least;
  }

  /** Most characters of plain text. */
  public int most() {
    return most;
  }

  /** Its name in files and programs, such as {@code meta_title}. */
  @JsonValue
  public String code() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Reads {@link #code()}. */
  @JsonCreator
  public static Field parse(String code) {
    return valueOf(code.toUpperCase(Locale.ROOT));
  }
}
