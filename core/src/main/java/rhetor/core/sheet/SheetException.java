package rhetor.core.sheet;

/** Says why a sheet can't be read, where the trouble is, and what to do about it. */
public final class SheetException extends RuntimeException {
  private final transient SheetProblem problem;

  public SheetException(SheetProblem problem) {
    super(problem.toString());
    this.problem = problem;
  }

  /** What is wrong, in a form that a screen can lay out. */
  public SheetProblem problem() {
    return problem;
  }
}
