package rhetor.app.intake;

import java.time.Instant;
import java.util.List;
import rhetor.core.reading.KnownReading.ColumnChange;
import rhetor.core.reading.Reading;
import rhetor.core.sheet.SheetLayout;

/**
 * One act of taking a sheet in.
 *
 * @param storedAs name of the sheet's copy in the house's data folder
 * @param changes how its columns differ from the supplier's last sheet; empty if there was none
 * @param seen whether a person has looked at the changes
 */
record Intake(
    long id,
    String supplier,
    String fileName,
    String storedAs,
    SheetLayout layout,
    Reading reading,
    List<ColumnChange> changes,
    boolean seen,
    Status status,
    IntakeResult result,
    String createdBy,
    Instant createdAt) {

  /** How far the intake is. */
  enum Status {
    PROPOSED,
    TAKING,
    TAKEN,
    TAKEN_BACK
  }
}
