package rhetor.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/**
 * A field as plain lines, as a cell of a table holds it, and edited lines as blocks again: what was
 * a heading or a list entry stays one.
 */
public final class PlainLines {
  private PlainLines() {}

  /** Paragraphs, headings and list entries on lines of their own; tags in one line. */
  public static String of(Draft draft, Field field) {
    return draft.plain(field);
  }

  /**
   * Edited lines as blocks without support. A line that stood there before is of the kind that it
   * was; others are of the kind of the line in their place, or of the one before them if lines were
   * added or taken out.
   *
   * @param before the blocks that the lines were made of
   */
  public static List<Block> blocks(List<Block> before, Field field, String text) {
    if (field != Field.DESCRIPTION) {
      return Html.parse(field, text);
    }
    List<Line> old = lines(before);
    Map<String, Block.Kind> kinds = new HashMap<>();
    old.forEach(l -> kinds.putIfAbsent(l.text, l.kind));
    List<String> lines = text.lines().map(String::strip).filter(l -> !l.isEmpty()).toList();
    List<Line> edited = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      Block.Kind otherwise =
          lines.size() == old.size()
              ? old.get(i).kind
              : !edited.isEmpty() && edited.getLast().kind == Block.Kind.LIST
                  ? Block.Kind.LIST
                  : Block.Kind.PARAGRAPH;
      edited.add(new Line(kinds.getOrDefault(lines.get(i), otherwise), lines.get(i)));
    }
    return blocks(edited);
  }

  private record Line(Block.Kind kind, String text) {}

  private static List<Line> lines(List<Block> blocks) {
    List<Line> lines = new ArrayList<>();
    for (Block block : blocks) {
      if (block.kind() == Block.Kind.LIST) {
        block.sentences().forEach(s -> lines.add(new Line(block.kind(), s.text())));
      } else {
        lines.add(new Line(block.kind(), Draft.text(List.of(block))));
      }
    }
    return lines;
  }

  private static List<Block> blocks(List<Line> lines) {
    List<Block> blocks = new ArrayList<>();
    List<Sentence> entries = new ArrayList<>();
    for (Line line : lines) {
      if (line.kind == Block.Kind.LIST) {
        entries.add(new Sentence(line.text, List.of()));
        continue;
      }
      close(entries, blocks);
      blocks.add(
          new Block(
              line.kind,
              line.kind == Block.Kind.HEADING
                  ? List.of(new Sentence(line.text, List.of()))
                  : Html.sentences(line.text)));
    }
    close(entries, blocks);
    return blocks;
  }

  private static void close(List<Sentence> entries, List<Block> blocks) {
    if (!entries.isEmpty()) {
      blocks.add(new Block(Block.Kind.LIST, entries));
      entries.clear();
    }
  }
}
