package rhetor.app.intake;

import rhetor.core.fact.Reading;
import rhetor.core.sheet.SheetLayout;

/**
 * One act of taking a sheet in.
 *
 * @param storedAs name of the sheet's copy in the house's data folder
 */
record Intake(
    long id,
    String supplier,
    String fileName,
    String storedAs,
    SheetLayout layout,
    Reading reading,
    Status status,
    IntakeResult result,
    String createdBy,
    java.time.Instant createdAt) {

  /** How far the intake is. */
  enum Status {
    PROPOSED,
    TAKING,
    TAKEN
  }
}
