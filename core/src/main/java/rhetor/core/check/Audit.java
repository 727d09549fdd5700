package rhetor.core.check;

import java.util.List;

/** What the checks say of one product's texts. */
public record Audit(List<Mark> marks, Readiness readiness) {
  public Audit {
    marks = List.copyOf(marks);
  }

  /** The marks that keep the texts from being signed off. */
  public List<Mark> mustFix() {
    return marks.stream().filter(m -> m.weight() == Mark.Weight.MUST_FIX).toList();
  }
}
