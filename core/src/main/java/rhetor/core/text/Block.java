package rhetor.core.text;

import java.util.List;

/** A paragraph, sub-heading or list of a text. */
public record Block(Kind kind, List<Sentence> sentences) {

  /** How a block is set. */
  public enum Kind {
    PARAGRAPH,
    HEADING,
    LIST
  }

  public Block {
    sentences = List.copyOf(sentences);
  }
}
