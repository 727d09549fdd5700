package rhetor.core.reading;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.PartAspect;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/**
 * Tells stuffs that the things are made of from those that they work on, and from those that only
 * cover them.
 */
final class StuffColumns {
  private static final String MATERIAL = "material";
  private static final double HALF = 0.5;

  /** What carries a thing that is covered with something else. */
  private static final Set<String> FRAMES = Set.of("frame", "chassis", "leg", "shell", "base");

  private static final Set<String> COVERS = Set.of("fabric", "cloth");

  /** What WordNet calls what does work, and isn't made of cloth. */
  private static final List<String> MACHINES = List.of("machine", "tool", "home appliance");

  private final Knowledge knowledge;

  StuffColumns(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** No machine is made of cloth: "Fabrics" of one are what it works on. */
  static boolean isWorkedOn(Meaning meaning, SheetColumn column, SheetColumns sheet) {
    String thing = English.singular(English.lastWord(sheet.titled()));
    return meaning.concept().equals(MATERIAL)
        && Lexicon.shipped().shareKindOf(thing, MACHINES) >= HALF
        && column.cells().share(StuffColumns::isCloth) >= HALF;
  }

  private static boolean isCloth(String cell) {
    return Arrays.stream(cell.toLowerCase(Locale.ROOT).split("\\s*[,/&]\\s*"))
        .allMatch(w -> Lexicon.shipped().isKindOf(English.lastWord(w), "fabric"));
  }

  /**
   * "Fabric" beside the stuff of a frame is of a part of the things, and not what they are made of.
   */
  void readAsCover(List<ColumnReading> columns, SheetColumns sheet) {
    boolean hasFrame =
        columns.stream()
            .flatMap(c -> knowledge.concept(c.meaning().concept()).stream())
            .flatMap(c -> knowledge.partOf(c).stream())
            .anyMatch(FRAMES::contains);
    for (SheetColumn column : sheet.columns()) {
      ColumnReading read = columns.get(column.index());
      String heading = column.heading().name();
      if (hasFrame
          && read.meaning().concept().equals(MATERIAL)
          && COVERS.contains(English.lastWord(heading))) {
        knowledge
            .ofPart(English.lastWord(heading), PartAspect.MATERIAL)
            .ifPresent(
                c ->
                    columns.set(
                        column.index(),
                        new ColumnReading(
                            read.heading(),
                            Meaning.of(c),
                            read.unit(),
                            read.confidence(),
                            "Another column says what the frame is made of, so this is of the %s alone."
                                .formatted(English.lastWord(heading)))));
      }
    }
  }
}
