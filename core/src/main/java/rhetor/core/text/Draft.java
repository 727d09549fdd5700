package rhetor.core.text;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import rhetor.core.style.Field;

/** All texts of one product, each as blocks of sentences with their support. */
public record Draft(Map<Field, List<Block>> fields) {
  public Draft {
    fields =
        fields.isEmpty() ? Map.of() : java.util.Collections.unmodifiableMap(new EnumMap<>(fields));
  }

  public List<Block> blocks(Field field) {
    return fields.getOrDefault(field, List.of());
  }

  /** All sentences of a field in order; headings too. */
  public List<Sentence> sentences(Field field) {
    List<Block> blocks = blocks(field);
    if (blocks.size() == 1) {
      return blocks.getFirst().sentences();
    }
    List<Sentence> sentences = new ArrayList<>();
    blocks.forEach(b -> sentences.addAll(b.sentences()));
    return sentences;
  }

  /** The field as plain text: blocks on lines of their own. */
  public String plain(Field field) {
    return plain(blocks(field), field == Field.TAGS);
  }

  /** The description's paragraphs in one line, without headings and lists. */
  public String prose() {
    StringBuilder text = new StringBuilder();
    for (Block block : blocks(Field.DESCRIPTION)) {
      if (block.kind() == Block.Kind.PARAGRAPH) {
        for (Sentence sentence : block.sentences()) {
          text.append(text.isEmpty() ? "" : " ").append(sentence.text());
        }
      }
    }
    return text.toString();
  }

  /** Blocks as plain text, on lines of their own. */
  public static String text(List<Block> blocks) {
    return plain(blocks, false);
  }

  /** Where a description's prose ends: before the heading of the list it ends with, if any. */
  public static int endOfProse(List<Block> blocks) {
    int end = blocks.size();
    if (end > 0 && blocks.get(end - 1).kind() == Block.Kind.LIST) {
      end--;
      end -= end > 0 && blocks.get(end - 1).kind() == Block.Kind.HEADING ? 1 : 0;
    }
    return end;
  }

  private static String plain(List<Block> blocks, boolean tags) {
    if (blocks.size() == 1 && blocks.getFirst().sentences().size() == 1) {
      return blocks.getFirst().sentences().getFirst().text();
    }
    StringBuilder text = new StringBuilder();
    for (Block block : blocks) {
      String joint = tags ? ", " : block.kind() == Block.Kind.LIST ? "\n" : " ";
      text.append(text.isEmpty() ? "" : "\n");
      for (int i = 0; i < block.sentences().size(); i++) {
        text.append(i == 0 ? "" : joint).append(block.sentences().get(i).text());
      }
    }
    return text.toString();
  }

  /** The same texts with one field replaced. */
  public Draft with(Field field, List<Block> blocks) {
    EnumMap<Field, List<Block>> changed = new EnumMap<>(Field.class);
    changed.putAll(fields);
    changed.put(field, List.copyOf(blocks));
    return new Draft(changed);
  }
}
