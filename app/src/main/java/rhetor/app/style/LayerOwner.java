package rhetor.app.style;

import java.util.Locale;
import rhetor.app.web.Refused;
import rhetor.core.style.Spelling;

/**
 * A part of the house that decides otherwise than the layers under it.
 *
 * @param owner id of the range or channel, name of the language
 */
record LayerOwner(Kind kind, String owner) {

  /** The parts, in the order in which they lie over the house. */
  enum Kind {
    RANGE,
    CHANNEL,
    LANGUAGE
  }

  static LayerOwner range(long id) {
    return new LayerOwner(Kind.RANGE, String.valueOf(id));
  }

  static LayerOwner channel(long id) {
    return new LayerOwner(Kind.CHANNEL, String.valueOf(id));
  }

  static LayerOwner language(Spelling spelling) {
    return new LayerOwner(Kind.LANGUAGE, spelling.name());
  }

  /** The owner that an address names, such as {@code range/12} or {@code language/british}. */
  static LayerOwner parse(String kind, String owner) {
    try {
      return switch (Kind.valueOf(kind.toUpperCase(Locale.ROOT))) {
        case RANGE -> range(Long.parseLong(owner));
        case CHANNEL -> channel(Long.parseLong(owner));
        case LANGUAGE -> language(Spelling.valueOf(owner.toUpperCase(Locale.ROOT)));
      };
    } catch (IllegalArgumentException e) {
      throw Refused.notFound("There is no such range, channel or language.");
    }
  }

  /** The id of a range or channel. */
  long id() {
    return Long.parseLong(owner);
  }

  Spelling language() {
    return Spelling.valueOf(owner);
  }
}
