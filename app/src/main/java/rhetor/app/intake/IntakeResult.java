package rhetor.app.intake;

import java.util.List;
import rhetor.core.sheet.SheetProblem;

/**
 * How the rows of a sheet fared.
 *
 * @param problems why rows were not taken in; the first few hundred
 */
public record IntakeResult(
    int rows,
    int added,
    int changed,
    int unchanged,
    int rejected,
    int duplicates,
    int blank,
    int contradictions,
    List<SheetProblem> problems) {
  static final IntakeResult NONE = new IntakeResult(0, 0, 0, 0, 0, 0, 0, 0, List.of());
}
