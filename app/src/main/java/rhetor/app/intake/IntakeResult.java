package rhetor.app.intake;

import java.util.List;
import rhetor.core.sheet.SheetProblem;

/**
 * How the rows of a sheet fared.
 *
 * @param left products that keep their facts because they are published or signed off
 * @param gone products of the supplier that its sheet no longer names; they stay as they are
 * @param problems why rows were not taken in; the first few hundred
 */
public record IntakeResult(
    int rows,
    int added,
    int changed,
    int unchanged,
    int left,
    int gone,
    int rejected,
    int duplicates,
    int blank,
    int contradictions,
    List<SheetProblem> problems) {
  IntakeResult withGone(int count) {
    return new IntakeResult(
        rows,
        added,
        changed,
        unchanged,
        left,
        count,
        rejected,
        duplicates,
        blank,
        contradictions,
        problems);
  }

  static final IntakeResult NONE = new IntakeResult(0, 0, 0, 0, 0, 0, 0, 0, 0, 0, List.of());
}
