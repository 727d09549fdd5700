package rhetor.core.model;

import java.util.List;

/** A text model that answers what it is asked; where it is and what it costs is known outside. */
public interface TextModel {
  /**
   * What the model says next.
   *
   * @param turns what was said so far, the question last
   */
  String answer(List<Turn> turns);
}
