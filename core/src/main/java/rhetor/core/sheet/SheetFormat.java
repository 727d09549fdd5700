package rhetor.core.sheet;

/** The kinds of file that a sheet can come in. */
public enum SheetFormat {
  DELIMITED("delimited text", true),
  XLSX("an XLSX workbook", true),
  ODS("an ODS workbook", true),
  JSON("a JSON list", false),
  JSON_LINES("JSON Lines", false),
  XML("an XML list", false);

  private final String label;
  private final boolean hasHeadingRow;

  SheetFormat(String label, boolean hasHeadingRow) {
    this.label = label;
    this.hasHeadingRow = hasHeadingRow;
  }

  /** Its name for people, with an article where it takes one. */
  public String label() {
    return label;
  }

  /** Whether one of its rows names the columns; records name their own. */
  public boolean hasHeadingRow() {
    return hasHeadingRow;
  }

  public boolean isWorkbook() {
    return this == XLSX || this == ODS;
  }
}
