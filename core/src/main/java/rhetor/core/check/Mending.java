package rhetor.core.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Mends in a text what marks say how to mend. */
public final class Mending {
  private Mending() {}

  /** The draft with the fixes of its marks made; marks without a fix change nothing. */
  public static Draft of(Draft draft, List<Mark> marks) {
    Map<Field, List<Mark>> byField =
        marks.stream().filter(Mark::hasFix).collect(Collectors.groupingBy(Mark::field));
    Draft mended = draft;
    for (Map.Entry<Field, List<Mark>> entry : byField.entrySet()) {
      mended = mended.with(entry.getKey(), blocks(draft.blocks(entry.getKey()), entry.getValue()));
    }
    return mended;
  }

  private static List<Block> blocks(List<Block> blocks, List<Mark> marks) {
    Map<Integer, String> fixes = new HashMap<>();
    marks.stream().filter(m -> m.sentence() >= 0).forEach(m -> fixes.put(m.sentence(), m.fix()));
    List<Block> mended = new ArrayList<>();
    int index = 0;
    for (Block block : blocks) {
      List<Sentence> sentences = new ArrayList<>();
      for (Sentence sentence : block.sentences()) {
        String fix = fixes.get(index++);
        if (fix == null) {
          sentences.add(sentence);
        } else if (!fix.isEmpty()) {
          sentences.add(new Sentence(fix, sentence.support()));
        }
      }
      if (!sentences.isEmpty()) {
        mended.add(new Block(block.kind(), sentences));
      }
    }
    List<Sentence> missing =
        marks.stream()
            .filter(m -> m.sentence() < 0)
            .map(m -> new Sentence(m.fix(), List.of(new Support(Support.Kind.HOUSE, m.fix()))))
            .toList();
    if (!missing.isEmpty()) {
      mended.add(Draft.endOfProse(mended), new Block(Block.Kind.PARAGRAPH, missing));
    }
    return mended;
  }
}
